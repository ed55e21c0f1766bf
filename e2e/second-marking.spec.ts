import { allKept, expect, goTo, openDemo, slowed, test } from "./helpers";

const MEMO = "/courses/reading-rivers/check?assignment=flood-memo&view=second";

test("a sample is chosen, marked a second time by keys, settled, and held from release until then", async ({
  page,
}) => {
  await openDemo(page, "/check?assignment=flood-memo&view=second");
  const form = page.getByRole("form", { name: "Sample for second marking" });
  await form.getByLabel("How papers are chosen").selectOption("named");
  await form.getByText("Bram Oduya").click();
  await form.getByText("Esi Okonwe").click();
  await form.getByLabel("Second marker").fill("I. Marsh");
  await form.getByRole("button", { name: "Choose 2 papers" }).click();
  await page.getByRole("link", { name: "Mark as I. Marsh" }).click();
  // Blind: the paper has a number and no name, and nothing of the first judgement.
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Paper 1");
  const main = page.getByRole("main");
  await expect(main.getByRole("region", { name: "The work: Paper 1.docx" })).toBeVisible();
  // What a writer put into the work itself stands there; nothing round it tells of it.
  const round = await main.evaluate((element) => element.outerHTML);
  expect(round).not.toMatch(/Bram|Oduya|R\. Halden/i);
  const record = page.getByRole("slider", { name: "Use of the record" });
  await expect(record).toBeFocused();
  await expect(record).toHaveAttribute("aria-valuetext", "open");
  // Faster than the page: each key is for the criterion and the paper that the hand has gone on to.
  await slowed(page, async () => {
    for (const key of ["2", "2", "2", "Alt+ArrowRight", "3", "3", "3"]) await page.keyboard.press(key);
  });
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Paper 2");
  await expect(page.getByText("100 of 100")).toBeVisible();
  await page.keyboard.press("Alt+ArrowLeft");
  await expect(page.getByText("71 of 100")).toBeVisible();
  await page.keyboard.press("Alt+ArrowRight");
  await expect(page.getByRole("slider", { name: "Use of the record" })).toBeFocused();
  await page.getByRole("textbox", { name: /To the first marker/ }).fill("I read the appendix as part of it.");
  await page.keyboard.press("Tab");
  await allKept(page);
  await page.reload();
  await expect(page.getByText("100 of 100")).toBeVisible();
  await page.getByRole("link", { name: "Second marking" }).click();

  const settle = page.getByRole("region", { name: "To settle" });
  await expect(settle).toContainText("Second marker: I read the appendix as part of it.");
  await settle.getByRole("button", { name: "Read the paper here of Bram Oduya" }).click();
  await expect(settle.getByText("Levels, not flows", { exact: false }).first()).toBeVisible();
  await settle.getByRole("button", { name: "Close the paper of Bram Oduya" }).click();
  await goTo(page, "/courses/reading-rivers/release?assignment=flood-memo");
  const before = page.getByRole("list", { name: "Before the release" });
  await expect(before).toContainText(/Second marking: \d papers? not settled/);
  await before.getByRole("link", { name: /^Settle/ }).click();
  await expect(page).toHaveURL(/check\?assignment=flood-memo&view=second/);

  await expect(settle).toContainText("2 papers to settle");
  for (const name of ["Bram Oduya", "Esi Okonwe"]) {
    const card = settle.getByRole("listitem", { name, exact: true });
    await card.getByLabel("Reason").fill("Both read it again.");
    await card.getByRole("button", { name: /^Mean/ }).click();
    await expect(card).toBeHidden();
  }
  await expect(settle).toContainText("All is settled: the assignment can be released");
  await page.keyboard.press("Control+z");
  await expect(settle).toContainText("1 paper to settle");
  await page.keyboard.press("Control+y");
  await expect(settle).toContainText("All is settled");
  await page.getByRole("button", { name: /As a table/ }).click();
  await expect(page.getByRole("table", { name: "Papers judged twice" }).getByRole("row")).toHaveCount(3);
  await goTo(page, "/courses/reading-rivers/journal");
  await expect(page.getByText(/Esi Okonwe, Flood-frequency memo: settled, the mean/).first()).toBeVisible();
  await goTo(page, "/courses/reading-rivers/release?assignment=flood-memo");
  await expect(before).not.toContainText("Second marking");
});

test("a release is refused while a paper is not settled, and says so", async ({ page }) => {
  await openDemo(page, "/check?assignment=field-notebook&view=second");
  const form = page.getByRole("form", { name: "Sample for second marking" });
  await form.getByLabel("How papers are chosen").selectOption("random");
  await form.getByLabel("How many").fill("3");
  await form.getByLabel("Second marker").fill("I. Marsh");
  await form.getByRole("button", { name: "Choose 3 papers" }).click();
  await expect(page.getByText("3 papers, blind, by I. Marsh: 0 judged twice, 3 to judge.")).toBeVisible();
  await goTo(page, "/courses/reading-rivers/release?assignment=field-notebook");
  await expect(page.getByRole("button", { name: "Stopped, see below" })).toBeDisabled();
  await expect(page.getByText(/Field notebook was not released\..*Second marking: 3 papers not settled/)).toBeVisible();
  await goTo(page, "/courses/reading-rivers/check?assignment=field-notebook&view=second");
  await page.getByRole("button", { name: "End second marking" }).click();
  await page.getByRole("button", { name: "End it" }).click();
  await expect(form).toBeVisible();
  await goTo(page, MEMO);
  await expect(form).toBeVisible();
});
