import type { Page } from "@playwright/test";
import { Acts } from "./acts";
import { allKept, expect, open, openDemo, test } from "./helpers";

const cell = (page: Page, what: string) => page.getByRole("gridcell", { name: new RegExp(`^${what}:`) });

test("work done away from the screen is scored in four acts from the board", async ({ page }) => {
  await openDemo(page);
  const acts = new Acts(page);
  await acts.click(page.getByRole("link", { name: "Gradebook" }));
  await acts.click(cell(page, "Question paper 1, Dov Amsel"));
  await acts.type("31");
  await acts.key("Enter");
  acts.done("off-line work scored", 4);
  await expect(cell(page, "Question paper 1, Dov Amsel")).toHaveAttribute("aria-label", /: 31$/);
});

test("a column of three papers comes in with four acts from the board", async ({ page, context }) => {
  await context.grantPermissions(["clipboard-read", "clipboard-write"]);
  await openDemo(page);
  await page.evaluate(() => navigator.clipboard.writeText("31\n32\n33"));
  const acts = new Acts(page);
  await acts.click(page.getByRole("link", { name: "Gradebook" }));
  await acts.click(cell(page, "Question paper 1, Dov Amsel"));
  await acts.key("Control+v");
  await page.getByRole("dialog").waitFor();
  await acts.key("Enter");
  acts.done("column of three papers", 4);
  await expect(cell(page, "Question paper 1, Dov Amsel")).toHaveAttribute("aria-label", /: 31$/);
  await expect(page.getByRole("button", { name: /^Undo: 3 scores pasted/ })).toBeVisible();
});

test("a bonus is planned in two acts, and a status with its comment given in two", async ({ page }) => {
  await openDemo(page, "/plan");
  const shorthand = page.getByRole("textbox", { name: "New assignments, one line each" });
  await shorthand.focus();
  const plan = new Acts(page);
  await plan.type("Rain diary, bonus, 2 points, in Field work");
  await plan.key("Enter");
  plan.done("bonus from the plan", 2);
  await expect(page.getByRole("button", { name: /^Undo: Assignment Rain diary added/ })).toBeVisible();
  await open(page, "/courses/reading-rivers/gradebook");
  await cell(page, "Catchment story map, Dov Amsel").click();
  const status = new Acts(page);
  await status.type("x: in hospital");
  await status.key("Enter");
  status.done("status with a comment, each figure", 2);
  await expect(cell(page, "Catchment story map, Dov Amsel")).toHaveAttribute("aria-label", /: excused$/);
  const bonus = new Acts(page);
  await bonus.click(cell(page, "Bridge count, Dov Amsel"));
  await bonus.key("x");
  bonus.done("bonus declined", 2);
  await expect(cell(page, "Bridge count, Dov Amsel")).toHaveAttribute("aria-label", /: declined$/);
});

test("a discussion is scored in two acts a student", async ({ page }) => {
  await openDemo(page, "/quick/seminar");
  // What is scored stands beside where it is scored.
  await expect(page.getByRole("list", { name: "Posts of Cato Mirelle" })).toContainText(
    "the lowest stage of each summer",
  );
  const fields = page.getByRole("textbox", { name: /^Score of/ });
  await fields.first().focus();
  const acts = new Acts(page);
  await acts.type("14");
  await acts.key("Tab");
  acts.done("discussion, each student", 2);
  await allKept(page);
  await page.reload();
  await expect(fields.first()).toHaveValue("14");
});
