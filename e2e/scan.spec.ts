import { readFileSync } from "node:fs";
import type { Page } from "@playwright/test";
import { axeFinds } from "./axe";
import { allKept, expect, goTo, openDemo, test } from "./helpers";
import { makePdf } from "./make-pdf";
import { asPictures, asScan } from "./make-scan";

/** Prints codes for the notebooks' pile and gives back the file. */
async function printed(page: Page, what: string): Promise<readonly Buffer[]> {
  await page.getByRole("button", { name: "Codes for a pile" }).click();
  await page.getByLabel("What is printed").selectOption({ label: what });
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: /^Make 30 / }).click();
  const path = await (await download).path();
  await page.keyboard.press("Escape");
  return asPictures(readFileSync(path));
}

const drop = (page: Page, files: readonly { readonly name: string; readonly buffer: Buffer }[], mimeType: string) =>
  page
    .locator('input[type="file"][aria-label="Choose files"]')
    .setInputFiles(files.map((file) => ({ ...file, mimeType })));

test("a scanned pile with cover sheets, some of it upside down, finds its students by itself", async ({ page }) => {
  await openDemo(page, "/collect?into=field-notebook");
  const covers = await printed(page, "Cover sheets, A4");
  expect(covers).toHaveLength(30);
  const [one, two, three] = asPictures(await makePdf({ pages: 3 }));
  const cover = (place: number) => ({ picture: covers[place] ?? null });
  const turned = (picture?: Buffer) => ({ picture: picture ?? null, isUpsideDown: true });
  const lying = (picture?: Buffer) => ({ picture: picture ?? null });
  const scan = await asScan([
    lying(three),
    ...[cover(0), lying(one), lying(two)],
    ...[turned(covers[1]), turned(one), turned(three), lying(undefined)],
    ...[cover(2), lying(two), lying(three)],
    ...[cover(28), lying(one), lying(two)],
    cover(3),
  ]);
  await drop(page, [{ name: "notebooks.pdf", buffer: scan }], "application/pdf");
  const list = page.getByRole("list", { name: "What came in" });
  await expect(list.getByText("3 sure")).toBeVisible();
  await expect(list.getByText("2 to decide")).toBeVisible();
  await expect(list.getByText("a blank cover: whose name stands on it?")).toBeVisible();
  await expect(list.getByText("cut into 5 papers", { exact: false })).toContainText(
    "1 page before the first paper · a cover and nothing behind it: Cato Mirelle · 1 blank page",
  );
  const brisk = list.getByRole("listitem").filter({ hasText: "Anouk Brisk" });
  await expect(brisk).toContainText("code on the paper");
  await expect(brisk).toContainText("3 pages, most have 2");

  // The blank back is left out and the stray page goes to the paper behind it.
  await list.getByRole("link", { name: "Its pages" }).click();
  const violations = await axeFinds(page);
  expect(violations).toEqual([]);
  await page.getByRole("checkbox", { name: "Leave out the 1 blank page" }).click();
  await page.getByRole("button", { name: /^Page 1$/ }).focus();
  await page.keyboard.press("x");
  await expect(page.getByRole("button", { name: "Page 1, left out" })).toBeVisible();
  await page.keyboard.press("ArrowRight");
  await expect(page.getByRole("button", { name: "Page 2, first of a paper, cover" })).toBeFocused();
  await page.reload();
  await expect(page.getByRole("button", { name: "Page 1, left out" })).toBeVisible();
  await page.getByRole("button", { name: "Cut into 4 papers" }).click();
  await expect(list.getByText("3 sure")).toBeVisible();
  await expect(list.getByText("3 pages, most have 2")).toHaveCount(0);

  await page.getByRole("textbox", { name: /^Student of notebooks 12-14/ }).fill("halloran");
  await page.keyboard.press("Enter");
  await page.getByRole("button", { name: "Take in 4 hand-ins" }).click();
  await expect(page.getByRole("region", { name: "News" })).toContainText("4 hand-ins taken in");
  await allKept(page);
  // With its papers, the pile is gone from the tray.
  await expect(page.getByText("The tray is empty.", { exact: false })).toBeVisible();
  await goTo(page, "/courses/reading-rivers/score/field-notebook/anouk-brisk");
  await expect(page.getByRole("group", { name: "Page 2 of 2" })).toBeAttached();
});

test("pictures of pages become one pile, in the order of their numbers", async ({ page }) => {
  await openDemo(page, "/collect?into=field-notebook");
  await page.getByRole("button", { name: "Codes for a pile" }).click();
  await page.getByLabel("What is printed").selectOption({ label: "Cover sheets, A4" });
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "Make 30 cover sheets" }).click();
  const covers = asPictures(readFileSync(await (await download).path()));
  await page.keyboard.press("Escape");
  const [one, two] = asPictures(await makePdf({ pages: 2 }));
  const pictures = [covers[4], one, two, covers[5], two].map((buffer, index) => ({
    // In the order of their numbers, not of their letters.
    name: `page ${String(index + 8)}.jpg`,
    buffer: buffer ?? Buffer.alloc(0),
  }));
  await drop(page, pictures, "image/jpeg");
  const list = page.getByRole("list", { name: "What came in" });
  await expect(list.getByText("2 sure")).toBeVisible();
  await expect(list.getByRole("listitem").filter({ hasText: "Clea Vantor" })).toContainText("2 pages");
  await expect(list.getByRole("listitem").filter({ hasText: "Dagny Kvist" })).toContainText("1 page");
});
