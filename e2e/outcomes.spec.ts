import { Acts } from "./acts";
import { allKept, expect, goTo, openDemo, test } from "./helpers";
import type { Page } from "@playwright/test";

/** Makes a rubric for outcomes and lets the memo be judged by it too. */
async function judgedByOutcomes(page: Page): Promise<void> {
  await openDemo(page, "/plan/rubrics");
  await page.getByRole("button", { name: "Make one for outcomes" }).click();
  await expect(page.getByRole("heading", { name: "Outcomes", level: 1 })).toBeVisible();
  await page.getByRole("button", { name: "Add a criterion" }).click();
  await expect(page.getByRole("button", { name: "Undo: Rubric Outcomes changed" })).toBeVisible();
  await allKept(page);
  await goTo(page, "/courses/reading-rivers/plan/assignments/flood-memo");
  await page.getByRole("combobox", { name: /Second rubric/ }).selectOption({ label: "Outcomes" });
  await allKept(page);
}
const outcome = (page: Page, name: RegExp) => page.getByRole("radiogroup", { name });

test("outcomes are judged beside the score, by keys of their own, and reach nothing but their own facet", async ({
  page,
}) => {
  await judgedByOutcomes(page);
  await goTo(page, "/courses/reading-rivers");
  const score = page.getByRole("region", { name: "Score" }).getByRole("button", { name: "Type the score" });
  const acts = new Acts(page);
  await acts.click(page.getByRole("link", { name: /to score Flood-frequency memo/ }));
  await page.getByRole("slider").first().waitFor();
  const before = await score.textContent();
  await acts.key("o");
  await expect(outcome(page, /^Outcome First criterion: open/)).toBeFocused();
  await acts.key("3");
  await acts.key("2");
  acts.done("outcome beside the score", 2 + 2);
  await expect(outcome(page, /^Outcome First criterion: Carries/)).toBeVisible();
  await expect(outcome(page, /^Outcome .*: Holds/)).toBeVisible();
  await expect(score).toHaveText(before ?? "");
  await allKept(page);
  await page.reload();
  await expect(outcome(page, /^Outcome First criterion: Carries/)).toBeVisible();
  await page.getByRole("button", { name: "Open again: First criterion" }).click();
  await expect(outcome(page, /^Outcome First criterion: open/)).toBeVisible();
});

test("an outcome is typed behind a score, stands in its cell, over all work, and with the student once released", async ({
  page,
}) => {
  await judgedByOutcomes(page);
  await goTo(page, "/courses/reading-rivers/gradebook");
  const cell = page.getByRole("gridcell", { name: /^Flood-frequency memo, Anouk Brisk:/ });
  const total = await cell.getAttribute("aria-label");
  await cell.click();
  await page.keyboard.type("o32");
  await page.keyboard.press("Enter");
  await expect(cell).toHaveAttribute("aria-label", `${total ?? ""}, outcomes 3 2`);
  await cell.click();
  await page.keyboard.type("o9");
  await page.keyboard.press("Enter");
  await expect(page.getByText(/level 9/i).first()).toBeVisible();
  await page.keyboard.press("Escape");
  await allKept(page);
  await goTo(page, "/courses/reading-rivers/students");
  await page.getByRole("link", { name: "Outcomes over all work" }).click();
  await page.getByRole("combobox", { name: "Outcome" }).selectOption({ label: "First criterion · Outcomes" });
  await expect(page.getByRole("row", { name: /Anouk Brisk/ })).toContainText("Carries");
  const saving = page.waitForEvent("download");
  await page.getByRole("button", { name: "Save all outcomes as CSV" }).click();
  expect((await saving).suggestedFilename()).toBe("outcomes.csv");
  await goTo(page, "/courses/reading-rivers/release");
  await page.getByRole("button", { name: /^Outcomes of Flood-frequency memo/ }).click();
  await page
    .getByRole("button", { name: /^Release/ })
    .first()
    .click();
  await allKept(page);
  await goTo(page, "/window/reading-rivers/anouk-brisk");
  const letter = page.getByRole("region", { name: "Outcomes" });
  await expect(letter).toContainText("Carries");
});
