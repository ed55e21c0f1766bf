import { allKept, alone, cell, expect, goTo, openDemo, ruler, slowed, test } from "./helpers";

test("one student over the whole course: the total explained, what is still needed, and the way to the next", async ({
  page,
}) => {
  await openDemo(page);
  // Work that is scored on a scale says so instead of points, and shows the level that was given.
  await expect(page.getByText("on paper · due 11 Sep 2026 · pass or not yet")).toBeVisible();
  await goTo(page, "/courses/reading-rivers/students");
  await page.getByRole("link", { name: "Faruq Rahel", exact: true }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Faruq Rahel" })).toBeVisible();
  await expect(page.getByRole("img", { name: /^Lowest .* now .* highest/ })).toBeVisible();
  await expect(page.getByRole("row", { name: /^Safety check/ })).toContainText("Pass");
  await expect(page.getByRole("region", { name: "Still needed" })).toContainText("the pass mark, 60 %");
  await page.getByText("Field notebook set by hand").click();
  await expect(page.getByText(/replaced by hand/)).toBeVisible();
  await page.getByLabel("Note about this student").fill("Works at the weir on Fridays.");
  await page.getByRole("button", { name: "Next student" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Greta Lindqvar" })).toBeVisible();
  await page.getByRole("button", { name: "Student before" }).click();
  await expect(page.getByLabel("Note about this student")).toHaveValue("Works at the weir on Fridays.");
});

test("the journal is filtered, tells from what to what, and undoes one old change by itself", async ({ page }) => {
  await openDemo(page, "/gradebook");
  await cell(page, "Question paper 1", "Faruq Rahel").click();
  await page.keyboard.type("31");
  await page.keyboard.press("Enter");
  await page.keyboard.type("28");
  await page.keyboard.press("Enter");
  await allKept(page);
  await page.getByRole("link", { name: "Journal" }).click();
  await page.getByRole("combobox", { name: "Student", exact: true }).selectOption("Faruq Rahel");
  await page.getByLabel("Kind of change").selectOption("Scores and standings");
  const line = page.getByRole("row").filter({ hasText: "Faruq Rahel, Question paper 1: score 31" });
  await line.locator("summary").click();
  await expect(line).toContainText("score: nothing → 31");
  await line.getByRole("button", { name: /^Undo/ }).click();
  await expect(page.getByRole("row").filter({ hasText: "Undone: Faruq Rahel, Question paper 1" })).toBeVisible();
  await page.getByRole("link", { name: "Gradebook" }).click();
  await expect(cell(page, "Question paper 1", "Faruq Rahel")).toHaveText("waiting");
  await expect(cell(page, "Question paper 1", "Greta Lindqvar")).toHaveText("28");
});

test("Ctrl K finds a student, an assignment and an action", async ({ page }) => {
  await openDemo(page);
  await page.keyboard.press("Control+k");
  await page.keyboard.type("jorun");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { level: 1, name: "Jorun Nakade" })).toBeVisible();
  await page.keyboard.press("Control+k");
  await page.keyboard.type("sketch pile");
  await expect(page.getByRole("option").first()).toContainText("Site sketch");
  // What is typed right behind it is for where it leads.
  await slowed(page, async () => {
    for (const key of ["Enter", "G", "r", "e"]) await page.keyboard.press(key);
  });
  await expect(page.getByRole("heading", { level: 1, name: "Site sketch: from the pile" })).toBeVisible();
  await expect(page.locator("#pile-hint")).toContainText("Greta Lindqvar");
  await page.keyboard.press("Control+k");
  await page.keyboard.type("zzz");
  await expect(page.getByText("Nothing of that name.")).toBeVisible();
});

alone("what is typed while the search is on its way goes to it, and to no paper", async ({ page }) => {
  await openDemo(page, "/score/flood-memo/mei-barrow");
  // The search is asked for before its script has come.
  const held: (() => void)[] = [];
  await page.route(/command-dialog/, async (route) => {
    await new Promise<void>((resolve) => held.push(resolve));
    await route.continue();
  });
  await page.reload({ waitUntil: "domcontentloaded" });
  await page.locator("html[data-ready]").waitFor();
  await ruler(page, "Use of the record").focus();
  await page.keyboard.press("Control+k");
  await page.keyboard.type("x1mjorum");
  for (let letter = 0; letter < 2; letter += 1) await page.keyboard.press("Backspace");
  for (const letter of ["u", "n"]) await page.keyboard.press(letter);
  await expect.poll(() => held.length).toBeGreaterThan(0);
  for (const go of held) go();
  const field = page.getByRole("combobox", { name: "Find a student, an assignment, an action" });
  await expect(field).toHaveValue("x1mjorun");
  await expect(field).toBeFocused();
  await page.keyboard.type("e");
  await expect(field).toHaveValue("x1mjorune");
  await page.keyboard.press("Escape");
  await expect(page.getByRole("button", { name: "Missing", exact: true })).toHaveAttribute("aria-pressed", "false");
});

test("pile entry asks which one, says who is entered already, and puts a line right where it stands", async ({
  page,
}) => {
  await openDemo(page, "/pile/question-paper");
  const field = page.getByLabel("Part of a name or number, the score, Enter");
  await field.fill("an 20");
  await expect(page.locator("#pile-hint")).toHaveText(/Which one\?|Anouk Brisk/);
  await field.fill("nadir 41 l1: clear units");
  await expect(page.locator("#pile-hint")).toContainText("41 → 38.5 after 1 day late");
  await field.press("Enter");
  await expect(page.getByRole("textbox", { name: "Entry of Nadir Quill" })).toHaveValue("41 l1");
  await expect(page.getByText("clear units")).toBeVisible();
  await field.fill("nadir 12");
  await field.press("Enter");
  await expect(page.locator("#pile-hint")).toContainText("Nadir Quill has 41 l1 already");
  await field.press("Escape");
  const entry = page.getByRole("textbox", { name: "Entry of Nadir Quill" });
  await entry.fill("39");
  await entry.press("Enter");
  await expect(page.getByRole("button", { name: /^Undo: Nadir Quill, Question paper 1: score 39/ })).toBeVisible();
});

test("what is typed from the pile right behind the choice of an assignment is for that one", async ({ page }) => {
  await openDemo(page, "/pile/question-paper");
  const field = page.getByLabel("Part of a name or number, the score, Enter");
  await expect(field).toBeFocused();
  await slowed(page, async () => {
    // It is typed on in the breath of the choice, while the list still has the focus.
    await page.evaluate(() => {
      const choice = document.querySelector<HTMLSelectElement>('select[aria-label="Assignment"]');
      const exam = [...(choice?.options ?? [])].find(({ text }) => text === "Field exam");
      if (!choice || !exam) throw new Error("no field exam to choose");
      choice.focus();
      choice.value = exam.value;
      choice.dispatchEvent(new Event("change", { bubbles: true }));
    });
    await page.keyboard.type("jor 20");
    await page.keyboard.press("Enter");
  });
  await expect(page.getByRole("button", { name: /^Undo: Jorun Nakade, Field exam: score 20/ })).toBeVisible();
  await expect(page.getByRole("textbox", { name: "Entry of Jorun Nakade" })).toHaveValue("20");
  await goTo(page, "/courses/reading-rivers/pile/question-paper");
  await expect(field).toHaveValue("");
  await expect(page.getByRole("textbox", { name: "Entry of Jorun Nakade" })).toHaveCount(0);
});
