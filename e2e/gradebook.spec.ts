import { allKept, cell, expect, openDemo, test } from "./helpers";

const question = (page: Parameters<typeof cell>[0], student: string) => cell(page, "Question paper 1", student);

test("a column goes in as fast as it can be read out: type, Enter, type, Enter", async ({ page }) => {
  await openDemo(page, "/gradebook");
  await question(page, "Faruq Rahel").click();
  const read = ["31", "28.5", "m", "44", "x", "39 l1", "50"];
  for (const entry of read) {
    await page.keyboard.type(entry);
    await page.keyboard.press("Enter");
  }
  await expect(question(page, "Faruq Rahel")).toHaveText("31");
  await expect(question(page, "Greta Lindqvar")).toHaveText("28.5");
  await expect(question(page, "Hano Abeyra")).toHaveText("missing");
  await expect(question(page, "Ilse Tarnowe")).toHaveText("44");
  await expect(question(page, "Jorun Nakade")).toHaveText("excused");
  // One started day at 5 % of 50 takes 2.5.
  await expect(question(page, "Kesi Strand")).toHaveText("1 d36.5");
  await expect(question(page, "Lorcan Pell")).toHaveText("50");
  await expect(question(page, "Mei Barrow")).toBeFocused();
  await allKept(page);
});

test("cells are walked by arrows, Tab, Home and End, and left as they were by Escape", async ({ page }) => {
  await openDemo(page, "/gradebook");
  await cell(page, "Field notebook", "Cato Mirelle").click();
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("ArrowRight");
  await expect(cell(page, "Site sketch", "Clea Vantor")).toBeFocused();
  await page.keyboard.press("Home");
  await expect(cell(page, "Gauging report", "Clea Vantor")).toBeFocused();
  await page.keyboard.press("End");
  await expect(cell(page, "Seminar discussion", "Clea Vantor")).toBeFocused();
  await page.keyboard.type("12");
  await page.keyboard.press("Escape");
  await expect(cell(page, "Seminar discussion", "Clea Vantor")).toHaveText("·");
  await page.keyboard.type("12");
  await page.keyboard.press("Shift+Tab");
  await expect(cell(page, "Seminar discussion", "Clea Vantor")).toHaveText("12");
  await expect(question(page, "Clea Vantor")).toBeFocused();
  await page.keyboard.press("Control+Enter");
  await expect(page).toHaveURL(/score\/question-paper\/clea-vantor$/);
});

test("a figure set by hand stands out, keeps the computed one beside it, and goes back to it", async ({ page }) => {
  await openDemo(page, "/gradebook");
  const notebook = cell(page, "Field notebook", "Faruq Rahel");
  await expect(notebook).toHaveAccessibleName(/34.5, set by hand/);
  await notebook.click();
  await page.keyboard.type("-");
  await expect(page.locator("#entry-hint")).toHaveText(/^back to \d+(\.\d+)? · Enter to keep$/);
  await page.keyboard.press("Enter");
  await expect(notebook).not.toHaveAccessibleName(/set by hand/);
  await page.getByRole("button", { name: /^Undo: Faruq Rahel, Field notebook: cleared/ }).click();
  await expect(notebook).toHaveAccessibleName(/34.5, set by hand/);
});

test("one section is shown by itself, and the address keeps it", async ({ page }) => {
  await openDemo(page, "/gradebook");
  await page.getByRole("combobox", { name: "Section" }).selectOption("Heron");
  await expect(page.getByText("14 of 28")).toBeVisible();
  await expect(page).toHaveURL(/section=heron/);
  await page.reload();
  await expect(page.getByText("14 of 28")).toBeVisible();
  await expect(page.getByRole("row", { name: /^Ilse Tarnowe/ })).toHaveCount(0);
});
