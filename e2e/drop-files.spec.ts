import type { Page } from "@playwright/test";
import { expect, openDemo, test } from "./helpers";
import { takesFiles } from "./let-go";

/** Holds a file over a place of the page, and lets it go there. Answers whether the browser would have opened it. */
async function letGo(page: Page, selector: string, name: string, text: string, until: "over" | "dropped" = "dropped") {
  await takesFiles(page, selector);
  return page.evaluate(
    ([place, fileName, content, last]) => {
      const target = document.querySelector(place ?? "");
      const dataTransfer = new DataTransfer();
      dataTransfer.items.add(new File([content ?? ""], fileName ?? "", { type: "text/markdown" }));
      const events = last === "over" ? ["dragenter", "dragover"] : ["dragenter", "dragover", "drop"];
      return events.map((type) => {
        const event = new DragEvent(type, { bubbles: true, cancelable: true, dataTransfer });
        target?.dispatchEvent(event);
        return event.defaultPrevented;
      });
    },
    [selector, name, text, until],
  );
}

const PLACE = '[aria-label="The work"], main [role="presentation"]';

test("a file let go on the desk is handed in, and the place says so while it is held over it", async ({ page }) => {
  await openDemo(page, "/score/story-map/bram-oduya");
  await expect(page.getByText("Nothing handed in yet.")).toBeVisible();
  await letGo(page, PLACE, "map.md", "# A map", "over");
  await expect(page.getByText("Let go to hand in for Bram")).toBeVisible();
  await letGo(page, PLACE, "map.md", "# A map");
  await expect(page.getByText("A map", { exact: true })).toBeVisible();
  await expect(page.getByText("Let go to hand in for Bram")).toHaveCount(0);
  await page.getByRole("button", { name: /^Undo: / }).click();
  await expect(page.getByText("Nothing handed in yet.")).toBeVisible();
});

test("a file let go on the button inside the place is taken once", async ({ page }) => {
  await openDemo(page, "/score/story-map/bram-oduya");
  await page.getByRole("button", { name: "Add files", exact: true }).evaluate((button) => {
    button.id = "add-files";
  });
  await letGo(page, "#add-files", "map.md", "# A map");
  await expect(page.getByText("A map", { exact: true })).toBeVisible();
  await page.getByRole("button", { name: /^Undo: / }).click();
  await expect(page.getByText("Nothing handed in yet.")).toBeVisible();
});

test("a file let go anywhere else in a course goes into its tray, and is never opened in place of the application", async ({
  page,
}) => {
  await openDemo(page, "/journal");
  const [, over, dropped] = await letGo(page, "h1", "Dov Amsel.md", "# A map");
  expect([over, dropped]).toEqual([true, true]);
  await expect(page).toHaveURL(/\/collect$/);
  await expect(page.getByRole("list", { name: "What came in" })).toContainText("Dov Amsel");
});
