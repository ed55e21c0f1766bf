import type { Locator, Page } from "@playwright/test";
import { cell, expect, expectWritten, goTo, open, openDemo, ruler, test, writtenIn } from "./helpers";

interface Place {
  readonly name: string;
  readonly path: string;
  readonly field: (page: Page) => Locator;
  readonly words: string;
}

const PLACES: readonly Place[] = [
  {
    name: "the plan's shorthand",
    path: "/plan",
    field: (page) => page.getByLabel("New assignments, one line each"),
    words: "Extra sheet 1-",
  },
  {
    name: "the roster box",
    path: "/plan/course",
    field: (page) => page.getByLabel("Students, one a line"),
    words: "L29001, Tove Marr",
  },
  {
    name: "a letter in the post office",
    path: "/release/post",
    field: (page) => page.getByRole("textbox", { name: "Text" }),
    words: "Dear {given}, half a letter",
  },
  {
    name: "the line of the pile",
    path: "/pile/question-paper",
    field: (page) => page.getByLabel(/^Part of a name or number/),
    words: "mor 1",
  },
  { name: "a rule", path: "/plan/rules", field: (page) => page.getByLabel("Pass mark, %"), words: "47" },
];

test("half-typed: a line of the plan, of the roster and of the pile, a letter and a rule stand there again after going away, and after a reload", async ({
  page,
}) => {
  await openDemo(page);
  const stands = async ({ name, field, words }: Place, when: string) => {
    await expect(field(page), `${name}, ${when}`).toHaveValue(words);
    await expect(page.getByText("As you left it").first(), `${name}, ${when}`).toBeVisible();
  };
  for (const place of PLACES) {
    await goTo(page, `/courses/reading-rivers${place.path}`);
    await place.field(page).fill(place.words);
    await page.getByRole("link", { name: "Journal" }).click();
    await expect(page.getByRole("heading", { level: 1, name: "Journal" })).toBeVisible();
    await page.goBack();
    await stands(place, "after going away");
  }
  await page.reload();
  for (const place of PLACES.toReversed()) {
    await goTo(page, `/courses/reading-rivers${place.path}`);
    await stands(place, "after a reload");
  }
});

test("half-typed: words of a level, where papers are judged by the rubric", async ({ page }) => {
  await openDemo(page, "/plan/rubrics");
  await page.getByRole("link", { name: "Field notebook" }).click();
  const words = page.getByLabel(/^Words of /).first();
  await words.fill("Every day has an entry, and");
  await page.reload();
  await expect(words).toHaveValue("Every day has an entry, and");
  await expect(page.getByText("As you left it")).toBeVisible();
  await page.getByRole("button", { name: "Put it back" }).click();
  await page.reload();
  await expect(words).not.toHaveValue("Every day has an entry, and");
});

test("half-typed: a message to a student waits until it is sent", async ({ page }) => {
  await openDemo(page, "/score/story-map/bram-oduya");
  const talk = page.getByRole("region", { name: "Conversation" });
  await talk.getByRole("button").first().click();
  await talk.getByRole("textbox").fill("Which gauge did you");
  await page.reload();
  await talk.getByRole("button").first().click();
  await expect(talk.getByRole("textbox")).toHaveValue("Which gauge did you");
  await talk.getByRole("textbox").press("Control+Enter");
  await expect(talk.getByRole("list", { name: "Conversation" })).toContainText("Which gauge did you");
  await page.reload();
  await talk.getByRole("button").first().click();
  await expect(talk.getByRole("textbox")).toHaveValue("");
});

test("half-typed: an overall comment is there after a reload in the same breath", async ({ page }) => {
  await openDemo(page, "/score/flood-memo/mei-barrow");
  const comment = page.getByRole("textbox", { name: "Overall comment" });
  await comment.click();
  await page.keyboard.press("Control+End");
  await page.keyboard.type(" And one more thing");
  await page.reload();
  await expectWritten(comment, /And one more thing$/);
  await page.goBack();
  await page.goForward();
  await expectWritten(comment, /And one more thing$/);
});

test("half-typed: an overall comment in which a phrase is being looked for outlives a crash of its page", async ({
  page,
  context,
}) => {
  await openDemo(page, "/score/flood-memo/mei-barrow");
  const commentOn = (where: Page) => where.getByLabel("Overall comment", { exact: true });
  const before = await writtenIn(commentOn(page));
  await commentOn(page).click();
  await page.keyboard.press("Control+End");
  await page.keyboard.type("Well begun /uni");
  await expectWritten(commentOn(page), `${before}Well begun /uni`);
  const crashed = page.waitForEvent("crash");
  const devtools = await context.newCDPSession(page);
  void devtools.send("Page.crash").catch(() => null);
  await crashed;
  const next = await context.newPage();
  await open(next, "/courses/reading-rivers/score/flood-memo/mei-barrow");
  await expectWritten(commentOn(next), `${before}Well begun /uni`);
  await commentOn(next).fill(before);
  await next.reload();
  await expectWritten(commentOn(next), before);
});

test("half-typed: a criterion's points stand beside it as they were left, and open again", async ({ page }) => {
  await openDemo(page, "/score/flood-memo/mei-barrow");
  await ruler(page, "Use of the record").focus();
  await page.getByRole("button", { name: "Type points for Use of the record" }).click();
  await page.getByLabel("Points for Use of the record", { exact: true }).fill("7.");
  await page.reload();
  await page.getByRole("button", { name: "7., as you left it" }).click();
  await expect(page.getByLabel("Points for Use of the record", { exact: true })).toHaveValue("7.");
  await page.keyboard.press("Escape");
  await expect(page.getByText("as you left it")).toBeHidden();
});

test("what is refused in a cell stays there with its reason, and typing goes on where the mark is", async ({
  page,
}) => {
  await openDemo(page, "/gradebook");
  const refused = cell(page, "Question paper 1", "Faruq Rahel");
  const next = cell(page, "Question paper 1", "Greta Lindqvar");
  for (const words of ["60", "abc"]) {
    await refused.click();
    await page.keyboard.type(words);
    await next.click();
    await page.keyboard.type("35");
    await page.keyboard.press("Enter");
    await expect(next).toHaveText("35");
    await expect(refused).toHaveText(new RegExp(words));
    await expect(refused).toHaveAttribute("aria-label", new RegExp(`not entered: ${words}`));
    await expect(page.getByText(`Not entered: ${words} for Faruq Rahel, Question paper 1.`)).toBeVisible();
    await page.reload();
    await expect(refused).toHaveAttribute("aria-label", new RegExp(`not entered: ${words}`));
    await page.getByRole("button", { name: "Go to it" }).click();
    await expect(refused).toBeFocused();
    await expect(page.getByRole("alert")).toContainText("Not entered:");
    await page.keyboard.press("Escape");
    await expect(refused).not.toHaveAttribute("aria-label", /not entered/);
    await next.click();
    await page.keyboard.press("Delete");
  }
});

test("a score on an excused cell is asked about, left alone it stays in sight, and Enter twice keeps it", async ({
  page,
}) => {
  await openDemo(page, "/gradebook");
  const excused = cell(page, "Question paper 1", "Faruq Rahel");
  await excused.click();
  await page.keyboard.press("x");
  await expect(excused).toHaveText("excused");
  await page.keyboard.type("40");
  await cell(page, "Question paper 1", "Mei Barrow").click();
  await expect(excused).toHaveAttribute("aria-label", /not entered: 40/);
  await excused.dblclick();
  await page.keyboard.press("Enter");
  await page.keyboard.press("Enter");
  await expect(excused).toHaveText("40");
});

test("the hint stands above the field: the cells one types in next are never covered", async ({ page }) => {
  await openDemo(page, "/gradebook");
  const field = cell(page, "Question paper 1", "Faruq Rahel");
  await field.click();
  await page.keyboard.type("abc");
  const hint = await page.getByRole("alert").boundingBox();
  const box = await field.boundingBox();
  expect((hint?.y ?? 0) + (hint?.height ?? 0)).toBeLessThanOrEqual(box?.y ?? 0);
});
