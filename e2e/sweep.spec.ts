import type { Page } from "@playwright/test";
import { allKept, alone, cell, expect, goTo, openDemo, slowed, test } from "./helpers";

const papers = (page: Page) => page.getByRole("list", { name: /^Papers by/ });

test("28 papers are judged by one criterion with the keyboard alone, one key each", async ({ page }) => {
  await openDemo(page, "/sweep/field-notebook");
  const sheets = papers(page).locator(":scope > li");
  await expect(sheets).toHaveCount(28);
  await sheets.first().getByRole("slider").focus();
  let keys = 0;
  const wanted: string[] = [];
  for (let paper = 0; paper < 28; paper += 1) {
    const digit = String(1 + (paper % 3));
    await expect(sheets.nth(paper)).toHaveAttribute("aria-current", "true");
    await page.keyboard.press(digit);
    keys += 1;
    wanted.push(digit);
    if (paper < 27) await expect(sheets.nth(paper + 1)).toHaveAttribute("aria-current", "true");
  }
  console.log(`sweep: ${String(keys)} keys for 28 papers`);
  expect(keys).toBeLessThanOrEqual(2 * 28);
  await allKept(page);
  await page.reload();
  await expect(sheets).toHaveCount(28);
  const levels = await sheets.getByRole("slider").evaluateAll((sliders) => {
    return sliders.map((slider) => slider.getAttribute("aria-valuetext")?.split(", ").at(-1) ?? "");
  });
  const names = [...new Set(levels)];
  expect(names).toHaveLength(3);
  // The same digit gave the same level on every paper.
  for (const digit of ["1", "2", "3"]) {
    const given = new Set(levels.filter((_, index) => wanted[index] === digit));
    expect(given.size).toBe(1);
  }
  await expect(page.getByText(/first ten .* last ten/)).toBeVisible();
});

test("a sweep without names, shuffled, with points typed and two papers at the level beside it", async ({ page }) => {
  await openDemo(page, "/sweep/flood-memo");
  const sheets = papers(page).locator(":scope > li");
  await expect(page.getByRole("heading", { name: "Anouk Brisk", exact: true })).toBeVisible();
  await page.getByRole("checkbox", { name: "Without names" }).click();
  await expect(sheets.first().getByRole("heading").first()).toHaveText("Paper 1");
  await expect(papers(page).getByRole("button", { name: /Brisk|Oduya/ })).toHaveCount(0);
  const points = () =>
    sheets.getByRole("slider").evaluateAll((all) => all.map((one) => one.getAttribute("aria-valuetext")));
  const byName = await points();
  await page.getByRole("checkbox", { name: "Shuffled" }).click();
  await expect.poll(points).not.toEqual(byName);
  const shuffled = await points();
  await page.reload();
  await expect.poll(points).toEqual(shuffled);
  // Who judges without names once does so everywhere, until names are asked for again.
  await goTo(page, "/courses/reading-rivers/sweep/gauging-report");
  await expect(page.getByRole("checkbox", { name: "Without names" })).toBeChecked();
  await expect(papers(page).getByRole("heading").first()).toHaveText("Paper 1");
  await page.goBack();
  await expect.poll(points).toEqual(shuffled);

  // The first open paper is in hand; its evidence and its work are read in place.
  await page.locator("[aria-current='true'] [data-page='1']").first().waitFor();
  const current = papers(page).locator("[aria-current='true']");
  const title = (await current.getByRole("heading").first().textContent()) ?? "";
  await page.keyboard.press("b");
  const beside = page.getByRole("complementary", { name: "Papers at this level" });
  await expect(beside.getByRole("region", { name: /^Beside: / })).toHaveCount(2);
  await page.keyboard.press("Escape");
  await expect(beside).toHaveCount(0);
  await page.keyboard.press("Enter");
  await page.keyboard.type("12.5");
  await page.keyboard.press("Enter");
  const done = papers(page).locator(":scope > li").filter({ hasText: title }).first();
  await expect(done.getByRole("slider")).toHaveAttribute("aria-valuetext", /^12.5 points/);
  await expect(done).not.toHaveAttribute("aria-current", "true");
  await page.keyboard.press("Control+z");
  await expect(done.getByRole("slider")).toHaveAttribute("aria-valuetext", "open");
  const criterion = page.getByRole("combobox", { name: "Criterion" });
  const before = await criterion.inputValue();
  await page.keyboard.press("]");
  await expect(criterion).not.toHaveValue(before);
});

test("a digit after the key for the next criterion judges by that one, however fast it comes", async ({ page }) => {
  await openDemo(page, "/sweep/flood-memo");
  const first = papers(page).locator(":scope > li").first().getByRole("slider");
  const before = await first.getAttribute("aria-valuetext");
  const criterion = page.getByRole("combobox", { name: "Criterion" });
  const name = () => criterion.evaluate((list: HTMLSelectElement) => list.selectedOptions[0]?.text ?? "");
  const was = await name();
  await slowed(page, async () => {
    for (const key of ["]", "1"]) await page.keyboard.press(key);
  });
  await expect.poll(name).not.toBe(was);
  const undo = page.getByRole("button", { name: /^Undo: / });
  await expect(undo).toHaveAccessibleName(new RegExp(await name()));
  await page.keyboard.press("[");
  await expect.poll(name).toBe(was);
  expect(await first.getAttribute("aria-valuetext")).toBe(before);
});

alone(
  "two quick arrows in the list of criteria go on by two, also where the browser draws its own list",
  async ({ page }) => {
    await openDemo(page, "/sweep/flood-memo");
    const criterion = page.getByRole("combobox", { name: "Criterion" });
    await page.evaluate(() => {
      const plain = new CSSStyleSheet();
      plain.replaceSync("select { appearance: auto !important }");
      document.adoptedStyleSheets.push(plain);
    });
    await criterion.focus();
    const third = await criterion.evaluate((list: HTMLSelectElement) => list.options[2]?.text ?? "");
    await slowed(page, async () => {
      for (const key of ["Home", "ArrowDown", "ArrowDown"]) await page.keyboard.press(key);
    });
    await expect(criterion.locator("option:checked")).toHaveText(third);
    await expect(papers(page)).toHaveAccessibleName(`Papers by ${third}`);
  },
);

test("a student's work for one assignment never stands in the sweep over another", async ({ page }) => {
  await openDemo(page, "/sweep/flood-memo");
  const paper = papers(page)
    .getByRole("listitem")
    .filter({ has: page.getByRole("region", { name: "Bram Oduya" }) });
  const work = paper.getByRole("region", { name: /^The work/ });
  await paper.scrollIntoViewIfNeeded();
  await expect(work).toContainText("They get wet from a level");
  for (const [assignment, words] of [
    ["gauging-report", "a bucket of river water"],
    ["flood-memo", "They get wet from a level"],
  ] as const) {
    await goTo(page, `/courses/reading-rivers/sweep/${assignment}`);
    await paper.scrollIntoViewIfNeeded();
    await expect(work).toContainText(words);
  }
});

test("the sweep is one step from the desk, and an assignment without a rubric says what to do", async ({ page }) => {
  await openDemo(page, "/score/flood-memo/ilse-tarnowe");
  await page.getByRole("link", { name: "Over all papers" }).click();
  await expect(papers(page)).toBeVisible();
  await papers(page).getByRole("button", { name: "Ilse Tarnowe" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Ilse Tarnowe" })).toBeVisible();
  await goTo(page, "/courses/reading-rivers/sweep/bridge-count");
  await expect(page.getByText("Bridge count has no rubric")).toBeVisible();
  await goTo(page, "/courses/reading-rivers/gradebook");
  await expect(cell(page, "Site sketch", "Clea Vantor")).toBeVisible();
});

test("everything that waits stands oldest first, by section and assignment, one step from its paper", async ({
  page,
}) => {
  await openDemo(page, "/score/flood-memo/ilse-tarnowe");
  await page.getByRole("link", { name: "All that waits" }).click();
  const rows = page.getByRole("row");
  await expect(page.getByRole("heading", { level: 1, name: "56 papers waiting" })).toBeVisible();
  await expect(rows).toHaveCount(57);
  await page.getByRole("combobox", { name: "Assignment" }).selectOption("Catchment story map");
  await expect(rows).toHaveCount(4);
  // The demo's story maps came in from 18 November on.
  await expect(rows.nth(1)).toContainText("18 Nov");
  await page.reload();
  await expect(rows).toHaveCount(4);
  await page.getByRole("combobox", { name: "Section" }).selectOption({ index: 1 });
  await expect.poll(() => rows.count()).toBeLessThan(5);
  await page.getByRole("combobox", { name: "Section" }).selectOption({ index: 0 });
  const name = (await rows.nth(1).getByRole("link").textContent()) ?? "";
  await page.getByRole("link", { name: "Score the oldest" }).click();
  await expect(page.getByRole("heading", { level: 1, name })).toBeVisible();
});

test("short work is scored on one page, score and comment beside each name, with Tab alone", async ({ page }) => {
  await openDemo(page, "/quick/seminar");
  const score = (name: string) => page.getByRole("textbox", { name: `Score of ${name}`, exact: true });
  await score("Anouk Brisk").focus();
  await page.keyboard.type("17.5");
  await page.keyboard.press("Tab");
  await expect(page.getByRole("textbox", { name: "Comment to Anouk Brisk" })).toBeFocused();
  await page.keyboard.type("You asked the question everyone had.");
  await page.keyboard.press("Tab");
  await expect(score("Bram Oduya")).toBeFocused();
  await page.keyboard.type("m");
  await page.keyboard.press("Tab");
  await allKept(page);
  await page.reload();
  await expect(score("Anouk Brisk")).toHaveValue("17.5");
  await expect(page.getByRole("textbox", { name: "Comment to Anouk Brisk" })).toHaveValue(/everyone had/);
  await expect(page.getByRole("listitem").filter({ hasText: "Bram Oduya" })).toContainText("missing");
});
