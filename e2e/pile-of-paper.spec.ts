import { axeFinds } from "./axe";
import { allKept, expect, goTo, openDemo, test } from "./helpers";
import { makePdf } from "./make-pdf";

test("a scanned pile is cut into papers, each named from its strip by keys alone, and taken in as one step", async ({
  page,
}) => {
  await openDemo(page, "/collect?into=story-map");
  await page.locator('input[type="file"][aria-label="Choose files"]').setInputFiles({
    name: "scan.pdf",
    mimeType: "application/pdf",
    buffer: await makePdf({ pages: 7 }),
  });
  await expect(page.getByText("7 pages")).toBeVisible();
  await page.getByRole("button", { name: "More for scan.pdf" }).click();
  await page.getByRole("menuitem", { name: "Cut the pile into papers" }).click();
  const pages = page.getByLabel("Pages of each paper");
  await pages.fill("9");
  await expect(page.getByText("Type a number from 1 to 6.")).toBeVisible();
  await pages.fill("2");
  await expect(page.getByText("The last paper would have 1: look whether a page is missing.")).toBeVisible();
  await pages.press("Enter");
  await page.getByRole("button", { name: "Cut into 4 papers" }).click();
  await expect(page.getByText("4 to decide")).toBeVisible();
  const strip = page.getByRole("img", { name: "Top of the first page of scan 3-4.pdf" });
  await expect(strip.locator("canvas")).toBeAttached();
  const violations = await axeFinds(page);
  expect(violations).toEqual([]);

  await page.getByRole("textbox", { name: "Student of scan 1-2.pdf" }).focus();
  for (const part of ["ams", "duf", "pell", "moor"]) {
    await page.keyboard.type(part);
    await page.keyboard.press("Enter");
  }
  await expect(page.getByText("to decide")).toHaveCount(0);
  await page.getByRole("button", { name: "Take in 4 hand-ins" }).click();
  await expect(page.getByRole("region", { name: "News" })).toContainText("4 hand-ins taken in");
  await allKept(page);
  await goTo(page, "/courses/reading-rivers/score/story-map/oona-dufresne");
  await expect(page.getByText("This is page 3 of a long report about the river.")).toBeVisible();
});
