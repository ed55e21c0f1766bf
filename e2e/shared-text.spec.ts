import { allKept, expect, goTo, open, openDemo, test } from "./helpers";

const MEMO = "/courses/reading-rivers/check?assignment=flood-memo&view=shared";

test("a copied paragraph is found, read side by side, walked by key, and cleared with a word that lasts", async ({
  page,
}) => {
  await openDemo(page, "/check?assignment=flood-memo&view=shared");
  await page.getByRole("button", { name: "Look at 25 hand-ins" }).click();
  const pairs = page.getByRole("list", { name: "Hand-ins that share text" });
  await expect(pairs.getByText("Paz Verano, Yusuf Calder", { exact: true })).toBeVisible({ timeout: 60_000 });
  await expect(page.getByRole("region", { name: "Shared text, in short" })).toContainText("Paz Verano, Yusuf Calder");
  await pairs.getByRole("button", { name: "Side by side Paz Verano and Yusuf Calder" }).click();
  const left = page.getByRole("region", { name: "Text of Paz Verano" });
  const right = page.getByRole("region", { name: "Text of Yusuf Calder" });
  await expect(left.locator("mark").first()).toContainText("The survey of 2004 shows the crown of");
  await expect(right.locator("mark").first()).toContainText("The survey of 2004 shows the crown of");
  await page.keyboard.press("]");
  await expect(page.getByText(/words in common, passage 1 of 1/)).toBeVisible();
  await page.goBack();
  await expect(pairs).toBeVisible();
  await page.goForward();
  await expect(left).toBeVisible();
  await page.getByRole("button", { name: "Back to the pairs" }).click();
  await pairs.getByRole("button", { name: "Clear Paz Verano and Yusuf Calder" }).click();
  await page
    .getByRole("textbox", { name: "Why Paz Verano and Yusuf Calder may stay" })
    .fill("wrote it together on the site visit");
  await page.keyboard.press("Enter");
  await allKept(page);
  await expect(page.getByRole("region", { name: "Shared text, in short" })).not.toContainText("Yusuf Calder");
  // What was found goes with the tab, what was decided stays.
  await open(page, MEMO);
  await page.getByRole("button", { name: "Look at 25 hand-ins" }).click();
  await expect(page.getByRole("textbox", { name: "Why Paz Verano and Yusuf Calder may stay" })).toHaveValue(
    "wrote it together on the site visit",
    { timeout: 60_000 },
  );
});

test("last year's course file is held against this year's hand-ins, and nothing of it is kept", async ({
  page,
}, info) => {
  await openDemo(page, "/files");
  const saved = page.waitForEvent("download");
  await page.getByRole("button", { name: "Make a course file" }).click();
  const path = info.outputPath("last-year.zip");
  await (await saved).saveAs(path);
  await goTo(page, MEMO);
  const choice = page.waitForEvent("filechooser");
  await page.getByRole("button", { name: "Against another course file too…" }).click();
  await (await choice).setFiles(path);
  const pairs = page.getByRole("list", { name: "Hand-ins that share text" });
  // The same course a year later: everybody shares all with themselves.
  await expect(pairs).toContainText("Bram Oduya, Bram Oduya (Reading Rivers)", { timeout: 90_000 });
  await expect(page.getByRole("status").filter({ hasText: "with those of last-year.zip" })).toBeVisible();
  await goTo(page, "/courses");
  await expect(page.getByRole("link", { name: /Reading Rivers/ })).toHaveCount(1);
});

test("a file that is no course file is refused with its reason, and what was found stays", async ({ page }, info) => {
  await openDemo(page, "/check?assignment=flood-memo&view=shared");
  const { writeFile } = await import("node:fs/promises");
  const path = info.outputPath("holiday.zip");
  await writeFile(path, "no archive");
  const choice = page.waitForEvent("filechooser");
  await page.getByRole("button", { name: "Against another course file too…" }).click();
  await (await choice).setFiles(path);
  await expect(page.getByText(/holiday\.zip was not read in\..*Nothing was changed\./)).toBeVisible();
  await expect(page.getByRole("button", { name: "Look at 25 hand-ins" })).toBeEnabled();
});
