import { readFileSync } from "node:fs";
import type { Page } from "@playwright/test";
import { allKept, cell, expect, goTo, openDemo, ruler, test } from "./helpers";

const COURSE = "/courses/reading-rivers";

/** The demo course with decimals behind a comma. */
async function withCommas(page: Page): Promise<void> {
  await openDemo(page, "/plan/course");
  await page.getByLabel("Decimals are written").selectOption("comma");
  await allKept(page);
}

/** Views whose figures are all the course's own. */
const VIEWS = [
  "",
  "/gradebook",
  "/students/faruq-rahel",
  "/plan",
  "/plan/rules",
  "/check?assignment=field-notebook&view=criteria",
  "/check?assignment=field-notebook&view=scaling",
  "/check/course",
  "/release/grades",
  "/pile/question-paper",
  "/sweep/flood-memo",
];

test("a course that writes decimals behind a comma shows, takes in and gives out its figures so", async ({ page }) => {
  await withCommas(page);
  const pointed = async () => {
    const texts = await page.locator(".figures").allTextContents();
    return texts.filter((text) => /\d\.\d/.test(text)).map((text) => text.slice(0, 80));
  };
  for (const view of VIEWS) {
    await goTo(page, COURSE + view);
    expect(await pointed(), view).toEqual([]);
  }
  await goTo(page, `${COURSE}/score/flood-memo/ilse-tarnowe`);
  await page.keyboard.press("2");
  await expect(ruler(page, "Use of the record")).toHaveAttribute("aria-valuetext", "15,5 points, Sound");

  await goTo(page, `${COURSE}/gradebook`);
  await cell(page, "Question paper 1", "Ilse Tarnowe").click();
  for (const typed of ["31,5", "32.5"]) {
    await page.keyboard.type(typed);
    await page.keyboard.press("Enter");
  }
  await expect(cell(page, "Question paper 1", "Ilse Tarnowe")).toHaveText("31,5");
  await expect(cell(page, "Question paper 1", "Jorun Nakade")).toHaveText("32,5");
  await allKept(page);

  await goTo(page, `${COURSE}/files`);
  await expect(page.getByText("CSV: decimals behind a comma, columns parted by semicolons.")).toBeVisible();
  const saving = page.waitForEvent("download");
  await page.getByRole("button", { name: "Save the scores as CSV" }).click();
  const csv = readFileSync(await (await saving).path(), "utf8");
  expect(csv.split("\r\n")[0]).toMatch(/^Student number;Name;Section;/);
  expect(csv).toMatch(/;31,5;/);
  expect(csv).not.toMatch(/\d\.\d/);

  // What leaves comes back: the same file, let go on the tray, changes nothing.
  await goTo(page, `${COURSE}/collect?into=question-paper`);
  const leaving = page.waitForEvent("download");
  await page.getByRole("region", { name: "Out and back" }).getByRole("button", { name: "csv" }).click();
  const sheet = readFileSync(await (await leaving).path());
  expect(sheet.toString()).toMatch(/;31,5;/);
  await page
    .locator('input[type="file"][aria-label="Choose files"]')
    .setInputFiles([{ name: "scores.csv", mimeType: "text/csv", buffer: sheet }]);
  await page.getByRole("link", { name: "Look at its scores" }).click();
  await expect(page.getByText(/\d+ the same/)).toBeVisible();
  await expect(page.getByText(/\d+ (new|changed|refused)/)).toHaveCount(0);

  await goTo(page, `${COURSE}/release?assignment=gauging-report&student=ilse-tarnowe`);
  await expect(page.getByRole("article", { name: "Gauging report, for Ilse Tarnowe" })).toContainText(/\d,\d \/ \d+/);
});

test("a date that is all figures is read in the order of the course", async ({ page }) => {
  await openDemo(page, "/plan/course");
  await page.getByLabel("Dates such as 3/10 mean").selectOption("month");
  await allKept(page);
  await goTo(page, `${COURSE}/plan/assignments/story-map`);
  const due = page.getByLabel(/^Due/);
  await due.fill("12/9/2026 18:00");
  await due.press("Enter");
  await expect(due).toHaveValue("Wed 9 Dec 2026, 18:00");
  await due.fill("25/12/2026");
  await due.press("Enter");
  await expect(page.getByText('"25/12/2026" is no date.', { exact: false })).toBeVisible();
  await goTo(page, `${COURSE}/plan`);
  await page.getByLabel("New assignments, one line each").fill("Spring sheet, 10 points, 3/10/2027");
  await expect(page.getByText("due 10 Mar 2027")).toBeVisible();
});
