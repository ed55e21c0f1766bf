import type { Page } from "@playwright/test";
import { allKept, expect, goTo, openDemo, test } from "./helpers";

const GRADEBOOK = "/courses/reading-rivers/gradebook";
const cell = (page: Page, what: string) => page.getByRole("gridcell", { name: new RegExp(`^${what}:`) });

test("the total of a student explains itself by a click, by Space on it, and from any cell of the row", async ({
  page,
}) => {
  await openDemo(page, "/gradebook");
  const row = page.getByRole("row", { name: /Anouk Brisk/ });
  const pane = page.getByRole("complementary", { name: "This total" });
  await row.locator("[data-total]").click();
  await expect(pane.getByRole("heading", { name: "Anouk Brisk" })).toBeVisible();
  await expect(pane).toContainText("Reports");
  await pane.getByRole("button", { name: "Close" }).click();
  await expect(pane).toBeHidden();
  await row.locator("[data-total]").focus();
  await page.keyboard.press("Space");
  await expect(pane).toBeVisible();
  await page.keyboard.press("Space");
  await expect(pane).toBeHidden();
  await cell(page, "Field notebook, Bram Oduya").click();
  await page.keyboard.press("Shift+Space");
  await expect(pane.getByRole("heading", { name: "Bram Oduya" })).toBeVisible();
});

test("a comment is written from a cell and back to it without losing the place", async ({ page }) => {
  await openDemo(page, "/gradebook");
  const marked = cell(page, "Question paper 1, Bram Oduya");
  await marked.click();
  await page.keyboard.press("Alt+Enter");
  const pane = page.getByRole("complementary", { name: "This result" });
  await expect(pane.getByRole("textbox", { name: "Overall comment" })).toBeFocused();
  await page.keyboard.type("Watch the units.");
  await page.keyboard.press("Escape");
  await expect(marked).toBeFocused();
  await expect(pane).toBeVisible();
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("Alt+Enter");
  await expect(pane.getByRole("textbox", { name: "Overall comment" })).toBeFocused();
  await expect(pane.getByRole("textbox", { name: "Overall comment" })).toHaveValue("");
  await page.keyboard.press("Escape");
  await page.keyboard.press("ArrowUp");
  await expect(pane.getByRole("textbox", { name: "Overall comment" })).toHaveValue("Watch the units.");
  await page.keyboard.press("Escape");
  await expect(pane).toBeHidden();
  await expect(marked).toBeFocused();
});

test("what is chosen to be shown stays over screens and reloads, and can be chosen away", async ({ page }) => {
  await openDemo(page, "/gradebook");
  await page.getByRole("combobox", { name: "Section" }).selectOption({ label: "Heron" });
  await page.getByRole("button", { name: "More for Field notebook" }).click();
  await page.getByRole("menuitem", { name: /Hide/ }).click();
  await expect(page.getByText("Show 1 hidden column")).toBeVisible();
  await page.getByRole("link", { name: "Journal" }).click();
  await page.getByRole("link", { name: "Gradebook" }).click();
  await expect(page.getByRole("combobox", { name: "Section" }).locator("option:checked")).toHaveText("Heron");
  await expect(page.getByText("Show 1 hidden column")).toBeVisible();
  await goTo(page, GRADEBOOK);
  await expect(page.getByText("14 of 28")).toBeVisible();
  await page.getByText("Show 1 hidden column").click();
  await page.getByRole("combobox", { name: "Section" }).selectOption("");
  await expect(page.getByText("28 students")).toBeVisible();
  await goTo(page, GRADEBOOK);
  await expect(page.getByText("28 students")).toBeVisible();
});

test("two choices in one breath are both taken", async ({ page }) => {
  await openDemo(page, "/gradebook");
  await expect(page.getByText("28 students")).toBeVisible();
  // Both within one turn of the page, as a quick hand on a slow machine makes them.
  await page.evaluate(() => {
    for (const [name, place] of [
      ["Section", 1],
      ["Figures shown", 1],
    ] as const) {
      const choice = document.querySelector<HTMLSelectElement>(`select[aria-label="${name}"]`);
      if (!choice) throw new Error(name);
      choice.selectedIndex = place;
      choice.dispatchEvent(new Event("change", { bubbles: true }));
    }
  });
  await expect(page.getByText("14 of 28")).toBeVisible();
  await expect(page.getByRole("combobox", { name: "Figures shown" }).locator("option:checked")).toHaveText("Percent");
});

test("a choice is kept also where one goes on to another screen in the same breath", async ({ page }) => {
  await openDemo(page, "/gradebook");
  await expect(page.getByText("28 students")).toBeVisible();
  await page.evaluate(() => {
    const choice = document.querySelector<HTMLSelectElement>('select[aria-label="Section"]');
    const journal = [...document.querySelectorAll("a")].find((link) => link.textContent === "Journal");
    if (!choice || !journal) throw new Error("no section to choose, or no way to the journal");
    choice.selectedIndex = 1;
    choice.dispatchEvent(new Event("change", { bubbles: true }));
    journal.click();
  });
  await expect(page.getByRole("heading", { name: "Journal" })).toBeVisible();
  await page.getByRole("link", { name: "Gradebook" }).click();
  await expect(page.getByText("14 of 28")).toBeVisible();
});

test("students stand by family name wherever they are listed, once the course says so", async ({ page }) => {
  await openDemo(page, "/plan/course");
  await page.getByRole("combobox", { name: "Students are listed by" }).selectOption("family");
  await allKept(page);
  await goTo(page, GRADEBOOK);
  await expect(page.getByRole("rowheader").first()).toHaveText("Abeyra, Hano");
  await goTo(page, "/courses/reading-rivers/students");
  await expect(page.getByRole("row").nth(1)).toContainText("Abeyra, Hano");
  await goTo(page, "/courses/reading-rivers/score/flood-memo/hano-abeyra");
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Abeyra, Hano");
  await goTo(page, "/window/reading-rivers/hano-abeyra");
  await expect(page.getByText("For Hano Abeyra", { exact: true })).toBeVisible();
});

test("totals of terms stand beside the course's, and among the final grades", async ({ page }) => {
  await openDemo(page, "/plan/course");
  const terms = page.getByRole("region", { name: "Terms" });
  await terms.getByText("Add a term").click();
  await terms.locator('[name="name"]').fill("Summer school");
  await terms.locator('[name="weight"]').fill("10");
  await terms.locator("form").getByRole("textbox", { name: "From" }).fill("2027-07-01T00:00");
  await terms.locator("form").getByRole("textbox", { name: "Until" }).fill("2027-08-01T00:00");
  await terms.getByRole("button", { name: "Add term" }).click();
  await page.getByRole("button", { name: "Undo: Term Summer school added" }).click();
  await allKept(page);
  await goTo(page, GRADEBOOK);
  await expect(page.getByRole("columnheader", { name: /Autumn term.*Spring term.*Field exam/ })).toBeVisible();
  await goTo(page, "/courses/reading-rivers/release/grades");
  await expect(page.getByRole("columnheader", { name: "Autumn term, %" })).toBeVisible();
});
