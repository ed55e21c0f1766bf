import { allKept, expect, expectWritten, openDemo, takeUp, test } from "./helpers";

test("words are kept as a phrase with a slash and used again for another student, in a comment and in a note", async ({
  page,
}) => {
  await openDemo(page, "/score/flood-memo/ilse-tarnowe");
  const overall = page.getByRole("textbox", { name: "Overall comment" });
  await page.keyboard.press("c");
  await expect(overall).toBeFocused();
  await page.keyboard.type("{given}, say which record you used; {score} of {maximum} so far. /");
  await expect(page.getByRole("option", { name: /^Keep “{given}, say which/ })).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("listbox", { name: "Phrases" })).toHaveCount(0);
  await expect(page.getByRole("button", { name: /^Undo: Phrase/ })).toBeVisible();
  // The words themselves are for nobody: they are taken back.
  await overall.fill("");
  await page.keyboard.press("Escape");
  await allKept(page);

  await page.keyboard.press("Alt+ArrowRight");
  await expect(page.getByRole("heading", { level: 1, name: "Jorun Nakade" })).toBeVisible();
  await page.keyboard.press("c");
  await page.keyboard.type("/which");
  await expect(page.getByRole("option", { name: /^Jorun, say which record you used/ })).toContainText("not used");
  await page.keyboard.press("Enter");
  await expectWritten(overall, "Jorun, say which record you used; – of 100 so far.");
  await page.keyboard.press("Control+Enter");
  await allKept(page);
  await page.reload();
  await expectWritten(overall, "Jorun, say which record you used; – of 100 so far.");

  await page.locator("[data-page='1'] :text-matches('[a-z]')").first().waitFor();
  await takeUp(page, "flood");
  await page.keyboard.press("n");
  await page.keyboard.type("/say");
  await expect(page.getByRole("option", { name: /say which record/ })).toContainText("used 1×");
  await page.keyboard.press("Delete");
  await expect(page.getByRole("option", { name: "No phrase kept yet" })).toBeVisible();
  await page.keyboard.press("Escape");
  await page.keyboard.press("Escape");
  await page.getByRole("heading", { level: 1 }).click();
  await expect(page.getByRole("button", { name: /^Undo: / })).toBeVisible();
});
