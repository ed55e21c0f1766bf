import { allKept, expect, goTo, openDemo, test } from "./helpers";

const HOME = "/courses/reading-rivers";

test("a student answers in their window; the reply waits until it is read, and the conversation goes on", async ({
  page,
}) => {
  await openDemo(page);
  await goTo(page, "/window/reading-rivers/aldous-brenn");
  const theirs = page.getByRole("region", { name: "Conversation on Gauging report" });
  await theirs.getByRole("textbox").fill("Thank you. What would a good figure for the error be?");
  await theirs.getByRole("button", { name: /^Send/ }).click();
  await expect(theirs.getByRole("list", { name: "Conversation" })).toContainText("What would a good figure");

  await goTo(page, HOME);
  await expect(page.getByText("1 unread reply:")).toBeVisible();
  await page.getByRole("link", { name: "read what students wrote" }).click();
  await page.getByRole("region", { name: "Unread replies" }).getByRole("link", { name: "Aldous Brenn" }).click();
  const talk = page.getByRole("region", { name: "Conversation with the student" });
  await expect(talk.getByText("1 unread reply")).toBeVisible();
  await talk.getByRole("button", { name: /1 message/ }).click();
  await expect(talk).toContainText("What would a good figure");
  await talk.getByRole("textbox").fill("Half of the smallest step of your rod.");
  await page.keyboard.press("Control+Enter");
  await expect(talk.getByRole("list", { name: "Conversation" }).getByRole("listitem")).toHaveCount(2);
  await expect(talk.getByText("1 unread reply")).toBeHidden();
  await allKept(page);
  // Undoing takes back what the instructor wrote, never what the student did.
  await page.keyboard.press("Escape");
  await page.getByRole("heading", { level: 1 }).click();
  await page.keyboard.press("Control+z");
  await expect(talk.getByRole("list", { name: "Conversation" }).getByRole("listitem")).toHaveCount(1);
  await page.keyboard.press("Control+y");
  await expect(talk.getByRole("list", { name: "Conversation" }).getByRole("listitem")).toHaveCount(2);
  await allKept(page);

  await goTo(page, "/window/reading-rivers/aldous-brenn");
  await expect(theirs).toContainText("Half of the smallest step");
  await theirs.getByRole("button", { name: "Mark as read" }).click();
  await expect(theirs.getByRole("button", { name: "Mark as read" })).toBeHidden();
  await goTo(page, HOME);
  await expect(page.getByText("unread reply")).toHaveCount(0);
});

test("strong words are set by a key; the student reads them set, and a file goes along", async ({ page }) => {
  await openDemo(page, "/score/gauging-report/cato-mirelle");
  const comment = page.getByRole("textbox", { name: "Overall comment" });
  await expect(comment).toHaveAttribute("contenteditable", "true");
  await comment.fill("A report to keep");
  await comment.selectText();
  await page.keyboard.press("Control+b");
  await expect(comment.locator("strong")).toHaveText("A report to keep");
  await page.keyboard.press("Escape");
  await page
    .getByLabel("A file as feedback")
    .setInputFiles({ name: "worked example.csv", mimeType: "text/csv", buffer: Buffer.from("stage,flow\n1,4\n") });
  await expect(page.getByRole("list", { name: "Files" })).toContainText("worked example.csv");
  await allKept(page);
  await goTo(page, `${HOME}/release?assignment=gauging-report`);
  const correction = page.getByRole("row").filter({ hasText: "Cato Mirelle" }).first();
  await correction.getByRole("button", { name: /^Release/ }).click();
  await allKept(page);
  await goTo(page, "/window/reading-rivers/cato-mirelle");
  await expect(page.locator("strong", { hasText: "A report to keep" })).toBeVisible();
  await expect(page.getByRole("list", { name: "Files" })).toContainText("worked example.csv");
});

test("a comment is written as it is read: a list, a link, strong words; stored as text, and old ones stay as they are", async ({
  page,
}) => {
  await openDemo(page, "/score/gauging-report/cato-mirelle");
  const comment = page.getByRole("textbox", { name: "Overall comment" });
  await expect(comment).toHaveAttribute("contenteditable", "true");
  await comment.fill("");
  await page.keyboard.type("Two things, 2 * 3 of them in the table:");
  await page.keyboard.press("Enter");
  await page.keyboard.type("- the rating curve");
  await page.keyboard.press("Enter");
  await page.keyboard.type("see https://gauge.example/rating first");
  await expect(comment.getByRole("listitem")).toHaveText([
    "the rating curve",
    "see https://gauge.example/rating first",
  ]);
  await expect(comment.getByRole("link")).toHaveAttribute("href", "https://gauge.example/rating");
  await page.keyboard.press("Escape");
  await allKept(page);
  await page.reload();
  await expect(comment).toHaveAttribute("contenteditable", "true");
  await expect(comment.getByRole("listitem").last()).toHaveText("see https://gauge.example/rating first");
  // Looked at and left, nothing is written anew.
  const undo = page.getByRole("button", { name: /^Undo: / });
  const before = await undo.getAttribute("aria-label");
  await comment.focus();
  await page.keyboard.press("Escape");
  await allKept(page);
  await expect(undo).toHaveAttribute("aria-label", before ?? "");
  await goTo(page, `${HOME}/release?assignment=gauging-report`);
  const correction = page.getByRole("row").filter({ hasText: "Cato Mirelle" }).first();
  await correction.getByRole("button", { name: /^Release/ }).click();
  await goTo(page, "/window/reading-rivers/cato-mirelle");
  const letter = page.getByRole("article").filter({ hasText: "Two things, 2 * 3 of them in the table:" });
  await expect(letter.getByRole("listitem").filter({ hasText: "the rating curve" })).toBeVisible();
  await expect(letter.getByRole("link", { name: "https://gauge.example/rating" })).toHaveAttribute("target", "_blank");
});
