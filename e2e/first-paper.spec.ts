import { allKept, cell, expect, expectWritten, margin, open, openDemo, ruler, takeUp, test } from "./helpers";

const COURSE = "/courses/reading-rivers";
const DESK = `${COURSE}/score/flood-memo`;

test("the whole job: judge a PDF by keyboard, missing, excused, totals, release, and what the student sees", async ({
  page,
}) => {
  await open(page, "/");
  // From the board to the first paper that waits: Ilse Tarnowe's memo, a PDF, two days late.
  await page.getByRole("link", { name: "8 to score Flood-frequency memo" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Ilse Tarnowe" })).toBeVisible();
  await expect(page.locator(".text-layer").getByText("The river at Ossel Weir")).toBeVisible();

  // Three criteria: Sound (top 15.5), Argued and a step down (12.5), A pleasure and two steps down (9).
  await page.keyboard.press("2");
  await page.keyboard.press("Shift+2");
  await page.keyboard.press("ArrowLeft");
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("Shift+3");
  await page.keyboard.press("ArrowLeft");
  await page.keyboard.press("ArrowLeft");
  await expect(ruler(page, "Use of the record")).toHaveAttribute("aria-valuetext", "15.5 points, Sound");
  await expect(ruler(page, "Reasoning from flow to risk")).toHaveAttribute("aria-valuetext", "12.5 points, Argued");
  await expect(ruler(page, "Plain writing")).toHaveAttribute("aria-valuetext", "9 points, A pleasure");
  // By hand: 15.5 + 12.5 + 9 = 37 of 50, twice that is 74 of 100; two started days at 5 % of 100 take 10.
  await expect(page.getByRole("region", { name: "Score" })).toContainText("37 of 50 → 74 of 100");
  await expect(page.getByRole("region", { name: "Score" })).toContainText("2 days late: 74 −10 → 64");
  await expect(page.getByRole("button", { name: "Type the score" })).toHaveText("64 / 100");

  // Two notes: one as evidence for the second criterion, one plain.
  await takeUp(page, "the town is safe until 2078");
  await page.keyboard.press("2");
  await page.keyboard.type("A return period is a yearly chance of 1 in 100, not a timetable.");
  await page.keyboard.press("Control+Enter");
  await takeUp(page, "record of 41 years");
  await page.keyboard.press("n");
  await page.keyboard.type("Good: you say what is lost.");
  await page.keyboard.press("Control+Enter");
  await expect(margin(page).getByRole("listitem")).toHaveCount(2);
  await expect(page.getByRole("list", { name: "Evidence for Reasoning from flow to risk" })).toContainText(
    "the town is safe until",
  );
  await page.keyboard.press("c");
  await page.keyboard.type("Ilse, the opening is lovely.");
  await page.keyboard.press("Escape");
  await page.keyboard.press("v");
  await page.keyboard.type("PRIVATE: ask about the first attempt");
  await page.keyboard.press("Escape");
  await allKept(page);

  // Going on: Jorun Nakade is missing after all, Kesi Strand is excused.
  await page.keyboard.press("Alt+ArrowRight");
  await expect(page.getByRole("heading", { level: 1, name: "Jorun Nakade" })).toBeVisible();
  await page.keyboard.press("m");
  await expect(page.getByRole("button", { name: "Missing", exact: true })).toHaveAttribute("aria-pressed", "true");
  await page.keyboard.press("Alt+ArrowRight");
  await expect(page.getByRole("heading", { level: 1, name: "Kesi Strand" })).toBeVisible();
  await page.keyboard.press("x");
  await expect(page.getByRole("button", { name: "Excused", exact: true })).toHaveAttribute("aria-pressed", "true");
  await allKept(page);

  // Totals against figures worked by hand from the gradebook's own entries.
  await open(page, `${COURSE}/gradebook`);
  await expect(cell(page, "Flood-frequency memo", "Ilse Tarnowe")).toContainText("64");
  await expect(cell(page, "Flood-frequency memo", "Jorun Nakade")).toHaveText("missing");
  await expect(cell(page, "Flood-frequency memo", "Kesi Strand")).toHaveText("excused");
  // Ilse: reports (76 + 64) / 200 = 70 %; field work (31 + 14.5) / 60 = 75.833... %; questions open.
  // now = (40 x 70 + 35 x 75.8333) / 75 = (2800 + 2654.1667) / 75 = 72.722... -> 72.7, a C.
  // All of it lies in the autumn term, which weighs 40; the spring term holds nothing and is left out; the field exam weighs 20.
  // lowest: reports 140/300, field work 45.5/60, questions 0/50: 40 x 46.6667 % + 35 x 75.8333 % = 45.2083,
  //   with no point in the exam (40 x 45.2083 + 20 x 0) / 60 = 30.1389 -> 30
  // highest: reports 240/300, questions full: 40 x 80 % + 35 x 75.8333 % + 25 = 83.5417,
  //   with a full exam (40 x 83.5417 + 20 x 100) / 60 = 89.0278 -> 89
  const ilse = page.getByRole("row", { name: /^Ilse Tarnowe/ });
  await expect(ilse).toContainText("76");
  await expect(ilse).toContainText("31");
  await expect(ilse).toContainText("14.5");
  await expect(ilse).toContainText("72.7");
  await expect(ilse).toContainText("30–89");
  // Jorun: reports (77 + 0) / 200 = 38.5 %; field work with 1 bonus (29.5 + 14 + 1) / 60 = 74.1667 %.
  // now = (40 x 38.5 + 35 x 74.1667) / 75 = (1540 + 2595.8333) / 75 = 55.1444 -> 55.1
  await expect(page.getByRole("row", { name: /^Jorun Nakade/ })).toContainText("55.1");
  // Kesi: the memo counts nowhere: reports 75 %, field work (29 + 14) / 60 = 71.6667 %.
  // now = (40 x 75 + 35 x 71.6667) / 75 = (3000 + 2508.3333) / 75 = 73.4444 -> 73.4
  await expect(page.getByRole("row", { name: /^Kesi Strand/ })).toContainText("73.4");

  // Nothing of the memo is in the student window.
  const window = "/window/reading-rivers/ilse-tarnowe";
  const letter = page.getByRole("article", { name: "Flood-frequency memo, for Ilse Tarnowe" });
  await open(page, window);
  await expect(page.getByRole("article", { name: "Gauging report, for Ilse Tarnowe" })).toBeVisible();
  await expect(letter).toHaveCount(0);

  // Release scores only: the score is there, and no comment.
  await open(page, `${COURSE}/release?assignment=flood-memo`);
  await page.getByRole("checkbox", { name: "Rubric detail" }).uncheck();
  await page.getByRole("checkbox", { name: "Notes, comments" }).uncheck();
  await page.getByRole("button", { name: /^Release to 23 students/ }).click();
  await expect(page.getByRole("status").filter({ hasText: "Released to 23 students." })).toBeVisible();
  await allKept(page);
  await open(page, window);
  await expect(letter).toContainText("64 / 100");
  await expect(letter).toContainText("74 before the deduction for being late");
  await expect(letter).not.toContainText("lovely");
  await expect(letter).not.toContainText("timetable");
  await expect(letter).not.toContainText("Plain writing");

  // Release the comments: they are there, the private note is not.
  await open(page, `${COURSE}/release?assignment=flood-memo`);
  await page.getByRole("button", { name: /^Notes, comments of Flood-frequency memo/ }).click();
  await page.getByRole("button", { name: /^Release to \d+ students/ }).click();
  await expect(page.getByRole("status").filter({ hasText: "Released to" })).toBeVisible();
  await allKept(page);
  await open(page, window);
  await expect(letter).toContainText("Ilse, the opening is lovely.");
  await expect(letter).toContainText("not a timetable");
  await expect(letter).toContainText("record of 41 years");
  await expect(page.getByRole("main")).not.toContainText("PRIVATE");

  // Reload: all of it is still there, on the desk too.
  await page.reload();
  await expect(letter).toContainText("64 / 100");
  await expect(letter).toContainText("Good: you say what is lost.");
  await open(page, `${DESK}/ilse-tarnowe`);
  await expect(ruler(page, "Plain writing")).toHaveAttribute("aria-valuetext", "9 points, A pleasure");
  await expect(margin(page).getByRole("listitem")).toHaveCount(2);
  await expectWritten(page.getByRole("textbox", { name: "Overall comment" }), "Ilse, the opening is lovely.");
  await expect(page.getByRole("textbox", { name: /Private note/ })).toHaveValue(/PRIVATE/);
});

test("judging a five-criterion paper and going on takes six keys", async ({ page }) => {
  await openDemo(page, "/score/story-map/anouk-brisk");
  await expect(page.getByRole("slider")).toHaveCount(5);
  const keys = ["2", "3", "2", "1", "3", "Alt+ArrowRight"];
  for (const key of keys) await page.keyboard.press(key);
  await expect(page.getByRole("heading", { level: 1, name: "Bram Oduya" })).toBeVisible();
  expect(keys.length).toBeLessThanOrEqual(7);
  await page.keyboard.press("Alt+ArrowLeft");
  // 7.5 + 10 + 7.5 + 4 + 10 = 39 of 50, so 78 of 100.
  await expect(page.getByRole("region", { name: "Score" })).toContainText("39 of 50 → 78 of 100");
});

test("the score page resumes where the person left off, across a reload", async ({ page }) => {
  await openDemo(page, "/score/flood-memo/mei-barrow");
  await expect(page.getByRole("heading", { level: 1, name: "Mei Barrow" })).toBeVisible();
  await page.waitForTimeout(500);
  await open(page, "/");
  await page.getByRole("link", { name: /^Score/ }).click();
  await expect(page).toHaveURL(/score\/flood-memo\/mei-barrow$/);
});
