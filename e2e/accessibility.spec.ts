import type { BrowserContextOptions, Page } from "@playwright/test";
import { axeFinds } from "./axe";
import { dropInbox } from "./demo-inbox";
import { alone, expect, faultsOf, goTo, openDemo, still, takeUp } from "./helpers";

/** The demo course in a page that all screens are looked at in, one after the other: looking changes nothing. */
const test = alone.extend<object, { readonly demo: { readonly page: Page; readonly faults: string[] } }>({
  demo: [
    async ({ browser }, use, { project }) => {
      const page = await browser.newPage({ ...(project.use as BrowserContextOptions), reducedMotion: "reduce" });
      const faults = await faultsOf(page, project.use.baseURL ?? "");
      await openDemo(page);
      await use({ page, faults });
      await page.close();
    },
    { scope: "worker" },
  ],
});
// Nothing glides from one colour to the other while it is looked at.
test.use({ contextOptions: { reducedMotion: "reduce" } });

const SCREENS: readonly (readonly [name: string, place: string])[] = [
  ["course board", ""],
  ["desk with a PDF", "/score/flood-memo/hano-abeyra"],
  ["desk with Markdown", "/score/flood-memo/aldous-brenn"],
  ["desk without work", "/score/field-notebook/mei-barrow"],
  ["desk with a Word file", "/score/flood-memo/bram-oduya"],
  ["desk with a drawing", "/score/site-sketch/esi-okonwe"],
  ["collect", "/collect"],
  ["zones of a paper", "/score/flood-memo/hano-abeyra/zones"],
  ["sweep", "/sweep/flood-memo"],
  ["list of what waits", "/waiting"],
  ["quick list", "/quick/seminar"],
  ["answers", "/answers/practice"],
  ["questions", "/plan/assignments/practice/questions"],
  ["posts", "/plan/assignments/seminar/posts"],
  ["discussion", "/score/seminar/cato-mirelle"],
  ["answers of one student", "/score/practice/anouk-brisk"],
  ["gradebook", "/gradebook"],
  ["spread and criteria", "/check?assignment=flood-memo"],
  ["criteria", "/check?assignment=field-notebook&view=criteria"],
  ["questions of Check", "/check?assignment=practice&view=questions"],
  ["scaling", "/check?assignment=field-notebook&view=scaling"],
  ["sample for second marking", "/check?assignment=flood-memo&view=second"],
  ["packets", "/check?assignment=flood-memo&view=packets"],
  ["shared text", "/check?assignment=flood-memo&view=shared"],
  ["letters", "/check/course"],
  ["release", "/release?assignment=site-sketch"],
  ["seal of a total", "/release?total=course"],
  ["leak check", "/release/leaks?assignment=site-sketch&facets=rubric"],
  ["student copies", "/release/deliver"],
  ["post office", "/release/post"],
  ["reminders", "/release/remind?kind=below&assignment=flood-memo"],
  ["final grades", "/release/grades"],
  ["plan", "/plan"],
  ["course and roster", "/plan/course"],
  ["rules", "/plan/rules"],
  ["rubrics", "/plan/rubrics"],
  ["assignment", "/plan/assignments/flood-memo"],
  ["pile", "/pile/question-paper"],
  ["student", "/students/faruq-rahel"],
  ["students", "/students"],
  ["journal", "/journal"],
  ["files", "/files"],
  ["lock", "/lock"],
];

/** By daylight all rules, by lamplight those of colour. */
async function checkBothLights(page: Page): Promise<void> {
  await page.emulateMedia({ colorScheme: "light" });
  expect(await axeFinds(page), "by daylight").toEqual([]);
  await page.emulateMedia({ colorScheme: "dark" });
  expect(await axeFinds(page, { onlyColour: true }), "by lamplight").toEqual([]);
  await page.emulateMedia({ colorScheme: "light" });
}

/** Nothing stands beside the edge of a narrow window. */
async function expectNoSidewaysScroll(page: Page): Promise<void> {
  const wide = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
  expect(wide).toBeLessThanOrEqual(0);
}

/** The page as it stands, narrow and wide; colours are the same at every width, and judged in both lights at one. */
async function checkBothWidths(page: Page): Promise<void> {
  await page.setViewportSize({ width: 1024, height: 768 });
  await still(page);
  await expectNoSidewaysScroll(page);
  expect(await axeFinds(page), "1024 wide").toEqual([]);
  await page.setViewportSize({ width: 1280, height: 768 });
  await still(page);
  await expectNoSidewaysScroll(page);
  await checkBothLights(page);
}

for (const [name, place] of SCREENS) {
  test(`axe finds nothing on the ${name}, by daylight and by lamplight, and it fits 1024 pixels`, async ({ demo }) => {
    const { page, faults } = demo;
    await page.setViewportSize({ width: 1280, height: 800 });
    await goTo(page, `/courses/reading-rivers${place}`);
    await expect(page.locator("h1").first()).toBeAttached();
    await still(page);
    await checkBothLights(page);
    await page.setViewportSize({ width: 1024, height: 768 });
    await still(page);
    await expectNoSidewaysScroll(page);
    expect(faults.splice(0)).toEqual([]);
  });
}

test("axe finds nothing on the lock of a locked course, and on what stands there while it is locked", async ({
  page,
}) => {
  await openDemo(page, "/lock");
  await page.getByLabel("Passphrase", { exact: true }).fill("seven wet herons");
  await page.getByLabel("Once more").fill("seven wet herons");
  await page.getByRole("button", { name: "Lock the course", exact: true }).last().click();
  await page.waitForURL(/\/courses\/c-/, { timeout: 60_000 });
  await expect(page.getByRole("heading", { name: "This course is locked with a passphrase" })).toBeVisible();
  await checkBothWidths(page);
  await page.keyboard.press("Control+Shift+L");
  await expect(page.getByLabel("Its passphrase")).toBeFocused();
  await checkBothWidths(page);
});

test("axe finds nothing on a full tray, 1280 and 1024 wide, and on the scores of a spreadsheet in it", async ({
  page,
}) => {
  await openDemo(page, "/collect");
  await dropInbox(page);
  const others = page.getByRole("list", { name: "For other work" });
  await page.getByRole("button", { name: "essay_final_v2.pdf", exact: true }).click();
  await expect(page.getByRole("img", { name: "First page of essay_final_v2.pdf" }).locator("canvas")).toBeAttached();
  await checkBothWidths(page);
  await others.getByRole("button", { name: "Look at them" }).click();
  await page.getByRole("link", { name: "Its pages" }).click();
  await expect(page.getByRole("list", { name: "Pages of the pile" }).locator("canvas").first()).toBeAttached();
  await checkBothWidths(page);
  await goTo(page, "/courses/reading-rivers/collect");
  await page.getByRole("link", { name: "Look at its scores" }).click();
  await expect(page.getByRole("table", { name: "What the sheet would do" })).toBeVisible();
  await checkBothLights(page);
});

test("axe finds nothing in the student window", async ({ page }) => {
  await openDemo(page);
  await goTo(page, "/window/reading-rivers/esi-okonwe");
  await expect(page.getByRole("article").first()).toBeVisible();
  await checkBothLights(page);
});

test("axe finds nothing while a passage is in hand, a note is open, and the sheet of keys is shown", async ({
  page,
}) => {
  await openDemo(page, "/score/flood-memo/rhun-hask");
  await expect(page.getByRole("heading", { name: "How much do we know" })).toBeVisible();
  const check = async () => {
    expect(await axeFinds(page)).toEqual([]);
  };
  await takeUp(page, "three chances in four");
  await check();
  await page.keyboard.press("2");
  await expect(page.getByRole("textbox", { name: "Reasoning from flow to risk" })).toBeFocused();
  await check();
  await page.keyboard.press("Escape");
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog", { name: "Keys" })).toBeVisible();
  await check();
});
