import { readFileSync } from "node:fs";
import type { Locator } from "@playwright/test";
import { allKept, alone, cell, expect, open, openDemo, ruler, test } from "./helpers";

const COURSE = "/courses/reading-rivers";

test("undo and redo name what they do and survive a reload", async ({ page }) => {
  await openDemo(page, "/gradebook");
  const memo = cell(page, "Flood-frequency memo", "Jorun Nakade");
  await memo.click();
  await page.keyboard.type("70");
  await page.keyboard.press("Enter");
  await expect(memo).toContainText("70");
  await allKept(page);
  await page.reload();
  await page.getByRole("button", { name: "Undo: Jorun Nakade, Flood-frequency memo: score 70" }).click();
  await expect(memo).toContainText("waiting");
  await allKept(page);
  await page.reload();
  await page.getByRole("button", { name: "Redo: Jorun Nakade, Flood-frequency memo: score 70" }).click();
  await expect(memo).toContainText("70");
  await allKept(page);
  await open(page, `${COURSE}/journal`);
  const lines = page.getByRole("row").filter({ hasText: "Jorun Nakade, Flood-frequency memo: score 70" });
  await expect(lines).toHaveCount(3);
});

test("a score typed in the breath in which the page is left is there again", async ({ page }) => {
  await openDemo(page, "/gradebook");
  const papers = ["Ilse Tarnowe", "Jorun Nakade", "Kesi Strand"].map((name) => cell(page, "Question paper 1", name));
  await papers[0]?.click();
  await page.evaluate(() => {
    // Left in the same turn of the page as the third Enter, before any store of the browser can have written.
    let entries = 0;
    window.addEventListener("keyup", (event) => {
      if (event.key === "Enter" && (entries += 1) === 3) window.location.reload();
    });
  });
  for (const figure of ["31", "32", "33"]) {
    await page.keyboard.type(figure);
    await page.keyboard.press("Enter");
  }
  await page.waitForEvent("load");
  for (const [at, paper] of papers.entries()) await expect(paper).toHaveText(String(31 + at));
  await allKept(page);
  await page.reload();
  for (const [at, paper] of papers.entries()) await expect(paper).toHaveText(String(31 + at));
});

test("a change whose effects are still being looked at is not called kept", async ({ page }) => {
  await openDemo(page, "/plan/assignments/story-map");
  await allKept(page);
  const said = await page.getByRole("checkbox", { name: /Kept from students/ }).evaluate(async (box: HTMLElement) => {
    box.click();
    for (let turn = 0; turn < 10; turn += 1) await Promise.resolve();
    return document.querySelector("[data-keeping]")?.getAttribute("data-keeping");
  });
  expect(said).toBe("keeping");
  await allKept(page);
});

test("two tabs on the same course see each other's changes", async ({ page, context }) => {
  await openDemo(page, "/gradebook");
  const other = await context.newPage();
  await open(other, `${COURSE}/score/question-paper/ilse-tarnowe`);
  await cell(page, "Question paper 1", "Ilse Tarnowe").click();
  await page.keyboard.type("31");
  await page.keyboard.press("Enter");
  await expect(other.getByRole("button", { name: "Type the score" })).toHaveText("31 / 50");
  await other.getByRole("button", { name: "Type the score" }).click();
  await other.keyboard.type("33");
  await other.keyboard.press("Enter");
  await expect(cell(page, "Question paper 1", "Ilse Tarnowe")).toContainText("33");
});

test("lamplight, once lit, is still lit after a reload", async ({ page }) => {
  await openDemo(page);
  await page.getByRole("button", { name: "By lamplight" }).click();
  await expect(page.locator("html")).toHaveAttribute("data-light", "lamp");
  await page.reload();
  await expect(page.locator("html")).toHaveAttribute("data-light", "lamp");
});

test("a tab that saw an older value is told, and its words stay in sight", async ({ page, context }) => {
  await openDemo(page, "/gradebook");
  const quiz = cell(page, "Question paper 1", "Mei Barrow");
  await quiz.click();
  await page.keyboard.type("20");
  const other = await context.newPage();
  await open(other, `${COURSE}/score/question-paper/mei-barrow`);
  await other.getByRole("button", { name: "Type the score" }).click();
  await other.keyboard.type("40");
  await other.keyboard.press("Enter");
  await allKept(other);
  await expect(page.getByRole("button", { name: /^Undo: Mei Barrow/ })).toBeVisible();
  await page.bringToFront();
  await page.keyboard.press("Enter");
  await quiz.click();
  await expect(page.getByRole("alert")).toContainText('Not entered: Changed meanwhile to "40"');
  await expect(quiz).toContainText("20");
  await expect(other.getByRole("button", { name: "Type the score" })).toHaveText("40 / 50");
});

/** What a browser sends when another window or tab comes to the front: the field stays the one one is in. */
const windowLeft = (field: Locator) =>
  field.evaluate((element) => element.dispatchEvent(new FocusEvent("focusout", { bubbles: true })));

test("a figure half typed is not cut in two when another tab comes to the front and types in the same cell", async ({
  page,
  context,
}) => {
  await openDemo(page, "/gradebook");
  const other = await context.newPage();
  await open(other, `${COURSE}/gradebook`);
  const [here, there] = [page, other].map((tab) => cell(tab, "Question paper 1", "Mei Barrow"));
  const before = await there?.textContent();
  await here?.click();
  await page.keyboard.type("3");
  await windowLeft(page.getByRole("textbox", { name: "Question paper 1, Mei Barrow" }));
  await expect(there ?? other.locator("nothing")).toHaveText(before ?? "");
  await there?.click();
  await other.keyboard.type("17");
  await other.keyboard.press("Enter");
  await expect(there ?? other.locator("nothing")).toHaveText("17");
  await expect(page.getByRole("button", { name: /^Undo: Mei Barrow/ })).toBeVisible();
  await page.keyboard.type("5");
  await page.keyboard.press("Enter");
  await page.keyboard.press("ArrowUp");
  await expect(page.getByRole("alert")).toContainText('Not entered: Changed meanwhile to "17"');
  await expect(here ?? page.locator("nothing")).toContainText("35");
  await expect(there ?? other.locator("nothing")).toHaveText("17");
});

test("days late are kept by Enter and by leaving, not by Escape, another window or what is no number", async ({
  page,
}) => {
  await openDemo(page, "/score/flood-memo/ilse-tarnowe");
  const late = page.getByRole("textbox", { name: "Late by, in days" });
  const undo = page.getByRole("button", { name: /^Undo: Ilse Tarnowe, Flood-frequency memo: / });
  await late.click();
  await page.keyboard.type("7");
  await page.keyboard.press("Escape");
  await expect(late).not.toHaveValue("7");
  await late.click();
  await page.keyboard.type("1");
  await windowLeft(late);
  await expect(late).toHaveValue("1");
  await expect(undo).toHaveCount(0);
  await page.keyboard.type("x");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("alert")).toHaveText("Late by a whole number of days up to 999, or nothing.");
  await expect(late).toHaveValue("1x");
  await expect(undo).toHaveCount(0);
  await late.fill("3");
  await page.keyboard.press("Enter");
  await expect(undo).toHaveCount(1);
  await expect(late).toHaveValue("3");
});

test.describe("when the disk is full", () => {
  alone("it says so, keeps the entry on the screen, and keeps it in storage once there is room", async ({ page }) => {
    await page.addInitScript(() => {
      // oxlint-disable-next-line typescript/unbound-method -- it is called with its own `this` below
      const put = IDBObjectStore.prototype.put;
      IDBObjectStore.prototype.put = function (...args: Parameters<typeof put>) {
        if (this.name === "journal" && "full" in window)
          throw new DOMException("The disk is full.", "QuotaExceededError");
        return put.apply(this, args);
      };
    });
    await openDemo(page, "/score/flood-memo/ilse-tarnowe");
    await page.evaluate(() => Object.assign(window, { full: true }));
    await page.keyboard.press("2");
    await expect(ruler(page, "Use of the record")).toHaveAttribute("aria-valuetext", "15.5 points, Sound");
    await expect(page.getByRole("alert")).toContainText("1 change could not be kept");
    await expect(page.getByRole("alert")).toContainText("The disk is full.");
    await expect(page.getByText("All kept")).toHaveCount(0);
    await page.evaluate(() => Reflect.deleteProperty(window, "full"));
    await page.getByRole("button", { name: "Try again" }).click();
    await allKept(page);
    await page.reload();
    await expect(ruler(page, "Use of the record")).toHaveAttribute("aria-valuetext", "15.5 points, Sound");
  });
});

test("the course file goes out and comes back with nothing lost", async ({ page }) => {
  await openDemo(page, "/score/flood-memo/aldous-brenn");
  await page.keyboard.press("v");
  await page.keyboard.type("A word for myself: Grüße.");
  await page.keyboard.press("Escape");
  await allKept(page);
  await open(page, `${COURSE}/files`);
  const saving = page.waitForEvent("download");
  await page.getByRole("button", { name: "Make a course file" }).click();
  const file = await saving;
  expect(file.suggestedFilename()).toMatch(/^reading-rivers-\d{4}-\d\d-\d\d\.zip$/);
  await page.getByLabel("Choose a course file").setInputFiles({
    name: "course.zip",
    mimeType: "application/zip",
    buffer: readFileSync(await file.path()),
  });
  await expect(page).toHaveURL(/courses\/reading-rivers-2$/);
  const journals = await Promise.all(
    ["reading-rivers", "reading-rivers-2"].map(async (slot) => {
      const tab = await page.context().newPage();
      await open(tab, `/courses/${slot}/journal`);
      const text = await tab.getByRole("main").innerText();
      await tab.close();
      return text;
    }),
  );
  expect(journals[1]).toBe(journals[0]);
  await open(page, "/courses/reading-rivers-2/score/flood-memo/aldous-brenn");
  await expect(page.getByRole("textbox", { name: /Private note/ })).toHaveValue("A word for myself: Grüße.");
  await expect(page.getByRole("heading", { name: "Flood frequency at Ossel Weir" })).toBeVisible();
});

test("the scores go out as CSV", async ({ page }) => {
  await openDemo(page, "/files");
  const saving = page.waitForEvent("download");
  await page.getByRole("button", { name: "Save the scores as CSV" }).click();
  const file = await saving;
  expect(file.suggestedFilename()).toBe("reading-rivers-scores.csv");
  const lines = readFileSync(await file.path(), "utf8").split("\r\n");
  expect(lines).toHaveLength(30);
  expect(lines[0]).toMatch(/^Student number,Name,Section,Gauging report \(of 100\),Flood-frequency memo/);
  expect(lines.find((line) => line.includes("Dagny Kvist"))).toMatch(/^L26076,Dagny Kvist,Kingfisher,82,71,,32,18,/);
});

test("an empty course is one press away, and begins with students and an assignment", async ({ page }) => {
  await openDemo(page);
  await page.getByRole("link", { name: "Start an empty course" }).click();
  await page.getByRole("textbox", { name: "Name of the course" }).fill("Night Sky 2");
  await page.getByRole("button", { name: "Start an empty course" }).click();
  await expect(page).toHaveURL(/courses\/night-sky-2\/plan$/);
  await page.getByPlaceholder("Papers").fill("Papers");
  await page.getByLabel("Weight, %", { exact: true }).fill("100");
  await page.getByRole("button", { name: "Add category" }).click();
  await expect(page.getByRole("region", { name: "Papers" })).toBeVisible();
  await page.getByRole("link", { name: "Course and roster" }).first().click();
  await page.getByLabel("Students, one a line").fill("N1, Ada Ames\nBen Bolt\n\nN3\tCleo Crane");
  await page.getByRole("button", { name: "Add 3 students" }).click();
  await expect(page.getByRole("heading", { name: "3 students" })).toBeVisible();
  await page.getByRole("link", { name: "Assignments", exact: true }).click();
  await page.getByLabel("New assignments, one line each").fill("Star chart, 20 points, 2026-12-01 18:00");
  await page.getByRole("button", { name: "Add assignment" }).click();
  await expect(page.getByRole("listitem").filter({ hasText: "Star chart" })).toContainText("due 1 Dec");
  await allKept(page);
  await open(page, "/courses/night-sky-2/gradebook");
  await cell(page, "Star chart", "Ada Ames").click();
  await page.keyboard.type("18.5");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("row", { name: /^Ada Ames/ })).toContainText("92.5");
  await allKept(page);
  await page.reload();
  await expect(page.getByRole("row", { name: /^Ada Ames/ })).toContainText("92.5");
});
