import type { Page } from "@playwright/test";
import { allKept, expect, goTo, openDemo, test } from "./helpers";

const RELEASE = "/courses/reading-rivers/release";

/**
 * The classic trap: every score sealed, the Questions total on show and resting on all work. Eight students have their
 * question paper scored and nothing else of that category, so its total is their score.
 */
async function setTrap(page: Page): Promise<void> {
  await openDemo(page, "/release?assignment=gauging-report");
  for (const assignment of ["gauging-report", "bridge-count"]) {
    await goTo(page, `${RELEASE}?assignment=${assignment}`);
    await page.getByRole("button", { name: "Take back and seal" }).click();
    await page.getByRole("dialog").getByRole("button", { name: "Take back and seal" }).click();
    await expect(page.getByText("Sealed. Students see it no longer")).toBeVisible();
  }
  await page
    .getByRole("button", { name: /^Questions total/ })
    .first()
    .click();
  await page.getByRole("button", { name: "Let them rest on all work" }).click();
  await page.getByRole("dialog").getByRole("button", { name: "Change what they rest on" }).click();
  await expect(page.getByText("8 students could work out a sealed score")).toBeVisible();
  await page.getByRole("button", { name: "Show the Questions total" }).click();
  await page.getByRole("dialog").getByRole("button", { name: "Show the Questions total" }).click();
  await expect(page.getByRole("button", { name: "Questions total: released" })).toBeVisible();
  await goTo(page, `${RELEASE}/leaks`);
  await expect(page.getByText("8 of 28 students could work out a sealed score.")).toBeVisible();
}

test.describe("every score sealed, a running total on show", () => {
  test("the check names the students, the interval and how it follows", async ({ page }) => {
    await setTrap(page);
    const table = page.getByRole("table", { name: "What each student could work out" });
    const rows = table.getByRole("row").filter({ hasText: "Question paper 1" });
    await expect(rows).toHaveCount(8);
    for (const row of await rows.all()) {
      await expect(row).toContainText("exact");
      await expect(row).toContainText(/From \d+\.\d % of Questions follows exactly [\d.]+ of \d+\./);
    }
    await goTo(page, "/courses/reading-rivers");
    const card = page.getByRole("listitem").filter({ has: page.getByRole("heading", { name: "Question paper 1" }) });
    await card.getByRole("link", { name: "Sealed, and 8 students could work it out" }).click();
    await expect(page.getByText("8 of 28 students could work out a sealed score.")).toBeVisible();
  });

  for (const way of ["Seal the Questions total", "Rest totals on released work", "Release the score too"]) {
    test(`"${way}" says that it closes it, and does`, async ({ page }) => {
      await setTrap(page);
      const ways = page.getByRole("region", { name: "Ways to close it" });
      const item = ways.getByRole("listitem").filter({ has: page.getByRole("button", { name: way }) });
      await expect(item).toContainText("Closes it for all 8 students");
      await item.getByRole("button", { name: way }).click();
      await expect(page.getByText("Nobody of 28 students could work out a sealed score.")).toBeVisible();
      await allKept(page);
      await page.reload();
      await expect(page.getByText("Nobody of 28 students could work out a sealed score.")).toBeVisible();
    });
  }

  test("once a student has opened the total, sealing it does not close it for them", async ({ page }) => {
    await setTrap(page);
    const row = page.getByRole("table").getByRole("row").filter({ hasText: "Question paper 1" }).first();
    const name = await row.getByRole("link").innerText();
    const address = (await row.getByRole("link").getAttribute("href")) ?? "";
    await goTo(page, `/window/reading-rivers/${address.split("/").at(-1) ?? ""}?reading`);
    await expect(page.getByRole("article", { name: `Totals, for ${name}` })).toBeVisible();
    await goTo(page, `${RELEASE}/leaks`);
    const ways = page.getByRole("region", { name: "Ways to close it" });
    const item = ways
      .getByRole("listitem")
      .filter({ has: page.getByRole("button", { name: "Seal the Questions total" }) });
    await expect(item).toContainText(`Leaves 1 student: ${name}`);
  });
});
