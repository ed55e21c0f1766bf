import { expect, goTo, openDemo, test } from "./helpers";

const COURSE = "/courses/reading-rivers";
const MORE = 120;
/** Names without figures, as people have: Zaa, Zba, up to Zyz. */
const given = (place: number) =>
  `Z${String.fromCharCode(97 + (place % 26))}${String.fromCharCode(97 + Math.floor(place / 26))}`;

test("a class of 148: one student out of a long choice by keyboard and by hand", async ({ page }) => {
  await openDemo(page, "/plan/course");
  const roster = Array.from({ length: MORE }, (_, place) => `L4${String(1000 + place)}\t${given(place)} Namely`);
  await page.getByLabel("Students, one a line").fill(roster.join("\n"));
  await page.getByRole("button", { name: `Add ${String(MORE)} students` }).click();
  await expect(page.getByLabel("Students, one a line")).toHaveValue("");

  await goTo(page, `${COURSE}/release?assignment=gauging-report`);
  const whose = page.getByLabel("Whose copy");
  // Until somebody comes to it the one who is chosen stands there alone.
  await expect(whose.locator("option")).toHaveCount(1);
  const first = await whose.inputValue();
  await whose.focus();
  await expect(whose.locator("option")).toHaveCount(28 + MORE);
  await expect(whose).toHaveValue(first);
  // The list stays where it is and keeps the focus, though the copy beside it is another by then.
  await page.keyboard.press("Y");
  await expect(page.getByText("for Yusuf Calder")).toBeVisible();
  await expect(whose).toBeFocused();
  // The browser takes letters for one name until there are none for a second.
  await page.waitForTimeout(1_200);
  // By a hand that does not wait for the page between two letters, as the runner's own typing does.
  await Promise.all([..."Zha N"].map((letter) => page.keyboard.press(letter)));
  await expect(whose.locator("option:checked")).toHaveText(/Zha Namely/);

  await page.reload();
  await expect(whose.locator("option")).toHaveCount(1);
  await expect(whose.locator("option")).toHaveText(/Zha Namely/);
  const box = await whose.boundingBox();
  if (!box) throw new Error("the choice stands on the page");
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await expect(whose.locator("option")).toHaveCount(28 + MORE);
  await page.mouse.up();
  await page.keyboard.press("Escape");
});
