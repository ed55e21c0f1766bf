import { dropInbox } from "../demo-inbox";
import { mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import type { Page } from "@playwright/test";
import { unzipSync } from "fflate";
import { allKept, cell, expect, open, openDemo, takeUp, alone as test } from "../helpers";

/** The pictures of docs/screenshots, one per main view, from the demo course at a fixed moment. */
const shoot = async (page: Page, name: string) => {
  await page.waitForTimeout(700);
  await page.screenshot({ path: `docs/screenshots/${name}.png` });
};

test.use({ viewport: { width: 1280, height: 800 } });
test.beforeEach(async ({ page }) => {
  await page.clock.setFixedTime(new Date("2026-11-23T13:02:00Z"));
});

test("board", async ({ page }) => {
  await openDemo(page);
  await shoot(page, "board");
  await page.getByRole("button", { name: "By lamplight" }).click();
  await shoot(page, "board-by-lamplight");
});

test("desk with a PDF", async ({ page }) => {
  await openDemo(page, "/score/flood-memo/ilse-tarnowe");
  await expect(page.locator(".text-layer").getByText("The river at Ossel Weir")).toBeVisible();
  await page.keyboard.press("2");
  await takeUp(page, "rises like a slow breath");
  await page.keyboard.press("3");
  await page.keyboard.type("Lovely, and exact.");
  await page.keyboard.press("Control+Enter");
  await takeUp(page, "record of 41 years");
  await page.keyboard.press("1");
  await page.keyboard.type("Good: you say what is lost. Now say what it does to the estimate.");
  await page.keyboard.press("Control+Enter");
  await takeUp(page, "The 1978 flood was therefore a hundred-year flood, and the town is safe until 2078.");
  await page.keyboard.press("2");
  await page.keyboard.type("A return period is a yearly chance of 1 in 100, not a timetable.");
  await page.keyboard.press("Control+Enter");
  await takeUp(page, "of all time");
  await page.keyboard.press("s");
  await allKept(page);
  await shoot(page, "desk-pdf");
});

test("desk with Markdown and a passage in hand", async ({ page }) => {
  await openDemo(page, "/score/flood-memo/aldous-brenn");
  await takeUp(page, "Floods are getting worse everywhere");
  await shoot(page, "desk-markdown");
});

test("gradebook while typing", async ({ page }) => {
  await openDemo(page, "/gradebook");
  await cell(page, "Flood-frequency memo", "Jorun Nakade").click();
  await page.keyboard.type("84 l2");
  await shoot(page, "gradebook");
});

test("release", async ({ page }) => {
  await openDemo(page, "/release?assignment=site-sketch&student=esi-okonwe");
  await shoot(page, "release");
});

test("release with changes since", async ({ page }) => {
  await openDemo(page, "/gradebook");
  await cell(page, "Gauging report", "Esi Okonwe").click();
  await page.keyboard.type("81");
  await page.keyboard.press("Enter");
  await allKept(page);
  await open(page, "/courses/reading-rivers/release?assignment=gauging-report&student=esi-okonwe");
  await page.getByRole("heading", { name: "Changed since release" }).scrollIntoViewIfNeeded();
  await shoot(page, "release-changed");
});

test("leak check", async ({ page }) => {
  await openDemo(page, "/release?total=course");
  await page.getByRole("button", { name: "Let them rest on all work" }).click();
  await page.getByRole("dialog").getByRole("button", { name: "Change what they rest on" }).click();
  for (const total of ["Field work", "Questions"]) {
    await page
      .getByRole("button", { name: new RegExp(`^${total} total`) })
      .first()
      .click();
    await page.getByRole("button", { name: `Show the ${total} total` }).click();
    await page
      .getByRole("dialog")
      .getByRole("button", { name: `Show the ${total} total` })
      .click();
    await expect(page.getByRole("button", { name: `${total} total: released` })).toBeVisible();
  }
  await open(page, "/courses/reading-rivers/release/leaks");
  await expect(page.getByText(/could work out a sealed score\.$/)).toBeVisible();
  await expect(page.getByText(/Trying it/)).toHaveCount(0);
  await shoot(page, "leaks");
});

test("a student's copy as a file", async ({ page, browser }) => {
  await openDemo(page, "/release?assignment=flood-memo");
  await page.getByRole("button", { name: /^Release to \d+ students/ }).click();
  await allKept(page);
  await open(page, "/courses/reading-rivers/release?total=course");
  await page.getByRole("button", { name: "Show the Course total" }).click();
  await page.getByRole("dialog").getByRole("button", { name: "Show the Course total" }).click();
  await allKept(page);
  await open(page, "/courses/reading-rivers/release/deliver");
  await page.getByLabel("Lock").selectOption({ label: "not locked" });
  const [download] = await Promise.all([
    page.waitForEvent("download", { timeout: 80_000 }),
    page.getByRole("button", { name: "Make copies for 28 students" }).click(),
  ]);
  const file = join(mkdtempSync(join(tmpdir(), "copy-")), "L26041.html");
  writeFileSync(file, unzipSync(readFileSync(await download.path()))["L26041.html"] ?? "");
  const context = await browser.newContext({ offline: true, viewport: { width: 1280, height: 800 } });
  const reader = await context.newPage();
  await reader.goto(pathToFileURL(file).href);
  await reader.getByText("How it came about").click();
  await shoot(reader, "student-copy");
  await context.close();
});

test("student window", async ({ page }) => {
  await openDemo(page, "/release?assignment=flood-memo");
  await page.getByRole("button", { name: /^Release to \d+ students/ }).click();
  await allKept(page);
  await open(page, "/window/reading-rivers/aldous-brenn");
  await shoot(page, "student-window");
  await page.getByRole("button", { name: /^See the notes on/ }).click();
  await expect(page.getByRole("list", { name: "Notes in the margin" }).getByRole("listitem").first()).toBeVisible();
  await page.getByRole("region", { name: /^The work/ }).scrollIntoViewIfNeeded();
  await shoot(page, "student-window-work");
});

test("check, and plan", async ({ page }) => {
  await openDemo(page, "/check?assignment=field-notebook");
  await expect(page.getByRole("heading", { name: /^What looks odd: \d/ })).toBeVisible();
  await shoot(page, "check");
  await open(page, "/courses/reading-rivers/plan");
  await shoot(page, "plan");
});

test("plan, rules, rubric workshop, pile, one student", async ({ page }) => {
  await openDemo(page, "/plan/rules");
  await page.getByLabel("Taken off for each unit, %").fill("10");
  await expect(page.getByText(/totals would change/)).toBeVisible();
  await shoot(page, "rules");
  await open(page, "/courses/reading-rivers/plan/rubrics");
  await page.getByRole("link", { name: "Memo to a board" }).click();
  await expect(page.getByRole("complementary", { name: "Tried on a paper" })).toBeVisible();
  await shoot(page, "rubric");
  await open(page, "/courses/reading-rivers/pile/question-paper");
  await page.getByLabel("Part of a name or number, the score, Enter").fill("nadir 41 l1");
  await shoot(page, "pile");
  await open(page, "/courses/reading-rivers/students/faruq-rahel");
  await shoot(page, "student");
});

test("collect with a full tray", async ({ page }) => {
  await openDemo(page, "/collect");
  await dropInbox(page);
  await page.getByRole("textbox", { name: "Student of essay_final_v2.pdf" }).fill("am");
  await shoot(page, "collect");
});

test("sweep with papers beside", async ({ page }) => {
  await openDemo(page, "/sweep/flood-memo");
  await page.keyboard.press("ArrowUp");
  await page.keyboard.press("b");
  await expect(page.getByRole("region", { name: /^Beside: / })).toHaveCount(2);
  await page.waitForTimeout(1_500);
  await shoot(page, "sweep");
});
