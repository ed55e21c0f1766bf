import AxeBuilder from "@axe-core/playwright";
import { dropInbox } from "./demo-inbox";
import { expect, open, openDemo, takeUp, test } from "./helpers";

const SCREENS: readonly (readonly [name: string, place: string])[] = [
  ["course board", ""],
  ["desk with a PDF", "/score/flood-memo/hano-abeyra"],
  ["desk with Markdown", "/score/flood-memo/aldous-brenn"],
  ["desk without work", "/score/gauging-report/mei-barrow"],
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
];

for (const [name, place] of SCREENS) {
  for (const light of ["daylight", "lamplight"] as const) {
    test(`axe finds nothing on the ${name} by ${light}`, async ({ page }) => {
      await page.emulateMedia({ colorScheme: light === "lamplight" ? "dark" : "light" });
      await openDemo(page, place);
      await expect(page.locator("h1").first()).toBeAttached();
      await page.waitForTimeout(600);
      const { violations } = await new AxeBuilder({ page }).analyze();
      expect(violations.map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.html).join(" | ")}`)).toEqual([]);
    });
  }
}

for (const width of [1280, 1024]) {
  for (const light of ["daylight", "lamplight"] as const) {
    test(`axe finds nothing on a full tray by ${light}, ${String(width)} wide`, async ({ page }) => {
      await page.setViewportSize({ width, height: 768 });
      await page.emulateMedia({ colorScheme: light === "lamplight" ? "dark" : "light" });
      await openDemo(page, "/collect");
      await dropInbox(page);
      const others = page.getByRole("list", { name: "For other work" });
      await page.getByRole("button", { name: "essay_final_v2.pdf", exact: true }).click();
      await expect(
        page.getByRole("img", { name: "First page of essay_final_v2.pdf" }).locator("canvas"),
      ).toBeAttached();
      const check = async () => {
        const { violations } = await new AxeBuilder({ page }).analyze();
        expect(violations.map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.html).join(" | ")}`)).toEqual([]);
        const wide = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
        expect(wide).toBeLessThanOrEqual(0);
      };
      await check();
      await others.getByRole("button", { name: "Look at them" }).click();
      await page.getByRole("link", { name: "Its pages" }).click();
      await expect(page.getByRole("list", { name: "Pages of the pile" }).locator("canvas").first()).toBeAttached();
      await check();
    });
  }
}

test("axe finds nothing on the scores of a spreadsheet", async ({ page }) => {
  await openDemo(page, "/collect");
  await page.getByRole("button", { name: "Try it with the demo’s inbox" }).click();
  await page.getByRole("link", { name: "Look at its scores" }).click();
  await expect(page.getByRole("table", { name: "What the sheet would do" })).toBeVisible();
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.html).join(" | ")}`)).toEqual([]);
});

test("axe finds nothing in the student window", async ({ page }) => {
  await openDemo(page);
  await open(page, "/window/reading-rivers/esi-okonwe");
  await expect(page.getByRole("article").first()).toBeVisible();
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations).toEqual([]);
});

test("axe finds nothing while a passage is in hand, a note is open, and the sheet of keys is shown", async ({
  page,
}) => {
  await openDemo(page, "/score/flood-memo/rhun-hask");
  await expect(page.getByRole("heading", { name: "How much do we know" })).toBeVisible();
  const check = async () => {
    const { violations } = await new AxeBuilder({ page }).analyze();
    expect(violations.map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.html).join(" | ")}`)).toEqual([]);
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
