import { allKept, expect, margin, openDemo, slowed, takeUp, test } from "./helpers";

test("one question over all answers is judged by keys alone: one for each answer", async ({ page }) => {
  await openDemo(page, "/answers/practice?question=why&equal=apart");
  const lines = page.getByRole("list", { name: "Answers" }).locator(":scope > li");
  await expect(lines).toHaveCount(21);
  await expect(page.getByText("17 of 21 wait")).toBeVisible();
  let keys = 0;
  for (let line = 0; line < 21; line += 1) {
    const waits = await lines.nth(line).getByText("waits", { exact: true }).isVisible();
    await page.keyboard.press(waits ? "6" : "ArrowDown");
    keys += 1;
  }
  console.log(`${String(keys)} keys for 21 answers`);
  expect(keys).toBeLessThanOrEqual(21);
  await expect(page.getByText("nothing waits")).toBeVisible();
  await page.keyboard.press("h");
  await expect(lines.first()).toContainText("Answer 1");
  await allKept(page);
  await page.reload();
  await expect(page.getByText("nothing waits")).toBeVisible();
});

test("a digit after the key for the next question judges an answer to that one, however fast it comes", async ({
  page,
}) => {
  await openDemo(page, "/answers/practice?question=why&equal=apart");
  await expect(page.getByText("17 of 21 wait")).toBeVisible();
  const question = page.getByRole("combobox", { name: "Question" });
  const name = () => question.evaluate((list: HTMLSelectElement) => list.selectedOptions[0]?.text ?? "");
  const was = await name();
  await slowed(page, async () => {
    for (const key of ["[", "1"]) await page.keyboard.press(key);
  });
  await expect.poll(name).not.toBe(was);
  await expect(page.getByRole("button", { name: /^Undo: / })).toBeVisible();
  await page.keyboard.press("]");
  await expect.poll(name).toBe(was);
  await expect(page.getByText("17 of 21 wait")).toBeVisible();
});

test("equal answers stand together, are judged and written to at once, and can be taken apart", async ({ page }) => {
  await openDemo(page, "/answers/practice");
  const lines = page.getByRole("list", { name: "Answers" }).locator(":scope > li");
  const group = lines.filter({ hasText: "more" }).first();
  await expect(group).toBeVisible();
  const together = await lines.count();
  await group.getByRole("button").first().click();
  await page.keyboard.press("1");
  await expect(page.getByRole("button", { name: /^Undo: \d+ equal answers, Practice questions/ })).toBeVisible();
  await allKept(page);
  await page.keyboard.press("Control+z");
  await group.getByRole("button", { name: "Take apart" }).click();
  await expect.poll(() => lines.count()).toBeGreaterThan(together);
  await page.getByRole("checkbox", { name: "Equal answers together" }).click();
  await expect(lines).toHaveCount(21);
  await page.reload();
  await expect(lines).toHaveCount(21);
});

test("a changed key shows whose scores it changes before it is kept; by hand stays by hand", async ({ page }) => {
  await openDemo(page, "/answers/practice?question=why");
  for (let line = 0; line < 21; line += 1) await page.keyboard.press("6");
  await expect(page.getByText("nothing waits")).toBeVisible();
  await allKept(page);
  await page.getByRole("link", { name: "Questions and keys" }).click();
  await page.getByRole("textbox", { name: "Number" }).first().fill("41");
  await page.getByRole("textbox", { name: "Give or take" }).first().fill("0");
  const effects = page.getByRole("region", { name: "What changes" });
  await expect(effects).toContainText("21 scores would change");
  await page.getByRole("button", { name: "Keep 6 questions" }).click();
  await expect(effects).toBeHidden();
  await allKept(page);
  await page.keyboard.press("Control+z");
  await expect(page.getByRole("textbox", { name: "Number" }).first()).toHaveValue("42");
});

test("answers are read in from a list; who is not on the roster is named and left out", async ({ page }) => {
  await openDemo(page, "/plan/assignments/practice/questions");
  await page
    .getByRole("textbox", { name: "Answers, a line for each student" })
    .fill("student,1,3\nCato Mirelle,42,B\nNobody Known,1,A");
  await expect(page.getByText('Line 3: "Nobody Known" is no number')).toBeVisible();
  await page.getByRole("button", { name: "Take in the answers of 1 student" }).click();
  await expect(page.getByText("Answers of 1 student taken in.")).toBeVisible();
  await allKept(page);
  await openDemo(page, "/score/practice/cato-mirelle");
  await expect(page.getByRole("region", { name: "Answers" })).toContainText("42");
});

test("a student's posts stand in full, the others' of their threads are folded beside them; a remark stays on its words", async ({
  page,
}) => {
  await openDemo(page, "/score/seminar/cato-mirelle");
  const work = page.getByRole("region", { name: /The work/ });
  await expect(work.locator("article").first()).toContainText("I compared the lowest stage of each summer");
  const other = work.locator("details").filter({ hasText: "Sanna Wiik" }).first();
  await expect(other.locator("p")).toBeHidden();
  await other.locator("summary").click();
  await expect(other.locator("p")).toContainText("Would the bed not have moved");
  await takeUp(page, "11 cm, give or take 3");
  await page.keyboard.press("n");
  await page.keyboard.type("How did you get the 3?");
  await page.keyboard.press("Control+Enter");
  await allKept(page);
  await page.reload();
  await expect(margin(page).getByText("How did you get the 3?")).toBeVisible();
  await expect(margin(page).getByText("not in this text any more")).toHaveCount(0);
});

test("posts are read in from a list and become hand-ins", async ({ page }) => {
  await openDemo(page, "/plan/assignments/seminar/posts");
  await page
    .getByRole("textbox", { name: "Posts" })
    .fill(
      "student,post id,reply to,time,text\nClea Vantor,a,,2026-11-20 10:00,Where does the sand go?\nDov Amsel,b,a,2026-11-20 11:00,Behind the weir.",
    );
  await page.getByRole("button", { name: "Take in 2 posts of 2 students" }).click();
  await expect(page.getByText("2 posts of 2 students taken in.")).toBeVisible();
  await allKept(page);
  await openDemo(page, "/score/seminar/dov-amsel");
  const work = page.getByRole("region", { name: /The work/ });
  await expect(work.getByText("Behind the weir.")).toBeVisible();
  await expect(work.locator("summary")).toContainText("Clea Vantor");
});
