import type { Page } from "@playwright/test";

/** Waits until files can be let go on a part of the page: the package for it comes a breath after the page is drawn. */
export const takesFiles = (page: Page, selector: string) =>
  page.waitForFunction(
    (place) => document.querySelector(place)?.closest<HTMLElement>("[data-takes-files]")?.dataset.takesFiles === "true",
    selector,
  );

/** Lets files go on a part of the page, as they are dragged from a folder. */
export async function letGo(
  page: Page,
  selector: string,
  files: readonly (readonly [name: string, text: string])[],
): Promise<void> {
  await takesFiles(page, selector);
  await page.evaluate(
    ([place, all]) => {
      const target = document.querySelector(place);
      const dataTransfer = new DataTransfer();
      for (const [name, text] of all) dataTransfer.items.add(new File([text], name, { type: "text/markdown" }));
      for (const type of ["dragenter", "dragover", "drop"]) {
        target?.dispatchEvent(new DragEvent(type, { bubbles: true, cancelable: true, dataTransfer }));
      }
    },
    [selector, files] as const,
  );
}
