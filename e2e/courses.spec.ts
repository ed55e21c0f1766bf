import { allKept, expect, goTo, openDemo, test } from "./helpers";

test("a course is put away and taken out again, and deleted only after saying what goes", async ({ page }) => {
  await openDemo(page);
  await goTo(page, "/courses");
  await page.getByRole("button", { name: "Open a fresh demo course" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Reading Rivers: Field Hydrology" })).toBeVisible();
  await goTo(page, "/courses");
  const lines = page.getByRole("main").getByRole("listitem");
  await expect(lines).toHaveCount(2);
  await lines
    .last()
    .getByRole("button", { name: /^More for/ })
    .click();
  await page.getByRole("menuitem", { name: "Archive" }).click();
  await page.getByText("1 archived course").click();
  await expect(lines).toHaveCount(2);
  await lines
    .last()
    .getByRole("button", { name: /^More for/ })
    .click();
  await page.getByRole("menuitem", { name: "Take out of the archive" }).click();
  await expect(page.getByText("1 archived course")).toBeHidden();
  await lines
    .last()
    .getByRole("button", { name: /^More for/ })
    .click();
  await page.getByRole("menuitem", { name: "Delete" }).click();
  const asked = page.getByRole("alertdialog");
  await expect(asked).toContainText("28 students, 11 assignments");
  const saving = page.waitForEvent("download");
  await asked.getByRole("button", { name: "Make a course file first" }).click();
  expect((await saving).suggestedFilename()).toMatch(/\.zip$/);
  await asked.getByRole("button", { name: "Delete this course" }).click();
  await expect(lines).toHaveCount(1);
  await goTo(page, "/courses/reading-rivers");
  await expect(page.getByRole("heading", { level: 1, name: "Reading Rivers: Field Hydrology" })).toBeVisible();
});

test("a student leaves the course and returns; who joined late is excused from earlier work", async ({ page }) => {
  await openDemo(page, "/plan/course");
  await page.getByRole("button", { name: "Change Anouk Brisk" }).click();
  await page.getByRole("button", { name: "Left the course" }).click();
  await expect(page.getByRole("heading", { name: "27 students" })).toBeVisible();
  const gone = page.getByRole("region", { name: "Left the course" });
  await expect(gone.getByRole("link", { name: "Anouk Brisk" })).toBeVisible();
  await goTo(page, "/courses/reading-rivers/gradebook");
  await expect(page.getByText("27 students")).toBeVisible();
  await expect(page.getByRole("rowheader", { name: "Anouk Brisk" })).toHaveCount(0);
  await goTo(page, "/courses/reading-rivers/plan/course");
  await gone.getByRole("button", { name: "Return Anouk Brisk to the course" }).click();
  await expect(page.getByRole("heading", { name: "28 students" })).toBeVisible();
  await page.getByRole("textbox", { name: "Students, one a line" }).fill("L90001, Nia Late");
  await page.getByRole("button", { name: "Add 1 student" }).click();
  await page.getByRole("button", { name: "Excuse earlier work" }).click();
  await allKept(page);
  await expect(page.getByRole("region", { name: "Joined late" })).toBeHidden();
  await goTo(page, "/courses/reading-rivers/gradebook");
  await expect(page.getByRole("gridcell", { name: "Gauging report, Nia Late: excused" })).toBeVisible();
});

test("an address without a page says so, and fits the smallest tablet", async ({ page }) => {
  await page.setViewportSize({ width: 1024, height: 768 });
  await openDemo(page);
  for (const place of ["", "/plan", "/score/flood-memo/anouk-brisk", "/gradebook", "/release", "/journal", "/files"]) {
    await goTo(page, `/courses/reading-rivers${place}`);
    const width = await page.evaluate(() => document.documentElement.scrollWidth);
    expect(width, place).toBeLessThanOrEqual(1024);
  }
  await goTo(page, "/courses/reading-rivers/nowhere");
  await expect(page.getByText("There is no page at this address.")).toBeVisible();
  await page.getByRole("link", { name: "Back to the course" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Reading Rivers: Field Hydrology" })).toBeVisible();
});

test("the journal is searched by who made a change and by any name it touches", async ({ page }) => {
  await openDemo(page, "/journal");
  const words = page.getByRole("searchbox", { name: "Words in the journal" });
  await words.fill("anouk");
  await expect(page.getByText(/outcomes of 24 papers entered, Field notebook/).first()).toBeVisible();
  await words.fill("nobody of this name");
  await expect(page.getByText("No change fits.")).toBeVisible();
  await words.fill("");
  await page.getByRole("combobox", { name: "Who made the change" }).selectOption({ label: "R. Halden" });
  // All but what the second marker gave back.
  await expect(page.getByText(/^\d+ of \d+ changes, the newest first/)).toBeVisible();
  const times = await page.getByRole("row").locator("td:nth-child(2)").allTextContents();
  expect(times[0]).toMatch(/Nov/);
});

test("an assignment is copied to other courses at once, its dates shifted and kept at their time of day", async ({
  page,
}) => {
  await openDemo(page);
  for (let course = 0; course < 2; course += 1) {
    await goTo(page, "/courses");
    await page.getByRole("button", { name: "Open a fresh demo course" }).click();
    await expect(page.getByRole("heading", { level: 1, name: "Reading Rivers: Field Hydrology" })).toBeVisible();
  }
  await goTo(page, "/courses/reading-rivers/plan/assignments/flood-memo");
  const name = page.getByRole("textbox", { name: "Name", exact: true });
  await name.fill("Second memo");
  await name.blur();
  await allKept(page);
  const copies = page.getByRole("group", { name: "Copy to other courses" }).getByRole("checkbox");
  await expect(copies).toHaveCount(2);
  for (const copy of await copies.all()) await copy.click();
  await page.getByRole("textbox", { name: "Dates later by, in days" }).fill("10");
  await page.getByRole("button", { name: "Copy to 2 courses" }).click();
  await expect(page.getByText(/^Copied to Reading Rivers.*, Reading Rivers/)).toBeVisible();
  await page.getByRole("button", { name: "Copy to 2 courses" }).click();
  await expect(page.getByText(/^Not copied: .*Second memo/)).toBeVisible();
  await goTo(page, "/courses/reading-rivers-2/plan");
  // Due 23 Oct, 18:00 in summer time; ten days on it is 18:00 in winter time.
  await page.getByRole("link", { name: "Second memo" }).click();
  await expect(page.getByLabel(/^Due/)).toHaveValue("Mon 2 Nov 2026, 18:00");
});
