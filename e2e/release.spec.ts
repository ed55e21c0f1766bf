import type { Locator, Page } from "@playwright/test";
import { allKept, alone, cell, expect, goTo, open, openDemo, test } from "./helpers";

const RELEASE = "/courses/reading-rivers/release?assignment=site-sketch";
const WINDOW = "/window/reading-rivers/esi-okonwe";

/** Presses one thing and, as the very next thing that the page does, another: faster than any hand. */
const pressBoth = async (page: Page, first: Locator, second: Locator) => {
  const buttons = [await first.elementHandle(), await second.elementHandle()];
  await page.evaluate(async (both) => {
    for (const button of both) {
      (button as HTMLElement | null)?.click();
      // What a press begins goes on before the next press is heard.
      for (let step = 0; step < 20; step += 1) await Promise.resolve();
    }
  }, buttons);
};

test("between a choice and what it shows nothing of the choice before is released", async ({ page }) => {
  await openDemo(page, "/release?assignment=flood-memo");
  const whole = page.getByRole("button", { name: /^Release to \d+ students/ });
  const comments = page.getByRole("button", { name: /^Notes, comments of Flood-frequency memo/ });
  await pressBoth(page, comments, whole);
  await expect(page.getByRole("checkbox", { name: "Notes, comments" })).toBeChecked();
  await expect(page.getByRole("checkbox", { name: "Score", exact: true })).not.toBeChecked();
  await expect(page.getByRole("button", { name: /^Undo: .*released/ })).toHaveCount(0);
  await whole.click();
  await expect(page.getByRole("button", { name: /^Undo: .*notes and comments released/ })).toBeVisible();
  await expect(page.getByRole("button", { name: /^Undo: .*score/ })).toHaveCount(0);
});

test("a change after release stays with the instructor until it is released again", async ({ page }) => {
  await openDemo(page, "/release?assignment=site-sketch");
  await page.getByRole("button", { name: "Release to 28 students" }).click();
  await expect(page.getByText("Released to 28 students.")).toBeVisible();
  await allKept(page);
  await goTo(page, "/courses/reading-rivers/gradebook");
  await cell(page, "Site sketch", "Esi Okonwe").click();
  await page.keyboard.type("18.5");
  await page.keyboard.press("Enter");
  await allKept(page);
  const letter = page.getByRole("article", { name: "Site sketch, for Esi Okonwe" });
  await goTo(page, WINDOW);
  await expect(letter).toContainText("17 / 20");
  await goTo(page, RELEASE);
  const row = page.getByRole("row", { name: /Esi Okonwe/ });
  await expect(row).toContainText("17 / 20");
  await expect(row).toContainText("18.5 / 20");
  await row.getByRole("button", { name: "Release to Esi Okonwe" }).click();
  await expect(row).toHaveCount(0);
  await allKept(page);
  await goTo(page, WINDOW);
  await expect(letter).toContainText("18.5 / 20");
});

test("what is taken back is gone from the student window", async ({ page }) => {
  await openDemo(page);
  await goTo(page, WINDOW);
  await expect(page.getByRole("article", { name: /Gauging report/ })).toBeVisible();
  await goTo(page, "/courses/reading-rivers/release?assignment=gauging-report");
  await page.getByRole("button", { name: "Take back and seal" }).click();
  const asked = page.getByRole("dialog");
  await expect(asked).toContainText("Nobody has opened it in the student window.");
  await expect(asked).toContainText("28 students would see it no longer");
  await asked.getByRole("button", { name: "Take back and seal" }).click();
  await expect(page.getByText("Sealed. Students see it no longer")).toBeVisible();
  await allKept(page);
  await goTo(page, WINDOW);
  await expect(page.getByRole("article", { name: /Bridge count/ })).toBeVisible();
  await expect(page.getByRole("article", { name: /Gauging report/ })).toHaveCount(0);
});

alone(
  "a timed release goes out when its moment has come while the application was closed, and never early",
  async ({ page }) => {
    await page.clock.install({ time: new Date("2026-11-23T12:00:00Z") });
    await openDemo(page, "/release?assignment=site-sketch");
    await page.getByRole("textbox", { name: "or from" }).fill("2026-11-30T08:00");
    await page.getByRole("button", { name: "Set the time" }).click();
    await expect(page.getByRole("button", { name: /^Score of Site sketch: timed/ })).toContainText("Mon 30 Nov");
    await allKept(page);
    const letter = page.getByRole("article", { name: "Site sketch, for Esi Okonwe" });

    await page.clock.setFixedTime(new Date("2026-11-30T06:59:00Z")); // 07:59 in Berlin
    await open(page, "/courses/reading-rivers");
    await open(page, WINDOW);
    await expect(page.getByRole("article", { name: /Bridge count/ })).toBeVisible();
    await expect(letter).toHaveCount(0);

    await page.clock.setFixedTime(new Date("2026-11-30T07:01:00Z"));
    await open(page, "/courses/reading-rivers");
    await expect(page.getByRole("link", { name: /^Released 30 Nov 2026 Site sketch/ })).toBeVisible();
    await allKept(page);
    await open(page, WINDOW);
    await expect(letter).toContainText("17 / 20");

    // The clock set back afterwards takes nothing away and gives nothing out twice.
    await page.clock.setFixedTime(new Date("2026-11-01T00:00:00Z"));
    await open(page, WINDOW);
    await expect(letter).toContainText("17 / 20");
  },
);

alone("a timed release goes out by itself while the course is open", async ({ page }) => {
  await page.clock.install({ time: new Date("2026-11-23T12:00:00Z") });
  await openDemo(page, "/release?assignment=site-sketch");
  await page.getByRole("textbox", { name: "or from" }).fill("2026-11-23T13:01");
  await page.getByRole("button", { name: "Set the time" }).click();
  const seal = page.getByRole("button", { name: /^Score of Site sketch/ });
  await expect(seal).toHaveAccessibleName(/timed/);
  await page.clock.runFor(30_000);
  await expect(seal).toHaveAccessibleName(/timed/);
  await page.clock.runFor(60_000);
  await expect(seal).toHaveAccessibleName(/released/);
});

test("rubric detail without the score is warned of, and the student copy shows now and after", async ({ page }) => {
  await openDemo(page, "/release?assignment=site-sketch&student=esi-okonwe");
  await page.getByRole("button", { name: /^Rubric detail of Site sketch/ }).click();
  await expect(page.getByRole("list", { name: "Before the release" })).toContainText(
    "Rubric detail lets 26 students add up the sealed score.",
  );
  await expect(page.getByRole("button", { name: "Stopped, see below" })).toBeVisible();
  await page.getByRole("checkbox", { name: /^Let this stop a release: Rubric detail lets/ }).click();
  await expect(page.getByRole("button", { name: /^Release to 26 students/ })).toBeEnabled();
  const copy = page.getByRole("complementary", { name: "Student copy" });
  await expect(copy).toContainText("8.5 / 10");
  await expect(copy).not.toContainText("17 / 20");
  await copy.getByRole("button", { name: "sees now" }).click();
  await expect(copy).toContainText("Nothing of this has been released.");
});

test("the student opens the marked work from the letter", async ({ page }) => {
  await openDemo(page, "/release?assignment=flood-memo");
  await page.getByRole("button", { name: /^Release to \d+ students/ }).click();
  await expect(page.getByRole("status").filter({ hasText: "Released to" })).toBeVisible();
  await allKept(page);
  await goTo(page, "/window/reading-rivers/aldous-brenn");
  await page.getByRole("button", { name: /See the notes on aldous-brenn.md/ }).click();
  await expect(page.getByRole("heading", { name: "Flood frequency at Ossel Weir" })).toBeVisible();
  const notes = page.getByRole("list", { name: "Notes in the margin" });
  await expect(notes).toContainText("Only 41 of them have a maximum.");
  await expect(notes.getByRole("button", { name: /Delete/ })).toHaveCount(0);
});

test("who has opened a letter is known, and taking it back says so", async ({ page }) => {
  await openDemo(page);
  // The instructor's look counts as no opening; opened as the student it does.
  await goTo(page, "/window/reading-rivers/anouk-brisk");
  await expect(page.getByText("looking marks nothing as opened")).toBeVisible();
  await goTo(page, WINDOW);
  await page.getByRole("link", { name: "Open as Esi Okonwe" }).click();
  await expect(page.getByText("what is read here counts as opened")).toBeVisible();
  await expect(page.getByRole("article", { name: /Gauging report/ })).toBeVisible();
  await goTo(page, "/courses/reading-rivers/release?assignment=gauging-report");
  await expect(page.getByText("28 students can see it now; 1 have opened it: Esi Okonwe.")).toBeVisible();
  await page.getByRole("button", { name: "Take back and seal" }).click();
  await expect(page.getByRole("dialog")).toContainText("1 student has already seen it");
  await page.getByRole("dialog").getByRole("button", { name: "Leave as it is" }).click();
  await expect(page.getByRole("button", { name: /^Score of Gauging report: released/ })).toBeVisible();
});

test("a section, one student, and a hold with its reason: each previewed, each seen in the windows", async ({
  page,
}) => {
  await openDemo(page, "/release?assignment=site-sketch");
  await page.getByLabel("To whom").selectOption({ label: "Heron" });
  const preview = page.getByRole("list", { name: "Who would see what" });
  await expect(preview).toContainText("14 students would see it newly: Aldous Brenn, Bram Oduya");
  await page.getByRole("button", { name: "Release to 14 students" }).click();
  await expect(page.getByText("Released to 14 students.")).toBeVisible();
  await page.getByLabel("To whom").selectOption({ label: "Anouk Brisk" });
  await page.getByRole("button", { name: "Release to 1 student" }).click();
  await expect(page.getByText("Released to 1 student.")).toBeVisible();
  await page.getByLabel("To whom").selectOption({ label: "Aldous Brenn" });
  await page.getByRole("button", { name: "Hold Aldous Brenn back" }).click();
  await page.getByRole("dialog").getByRole("textbox").fill("appeal");
  await expect(page.getByRole("dialog")).toContainText("1 student would see it no longer: Aldous Brenn");
  await page.getByRole("dialog").getByRole("button", { name: "Hold Aldous Brenn back" }).click();
  await expect(page.getByText("Held back: Aldous Brenn (appeal)")).toBeVisible();
  await allKept(page);
  const sketch = page.getByRole("article", { name: /^Site sketch/ });
  for (const [student, shown] of [
    ["anouk-brisk", 1],
    ["bram-oduya", 1],
    ["cato-mirelle", 0],
    ["aldous-brenn", 0],
  ] as const) {
    await goTo(page, `/window/reading-rivers/${student}`);
    await expect(page.getByRole("article", { name: /^Gauging report/ })).toBeVisible();
    await expect(sketch).toHaveCount(shown);
  }
});

test("what a course lets stop a release stops it, and says why", async ({ page }) => {
  await openDemo(page, "/release?assignment=flood-memo");
  await page.getByRole("checkbox", { name: /^Let this stop a release: 8 papers handed in and not scored/ }).click();
  await expect(page.getByText("This stops a release from now on.")).toBeVisible();
  await expect(page.getByRole("button", { name: "Stopped, see below" })).toBeDisabled();
  await expect(page.getByText("In this course this stops a release: 8 papers handed in and not scored")).toBeVisible();
  await page.getByRole("checkbox", { name: /^Let this stop a release: 8 papers handed in and not scored/ }).click();
  await expect(page.getByRole("button", { name: /^Release to \d+ students/ })).toBeEnabled();
});

test("a dialog takes every press, and what lies under it is not styled anew for that", async ({ page }) => {
  await openDemo(page, "/release?total=course");
  const address = page.url();
  const under = await page.getByRole("link", { name: /^Plan/ }).first().boundingBox();
  if (!under) throw new Error("the way to Plan is on the page");
  await page.getByRole("button", { name: /^Let them rest on/ }).click();
  const dialog = page.getByRole("dialog", { name: /^Let totals rest on/ });
  await expect(dialog).toBeVisible();
  // What the body says of presses, every element inherits. A dialog listens from the turn after the one that draws it.
  const ofBody = await page.evaluate(async () => {
    await new Promise((resolve) => setTimeout(resolve));
    return getComputedStyle(document.body).pointerEvents;
  });
  expect(ofBody).toBe("auto");
  await page.mouse.click(under.x + under.width / 2, under.y + under.height / 2);
  await expect(dialog).toHaveCount(0);
  expect(page.url()).toBe(address);
});

test("a timed release keeps its moment through a reload, another time zone and a clock set back", async ({
  browser,
}) => {
  const context = await browser.newContext({ timezoneId: "Europe/Berlin" });
  const page = await context.newPage();
  await page.clock.install({ time: new Date("2026-11-23T12:00:00Z") });
  await openDemo(page, "/release?assignment=site-sketch");
  await page.getByRole("textbox", { name: "or from" }).fill("2026-11-30T08:00");
  await page.getByRole("button", { name: "Set the time" }).click();
  const seal = page.getByRole("button", { name: /^Score of Site sketch: timed/ });
  await expect(seal).toContainText("Mon 30 Nov 2026, 08:00");
  await allKept(page);
  await page.reload();
  await expect(seal).toContainText("Mon 30 Nov 2026, 08:00");
  const kept = await context.storageState({ indexedDB: true });
  await context.close();
  // The same course on a computer that lives in Auckland: 30 Nov 8:00 in Berlin is 20:00 there, and 8:00 there is too early.
  const far = await browser.newContext({ timezoneId: "Pacific/Auckland", storageState: kept });
  const there = await far.newPage();
  await there.clock.install({ time: new Date("2026-11-29T19:00:00Z") });
  await open(there, "/courses/reading-rivers/release?assignment=site-sketch");
  await expect(there.getByRole("button", { name: /^Score of Site sketch: timed/ })).toContainText(
    "Mon 30 Nov 2026, 08:00",
  );
  await there.clock.setFixedTime(new Date("2026-11-01T00:00:00Z"));
  await open(there, "/courses/reading-rivers/release?assignment=site-sketch");
  await expect(there.getByRole("button", { name: /^Score of Site sketch: timed/ })).toBeVisible();
  await there.clock.setFixedTime(new Date("2026-11-30T07:00:00Z"));
  await open(there, "/courses/reading-rivers/release?assignment=site-sketch");
  await expect(there.getByRole("button", { name: /^Score of Site sketch: released/ })).toBeVisible();
  await far.close();
});
