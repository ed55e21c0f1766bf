import { axeFinds } from "./axe";
import { expect, openDemo, test } from "./helpers";

test("a hint comes where the mouse rests or the keyboard has come to, and goes with the next act", async ({ page }) => {
  await openDemo(page, "/gradebook");
  const hint = page.getByRole("tooltip");
  const light = page.getByRole("button", { name: /lamplight/i });
  await light.hover();
  await expect(hint).toHaveText("By lamplight");
  // What a hint belongs to is where it points, not a region of its own.
  const violations = await axeFinds(page, { but: "region" });
  expect(violations).toEqual([]);
  await page.keyboard.press("Shift");
  await expect(hint).toHaveCount(0);
  await page.mouse.move(600, 600);
  await light.focus();
  await page.keyboard.press("Shift+Tab");
  await page.keyboard.press("Tab");
  await expect(light).toBeFocused();
  await expect(hint).toHaveText("By lamplight");
  await page.keyboard.press("Enter");
  await expect(hint).toHaveCount(0);
  await expect(page.locator("html")).toHaveAttribute("data-light", /./);
});
