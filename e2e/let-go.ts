import type { Page } from "@playwright/test";

/** Lets files go on a part of the page, as they are dragged from a folder. */
export const letGo = (
  page: Page,
  selector: string,
  files: readonly (readonly [name: string, text: string])[],
): Promise<void> =>
  page.evaluate(
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
