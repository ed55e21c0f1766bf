import { allKept, cell, expect, goTo, openDemo, ruler, slowed, takeUp, test } from "./helpers";

test("two attempts stand side by side with what was taken out and put in", async ({ page }) => {
  await openDemo(page, "/score/flood-memo/ilse-tarnowe");
  await page.getByRole("link", { name: "Compare with attempt 1" }).click();
  const both = page.getByRole("region", { name: "Attempts side by side" });
  await expect(both.getByRole("status")).toHaveText(/\d+ words? taken out, \d+ words? put in\./);
  await expect(both.locator('[data-side="highlight"] .mix-blend-multiply').first()).toBeVisible();
  await both.getByRole("button", { name: "Next change" }).click();
  await expect(both.getByText(/^1 of \d+$/)).toBeVisible();
  await both.getByRole("button", { name: "Close the comparison" }).click();
  await expect(both).toBeHidden();
});

for (const [width, height] of [
  [1280, 800],
  [1760, 1000],
] as const) {
  test(`at ${String(width)} pixels what was put in is washed under its words, and what was taken out is struck through them`, async ({
    page,
  }) => {
    await page.setViewportSize({ width, height });
    await openDemo(page, "/score/flood-memo/ilse-tarnowe");
    await page.getByRole("link", { name: "Compare with attempt 1" }).click();
    const washes = page.locator('[data-side="highlight"] .mix-blend-multiply');
    await washes.first().waitFor();
    // The share of columns with ink, in a thin row of the page's picture, so many pixels above the foot of the mark.
    const inkAt = (aboveFoot: "middle" | number) =>
      washes.evaluateAll((marks, above) => {
        return marks.map((mark) => {
          const canvas = mark.closest("[data-page]")?.querySelector("canvas");
          const pen = canvas?.getContext("2d");
          if (!canvas || !pen) throw new Error("no page");
          const [frame, box] = [canvas.getBoundingClientRect(), mark.getBoundingClientRect()];
          const scale = canvas.width / frame.width;
          const row = (box.bottom - (above === "middle" ? box.height / 2 : above) - frame.top) * scale;
          const { data } = pen.getImageData((box.left - frame.left) * scale, row, box.width * scale, 1);
          const dark = data.filter((value, place) => place % 4 === 0 && value < 150);
          return dark.length / (data.length / 4);
        });
      }, aboveFoot);
    const mean = (shares: readonly number[]) => shares.reduce((sum, share) => sum + share, 0) / shares.length;
    const [middle, foot] = [await inkAt("middle"), await inkAt(1.5)];
    expect(middle.length).toBeGreaterThan(8);
    expect(mean(middle)).toBeGreaterThan(0.2);
    // Only the letters that hang below the line reach the foot of a wash, where its line is drawn.
    expect(Math.max(...foot)).toBeLessThan(0.12);
    // A struck line is one line: no mark covers a whole paragraph.
    const struck = await page
      .locator('[data-side="strikeout"] [data-note]')
      .evaluateAll((marks) => marks.map((mark) => mark.getBoundingClientRect().height));
    expect(struck.length).toBeGreaterThan(8);
    expect(Math.max(...struck)).toBeLessThan(1.4 * Math.min(...struck));
  });
}

test("the next paper begins anew on the desk that stays: nothing is open on it, and nothing has the focus", async ({
  page,
}) => {
  await openDemo(page, "/score/flood-memo/mei-barrow");
  const name = page.getByRole("heading", { level: 1 }).first();
  const pile = page.getByRole("navigation", { name: "The pile" });
  await pile.evaluate((element) => {
    element.dataset.stays = "";
  });
  const before = await name.textContent();

  // What is open on a paper is open on that one only.
  await page.keyboard.press("b");
  await expect(page.getByLabel("Papers at this level")).toBeVisible();
  await page.keyboard.press("Alt+ArrowRight");
  await expect(name).not.toHaveText(before ?? "");
  await expect(page.getByLabel("Papers at this level")).toBeHidden();
  await expect(page.locator("[data-stays]")).toBeVisible();

  // The button that led here stays, too, but does not keep the focus: Enter types points, and does not go on once more.
  const second = await name.textContent();
  await page.getByRole("button", { name: /^Done, next/ }).focus();
  await page.keyboard.press("Enter");
  await expect(name).not.toHaveText(second ?? "");
  const third = await name.textContent();
  await expect(page.locator("body")).toBeFocused();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("textbox", { name: /^Points/ })).toBeFocused();
  await expect(name).toHaveText(third ?? "");
});

test("keys pressed on the way to another paper wait for it, and the paper before stays as it was", async ({ page }) => {
  await openDemo(page, "/score/flood-memo/mei-barrow");
  const rulers = page.getByRole("slider");
  const name = page.getByRole("heading", { level: 1 }).first();
  const verdicts = () => rulers.evaluateAll((all) => all.map((one) => one.getAttribute("aria-valuetext")));
  const before = await verdicts();
  await slowed(page, async () => {
    for (const key of ["Alt+ArrowRight", "2", "1", "Alt+ArrowRight", "3"]) await page.keyboard.press(key);
  });
  await expect(page.getByRole("button", { name: /^Undo: Oona Dufresne, Flood-frequency memo: .* Full/ })).toBeVisible();
  await expect(name).toHaveText("Oona Dufresne");
  await page.keyboard.press("Alt+ArrowLeft");
  await expect(name).toHaveText("Nadir Quill");
  await expect.poll(verdicts).toEqual(["15.5 points, Sound", "6 points, Asserted", "open"]);
  await page.keyboard.press("Alt+ArrowLeft");
  await expect(name).toHaveText("Mei Barrow");
  expect(await verdicts()).toEqual(before);
});

test("what is pressed right behind the key that opens a paper from the gradebook judges that paper", async ({
  page,
}) => {
  await openDemo(page, "/gradebook");
  const place = cell(page, "Field notebook", "Bram Oduya");
  await place.click();
  const before = await place.getAttribute("aria-label");
  await slowed(page, async () => {
    for (const key of ["Control+Enter", "2", "1"]) await page.keyboard.press(key);
  });
  const undo = page.getByRole("button", { name: /^Undo: / });
  await expect(undo).toHaveAccessibleName(/Bram Oduya, Field notebook: /);
  await goTo(page, "/courses/reading-rivers/gradebook");
  await expect(place).not.toHaveAttribute("aria-label", before ?? "");
});

test("words of a PDF are searched from place to place; its pages are listed", async ({ page }) => {
  await openDemo(page, "/score/flood-memo/sanna-wiik");
  await page.locator(".text-layer span").first().waitFor();
  await page.keyboard.press("/");
  const search = page.getByRole("search");
  await search.getByRole("textbox").fill("the gap");
  await expect(search.getByRole("status")).toHaveText(/^1 of [2-9]/);
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("ArrowDown");
  await expect(search.getByRole("status")).toHaveText(/^2 of/);
  await page.keyboard.press("Escape");
  await expect(search).toBeHidden();
});

test("while a level is chosen, papers at it lie beside", async ({ page }) => {
  await openDemo(page, "/score/flood-memo/anouk-brisk");
  await ruler(page, "Use of the record").focus();
  await page.keyboard.press("b");
  const beside = page.getByRole("complementary", { name: "Papers at this level" });
  await expect(beside.getByRole("region", { name: /^Beside:/ })).toHaveCount(2);
  await page.keyboard.press("Escape");
  await expect(beside).toBeHidden();
});

test("a group is judged as one, a member gets a part of their own, and one who is judged alone keeps it", async ({
  page,
}) => {
  await openDemo(page, "/plan/assignments/story-map");
  await page.getByRole("combobox", { name: /alone or in groups/i }).selectOption("groups");
  await page.getByRole("textbox", { name: "Group of Anouk Brisk" }).fill("Weir");
  await page.getByRole("textbox", { name: "Group of Bram Oduya" }).fill("Weir");
  await page.getByRole("button", { name: "Form 1 group" }).click();
  await allKept(page);
  await openDemo(page, "/score/story-map/anouk-brisk");
  const group = page.getByRole("region", { name: "Group: Weir" });
  await expect(group).toBeVisible();
  const sliders = page.getByRole("slider");
  const count = await sliders.count();
  await sliders.first().focus();
  for (let criterion = 0; criterion < count; criterion += 1) await page.keyboard.press("2");
  const total = group.getByRole("listitem").filter({ hasText: "Bram Oduya" }).locator("strong");
  await expect(total).toHaveText(/^\d/);
  const given = Number(await total.textContent());
  await group.getByRole("textbox", { name: "Own part of Bram Oduya" }).fill("-2");
  await page.keyboard.press("Enter");
  await expect(total).toHaveText(String(given - 2));
  await group.getByRole("button", { name: "Anouk Brisk alone" }).click();
  await sliders.first().focus();
  await page.keyboard.press("3");
  await expect(group.getByText("by themselves")).toBeVisible();
  await expect(total).toHaveText(String(given - 2));
});

test("a rubric asks for a passage; a level without one says so until one is linked", async ({ page }) => {
  await openDemo(page, "/plan/rubrics");
  await page.getByRole("link", { name: /memo/i }).first().click();
  await page.getByRole("checkbox", { name: "Asks for a passage of the work" }).first().check();
  await page.getByRole("button", { name: /Change the rubric|Apply|Keep/ }).click();
  await allKept(page);
  await openDemo(page, "/score/flood-memo/sanna-wiik");
  const card = page.getByRole("region", { name: "Use of the record" });
  await expect(card.getByText("Asks for a passage")).toBeVisible();
  await page.locator(".text-layer span").first().waitFor();
  await takeUp(page, "highest flow");
  await page.keyboard.press("1");
  await expect(card.getByText("Asks for a passage")).toBeHidden();
});

test("papers that were got ready ahead show their own work, forth and back, with their notes on it", async ({
  page,
}) => {
  await openDemo(page, "/score/flood-memo/cato-mirelle");
  const shown = async () => {
    const work = page.getByRole("region", { name: /^The work/ });
    const words = work.locator(".text-layer, .work-text, .work-word").first();
    await expect(words).toHaveText(/\S{3}/);
    const name = (await page.getByRole("heading", { level: 1 }).textContent()) ?? "";
    // A page of a PDF is painted, not only its words laid over it.
    await expect
      .poll(() =>
        work.locator("canvas").evaluateAll((canvases) => {
          const [first] = canvases as HTMLCanvasElement[];
          const data = first?.getContext("2d")?.getImageData(0, 0, first.width, first.height).data;
          return data?.some((value, at) => at % 4 === 0 && value < 128) ?? true;
        }),
      )
      .toBe(true);
    return { name, words: await words.textContent() };
  };
  const forth = [await shown()];
  for (let step = 0; step < 4; step += 1) {
    // Time for the next paper to be got ready, as a person who reads would leave.
    await page.waitForTimeout(700);
    await page.keyboard.press("Alt+ArrowRight");
    await expect(page.getByRole("heading", { level: 1 })).not.toHaveText(forth.at(-1)?.name ?? "");
    forth.push(await shown());
  }
  expect(new Set(forth.map(({ words }) => words)).size).toBe(5);
  const back = [];
  for (let step = 0; step < 4; step += 1) {
    await page.keyboard.press("Alt+ArrowLeft");
    await expect(page.getByRole("heading", { level: 1 })).not.toHaveText((back.at(-1) ?? forth.at(-1))?.name ?? "");
    back.push(await shown());
  }
  expect(back).toEqual(forth.slice(0, 4).reverse());
  await expect(page.getByRole("list", { name: "Notes in the margin" }).getByRole("listitem")).not.toHaveCount(0);
});

test("the whole rubric is read before scoring: levels of the marked criterion, all of it on a key and by search", async ({
  page,
}) => {
  await openDemo(page, "/score/flood-memo/ilse-tarnowe");
  const levels = page.getByRole("list", { name: "Levels of Use of the record" });
  await expect(levels).toContainText("All gauged years used; gaps named but not treated.");
  await page.keyboard.press("u");
  const whole = page.getByRole("dialog", { name: /the whole rubric/ });
  await expect(whole.getByRole("region", { name: "Plain writing" })).toContainText("Nothing to add");
  // Keys meant for nothing here do nothing to the paper below.
  await page.keyboard.press("m");
  await page.keyboard.press("3");
  await page.keyboard.press("Escape");
  await expect(whole).toBeHidden();
  await expect(levels).toBeVisible();
  await expect(page.getByRole("button", { name: "Missing", exact: true })).toHaveAttribute("aria-pressed", "false");
  await page.keyboard.press("Control+k");
  await page.keyboard.type("whole rub");
  await page.keyboard.press("Enter");
  await expect(whole).toBeVisible();
});

test("a criterion has a private note, which no student reads", async ({ page }) => {
  await openDemo(page, "/score/flood-memo/anouk-brisk");
  const card = page.getByRole("region", { name: "Use of the record" });
  await ruler(page, "Use of the record").focus();
  await card.getByRole("button", { name: "Private note on this criterion" }).click();
  await page.keyboard.type("Ask about the lost years.");
  await card.getByRole("textbox", { name: "Private note on Use of the record" }).blur();
  await allKept(page);
  await page.reload();
  await expect(card.getByText("Ask about the lost years.")).toBeVisible();
  await openDemo(page, "/release");
  await expect(page.getByText("Ask about the lost years.")).toHaveCount(0);
});

test("work that has no ruler says how it is judged", async ({ page }) => {
  await openDemo(page, "/score/question-paper/anouk-brisk");
  await expect(page.getByText("Type its score (Enter), with the paper beside you.")).toBeVisible();
});
