import { allKept, expect, goTo, openDemo, test } from "./helpers";

const CHECK = "/courses/reading-rivers/check";

test("the spread as a picture and, a key away, as the table of its figures; a dot opens its paper", async ({
  page,
}) => {
  await openDemo(page, "/check?assignment=field-notebook");
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Field notebook");
  const picture = page.getByRole("img", { name: "Spread of Field notebook" });
  await expect(picture.locator("svg")).toBeVisible();
  await expect(page.getByText(/^mean 30\.7 · median 32\.0/)).toBeVisible();
  await page.keyboard.press("t");
  const groups = page.getByRole("table", { name: "Groups of papers" });
  await expect(groups.getByRole("row", { name: /^All/ })).toContainText("28");
  await expect(groups.getByRole("row", { name: /^Heron/ })).toContainText("14");
  const papers = page.getByRole("table", { name: "Papers and scores" });
  await expect(papers.getByRole("row")).toHaveCount(29);
  await page.keyboard.press("t");
  await expect(picture.locator("svg")).toBeVisible();
  // The paper furthest to the left of the first row stands by itself.
  const dots = picture.locator("svg path[fill]:not([fill='none']):not([fill='transparent'])");
  await expect(dots.first()).toBeAttached();
  await picture.locator("svg").hover({ position: { x: 242, y: 54 } });
  await page.mouse.down();
  await page.mouse.up();
  await expect(page).toHaveURL(/\/score\/field-notebook\//);
});

test("what looks odd leads to its paper, is set aside with a word, and comes back with another figure", async ({
  page,
}) => {
  await openDemo(page, "/check?assignment=field-notebook");
  const odd = page.getByRole("region", { name: "What looks odd" });
  await expect(odd.getByRole("heading")).toHaveText("What looks odd: 1");
  await expect(odd).toContainText("Faruq Rahel has 34.5 set by hand without a reason");
  await odd.getByRole("button", { name: "Set aside Faruq Rahel" }).click();
  await expect(odd.getByRole("heading")).toHaveText("What looks odd: 0");
  await odd.getByText("1 line set aside").click();
  await odd.getByLabel("Why it may stay").fill("agreed with I. Marsh");
  await page.keyboard.press("Enter");
  await allKept(page);
  await page.reload();
  await expect(odd.getByRole("heading")).toHaveText("What looks odd: 0");
  await odd.getByText("1 line set aside").click();
  await expect(odd.getByLabel("Why it may stay")).toHaveValue("agreed with I. Marsh");
  await page.keyboard.press("Escape");
  await goTo(page, "/courses/reading-rivers/journal");
  await expect(page.getByText(/Field notebook, set aside: Faruq Rahel has 34.5/).first()).toBeVisible();
  await goTo(page, `${CHECK}?assignment=field-notebook`);
  await odd.getByText("1 line set aside").click();
  await odd.getByRole("button", { name: "Take back what was set aside of Faruq Rahel" }).click();
  await expect(odd.getByRole("link", { name: "Open Faruq Rahel" })).toBeVisible();
});

test("a bound of the letters is tried by the arrows, names who moves, is put back, applied and undone", async ({
  page,
}) => {
  await openDemo(page, "/check/course");
  const bound = page.getByRole("slider", { name: "Lower bound of B" });
  await bound.focus();
  for (let step = 0; step < 10; step += 1) await page.keyboard.press("ArrowLeft");
  await expect(bound).toHaveAttribute("aria-valuetext", "75 percent");
  const letters = page.getByRole("region", { name: "Letters" });
  await expect(letters).toContainText(/students? would move: .* C → B/);
  await page.reload();
  await expect(bound).toHaveAttribute("aria-valuetext", "75 percent");
  await letters.getByRole("button", { name: "Put them back" }).click();
  await expect(bound).toHaveAttribute("aria-valuetext", "80 percent");
  await bound.focus();
  await page.keyboard.press("Shift+ArrowLeft");
  await expect(bound).toHaveAttribute("aria-valuetext", "79.9 percent");
  for (let step = 0; step < 9; step += 1) await page.keyboard.press("ArrowLeft");
  await letters.getByRole("button", { name: "Apply the bounds" }).click();
  await expect(letters.getByRole("button", { name: "Apply the bounds" })).toBeHidden();
  await expect(bound).toHaveAttribute("aria-valuetext", "75.4 percent");
  await page.keyboard.press("Control+z");
  await expect(bound).toHaveAttribute("aria-valuetext", "80 percent");
});

test("a scaling is tried as two spreads, applied, told by the figure, and taken back", async ({ page }) => {
  await openDemo(page, "/check?assignment=field-notebook&view=scaling");
  const scaling = page.getByRole("region", { name: "Scaling" });
  await expect(scaling.getByRole("button", { name: "Scale 28 scores" })).toBeDisabled();
  await scaling.getByRole("radio", { name: "add points" }).check();
  await scaling.getByLabel("Points to add").fill("2");
  await expect(scaling).toContainText("27 students would gain, 1 would stay");
  await page.keyboard.press("Escape");
  await scaling.getByRole("button", { name: /As a table/ }).click();
  const row = scaling.getByRole("table", { name: "Scores before and after" }).getByRole("row", { name: /Bram Oduya/ });
  await expect(row).toContainText("+2");
  await scaling.getByRole("button", { name: "Scale 28 scores" }).click();
  await expect(scaling).toContainText("This scaling is in force.");
  await page.reload();
  await expect(scaling).toContainText("This scaling is in force.");
  await scaling.getByRole("radio", { name: "as scored" }).check();
  await scaling.getByRole("button", { name: "Take the scaling back" }).click();
  await expect(scaling).toContainText("Scores stand as they were given.");
  await scaling.getByRole("radio", { name: "a line through two points" }).check();
  await scaling.getByLabel("becomes").first().fill("40");
  await scaling.getByLabel("becomes").last().fill("10");
  await expect(scaling.getByRole("alert")).toContainText("a better score would count less");
});

test("an empty course says where to begin", async ({ page }) => {
  await openDemo(page, "/files#empty");
  await page.getByRole("textbox", { name: "Name of the course" }).fill("Night Sky");
  await page.getByRole("button", { name: "Start an empty course" }).click();
  await expect(page).toHaveURL(/courses\/night-sky\/plan$/);
  await page.getByRole("link", { name: /^Check/ }).click();
  await expect(page.getByText("There is nothing to look at yet.")).toBeVisible();
});
