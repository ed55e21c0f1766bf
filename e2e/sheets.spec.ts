import type { Page } from "@playwright/test";
import { readFileSync } from "node:fs";
import type { Sheet, SheetCell } from "#core/formats";
import { readSheets } from "../workers/tables/sheets-in";
import { writeSheets } from "../workers/tables/sheets-out";
import { Acts } from "./acts";
import { allKept, expect, goTo, openDemo, test } from "./helpers";

const XLSX = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet";
const ODS = "application/vnd.oasis.opendocument.spreadsheet";
const look = (page: Page) => page.getByRole("link", { name: "Look at its scores" });
const takeIn = (page: Page) => page.getByRole("button", { name: /^Take in \d+ scores?$/ });
const lines = (page: Page) => page.getByRole("table", { name: "What the sheet would do" });
const line = (page: Page, name: string) => lines(page).getByRole("row").filter({ hasText: name });

/** Chooses a spreadsheet, as one act. */
async function bring(page: Page, name: string, mimeType: string, buffer: Buffer): Promise<void> {
  await page.locator('input[type="file"][aria-label="Choose files"]').setInputFiles({ name, mimeType, buffer });
  await expect(look(page)).toBeVisible();
}

/** Saves what is under Collect as a spreadsheet, and reads it. */
async function takeOut(page: Page, format: "xlsx" | "ods", acts?: Acts): Promise<readonly Sheet[]> {
  const saving = page.waitForEvent("download");
  const button = page.getByRole("region", { name: "Out and back" }).getByRole("button", { name: format });
  await (acts ? acts.click(button) : button.click());
  const bytes = readFileSync(await (await saving).path());
  return readSheets(new Blob([bytes]), format === "xlsx" ? XLSX : ODS);
}

/** The sheets with some cells of the first one put in the place of others, by the student's number. */
const filledIn = (sheets: readonly Sheet[], entries: Readonly<Record<string, SheetCell>>): readonly Sheet[] =>
  sheets.map((sheet, which) => {
    if (which > 0) return sheet;
    const place = sheet.rows[0]?.findIndex((head) => /of|bonus/.test(String(head))) ?? 3;
    return {
      ...sheet,
      rows: sheet.rows.map((row) => {
        const entry = entries[String(row[0])];
        return entry === undefined ? row : Object.assign([...row], { [place]: entry });
      }),
    };
  });
const bytesOf = async (sheets: readonly Sheet[], format: "xlsx" | "ods") =>
  Buffer.from(await (await writeSheets(sheets, format, "point")).arrayBuffer());

test("a marks sheet that somebody else made: dropped, looked over, taken in", async ({ page }) => {
  await openDemo(page, "/collect?into=story-map");
  const rows = Array.from({ length: 28 }, (_, index) => `L${String(26_041 + index * 7)};${String(40 + index)},5`);
  const text = ["Laboratory;", ";", "Matrikelnr.;Punkte", ...rows, "Mean;54,0"].join("\r\n");
  const acts = new Acts(page);
  await acts.drop("h1", [["marks.csv", text]]);
  await acts.click(look(page));
  await expect(page.getByText("28 new · 1 row of nobody in the course")).toBeVisible();
  await expect(line(page, "Aldous Brenn")).toContainText("40.5");
  await acts.click(takeIn(page));
  acts.done("a marks sheet of 28", 4);
  await expect(page).toHaveURL(/\/gradebook$/);
  const news = page.getByRole("region", { name: "News" });
  await expect(news).toContainText("28 scores from a spreadsheet, Catchment story map");
  await allKept(page);
  await news.getByRole("button", { name: "Undo" }).click();
  await expect(news).toContainText("Undone: 28 scores from a spreadsheet");
  await goTo(page, "/courses/reading-rivers/collect");
  await expect(page.getByText(/^The tray is empty/)).toBeVisible();
});

for (const format of ["xlsx", "ods"] as const) {
  test(`one exam's column out as .${format}, filled in, and back in`, async ({ page }) => {
    await openDemo(page, "/collect");
    const acts = new Acts(page);
    await acts.choose(page.getByLabel("Assignment it goes into"), { label: "Catchment story map" });
    const out = await takeOut(page, format, acts);
    acts.done("an exam column out", 4);
    expect(out[0]?.rows[0]?.slice(0, 5)).toEqual([
      "Student number",
      "Name",
      "Section",
      "Catchment story map (of 100)",
      "Catchment story map comment",
    ]);
    const back = new Acts(page);
    await bring(
      page,
      `story.${format}`,
      format === "xlsx" ? XLSX : ODS,
      await bytesOf(filledIn(out, { L26041: 71.5, L26048: "missing", L26055: 120 }), format),
    );
    await back.click(look(page));
    await expect(page.getByText(/^2 new · 25 the same · 1 unusual/)).toBeVisible();
    await expect(line(page, "Bram Oduya")).toContainText("above the maximum");
    await back.click(takeIn(page));
    back.done("an exam column back in, beside dropping it", 3);
    await expect(page.getByRole("region", { name: "News" })).toContainText("2 scores from a spreadsheet");
  });
}

test("what changed here since the sheet left is told with both values, and one is chosen", async ({ page }) => {
  await openDemo(page, "/collect?into=question-paper");
  const out = await takeOut(page, "xlsx");
  const [, first, second] = out[0]?.rows ?? [];
  const numbers = [String(first?.[0]), String(second?.[0])] as const;
  const names = [String(first?.[1]), String(second?.[1])] as const;
  await goTo(page, "/courses/reading-rivers/pile/question-paper");
  for (const name of names) {
    await page.locator("#pile").fill(`${name} 11`);
    await page.keyboard.press("Enter");
    await page.keyboard.press("Enter");
  }
  await allKept(page);
  await goTo(page, "/courses/reading-rivers/collect?into=question-paper");
  await bring(
    page,
    "questions.xlsx",
    XLSX,
    await bytesOf(filledIn(out, { [numbers[0]]: 12, [numbers[1]]: 13 }), "xlsx"),
  );
  await look(page).click();
  await expect(page.getByText(/2 changed here too/)).toBeVisible();
  await expect(takeIn(page)).toBeDisabled();
  await line(page, names[0]).getByRole("checkbox", { name: "Take the sheet’s 12" }).check();
  await expect(takeIn(page)).toHaveText("Take in 1 score");
  await takeIn(page).click();
  await expect(page).toHaveURL(/\/gradebook$/);
  await expect(page.getByRole("region", { name: "News" })).toContainText(`${names[0]}, Question paper 1`);
});

test("columns that were not understood are put right, and a sheet without a head says what it needs", async ({
  page,
}) => {
  await openDemo(page, "/collect?into=story-map");
  await page.locator('input[type="file"][aria-label="Choose files"]').setInputFiles([
    { name: "odd.csv", mimeType: "text/csv", buffer: Buffer.from("Number,Wert,Seen\nL26041,55,yes\nL26048,61,no\n") },
    { name: "headless.csv", mimeType: "text/csv", buffer: Buffer.from("L26041,55\nL26048,61\n") },
  ]);
  await expect(look(page)).toHaveCount(2);
  await page
    .getByRole("listitem")
    .filter({ hasText: "odd.csv" })
    .last()
    .getByRole("link", { name: "Look at its scores" })
    .click();
  await expect(takeIn(page)).toBeDisabled();
  await page.getByLabel("Wert").selectOption({ label: "Catchment story map" });
  await expect(takeIn(page)).toHaveText("Take in 2 scores");
  await page.goBack();
  await page
    .getByRole("listitem")
    .filter({ hasText: "headless.csv" })
    .last()
    .getByRole("link", { name: "Look at its scores" })
    .click();
  await expect(page.getByText("No row of it says what its columns hold.")).toBeVisible();
});
