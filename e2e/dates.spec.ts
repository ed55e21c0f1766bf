import { allKept, expect, openDemo, test } from "./helpers";

test("a date is typed as people write it, refused with its reason, and chosen in a calendar by keyboard", async ({
  page,
}) => {
  await openDemo(page, "/plan/assignments/story-map");
  const due = page.getByRole("textbox", { name: /^Due/ });
  await expect(due).toHaveValue(/^Fri 11 Dec 2026, /);
  await due.fill("14.12. 9:00");
  await due.press("Enter");
  await expect(due).toHaveValue("Mon 14 Dec 2026, 09:00");
  await due.fill("some day soon");
  await due.press("Enter");
  await expect(page.getByText('"some day soon" is no date. Type it such as 14 Sep 18:00 or 14.9.2026.')).toBeVisible();
  await due.press("Escape");
  await expect(due).toHaveValue("Mon 14 Dec 2026, 09:00");
  await due.press("Tab");
  await page.keyboard.press("Enter");
  const calendar = page.getByRole("dialog", { name: /^Choose a day: Due/ });
  await expect(calendar.getByRole("button", { name: /14th, 2026/ })).toBeFocused();
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("Enter");
  await expect(calendar).toBeHidden();
  await expect(due).toHaveValue("Mon 21 Dec 2026, 09:00");
  await allKept(page);
  await page.reload();
  await expect(due).toHaveValue("Mon 21 Dec 2026, 09:00");
  await due.fill("");
  await due.press("Enter");
  await expect(page.getByRole("button", { name: /^Undo: .*/ })).toBeVisible();
  await allKept(page);
  await page.reload();
  await expect(due).toHaveValue("");
});

test("the journal is narrowed to days, and a date in the address that is none does no harm", async ({ page }) => {
  await openDemo(page, "/journal?from=nonsense");
  const from = page.getByRole("textbox", { name: "From" });
  await expect(from).toHaveValue("nonsense");
  await from.fill("3 Nov 2026");
  await expect(page).toHaveURL(/from=2026-11-03/);
  await from.press("Enter");
  await expect(from).toHaveValue("3 Nov 2026");
});
