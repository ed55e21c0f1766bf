import type { Page } from "@playwright/test";
import { chanceFrom } from "../scripts/chance.mjs";
import { allKept, expect, openDemo, test } from "./helpers";
import { demoState } from "./model/demo-state";
import { GradebookModel, keyOf, type ModelPlace } from "./model/gradebook-model";

/** Random walks and their steps; all of them with `PROPERTY_RUNS=all`. */
const [SEEDS, STEPS] = process.env["PROPERTY_RUNS"] === "all" ? [[1, 2], 500] : [[1], 200];
/** Steps between two comparisons. */
const LOOK_EVERY = 50;
/** What hands type: figures, entries, slips. */
const TEXTS = ["18", "7.5", "0", "12 l2", "60", "101", "abc", "m", "x", "1..2", "l3", "-", "4", "l26048"];
const KEYS = ["Enter", "Enter", "Enter", "Shift+Enter", "ArrowDown", "ArrowUp", "Escape"];

const cellAt = (page: Page, { row, column }: ModelPlace) =>
  page.locator(`[role="gridcell"][data-row="${String(row)}"][data-column="${String(column)}"]`);

/** The entries of a column as they are copied out of it, from the first row to the last. */
async function columnEntries(page: Page, column: number): Promise<string[]> {
  await cellAt(page, { row: 0, column }).click();
  await page.keyboard.press("Control+a");
  const text = await page.evaluate(() => {
    const clipboardData = new DataTransfer();
    const active = document.activeElement;
    active?.dispatchEvent(new ClipboardEvent("copy", { clipboardData, bubbles: true, cancelable: true }));
    return clipboardData.getData("text/plain");
  });
  await page.keyboard.press("Escape");
  return text.split("\n");
}

/** Every accepted figure is in the course, every other one is on screen, with its reason where the mark is. */
async function compare(page: Page, model: GradebookModel, columns: readonly number[], trace: readonly string[]) {
  const steps = `after ${trace.slice(-12).join(" · ")}`;
  for (const column of columns) {
    const expected = model.students.map((_, row) => model.entryAt({ row, column }));
    expect(await columnEntries(page, column), steps).toEqual(expected);
    model.click({ row: model.students.length - 1, column });
  }
  const shown = await page
    .locator('[role="gridcell"][aria-label*="not entered: "]')
    .evaluateAll((cells) =>
      cells.map((cell) => [
        `${cell.getAttribute("data-row") ?? ""} ${cell.getAttribute("data-column") ?? ""}`,
        /not entered: (.*)$/.exec(cell.getAttribute("aria-label") ?? "")?.[1] ?? "",
      ]),
    );
  expect(Object.fromEntries(shown), steps).toEqual(Object.fromEntries(model.unkept));
}

for (const seed of SEEDS) {
  test(`random keys and clicks over the gradebook, seed ${String(seed)}: what is accepted is in the course, all else in sight`, async ({
    page,
  }) => {
    test.setTimeout(300_000);
    await page.setViewportSize({ width: 1600, height: 1300 });
    await openDemo(page, "/gradebook");
    const marked = await page
      .locator('[role="gridcell"][tabindex="0"]')
      .evaluate((cell) => [Number(cell.getAttribute("data-row")), Number(cell.getAttribute("data-column"))]);
    const model = new GradebookModel(demoState(), { row: marked[0] ?? 0, column: marked[1] ?? 0 });
    const named = (name: string) => model.columns.findIndex((one) => one.name === name);
    const columns = [named("Question paper 1"), named("Site sketch")];
    const chance = chanceFrom(seed);
    const pick = <T>(list: readonly T[]): T => list[Math.floor(chance() * list.length)] as T;
    const trace: string[] = [];
    for (let step = 1; step <= STEPS; step += 1) {
      const what = chance();
      if (what < 0.35) {
        const place = { row: Math.floor(chance() * 8), column: pick(columns) };
        trace.push(`click ${keyOf(place)}`);
        if (model.field && keyOf(model.field.place) === keyOf(place)) continue;
        model.click(place);
        await cellAt(page, place).click();
      } else if (what < 0.7) {
        const text = pick(TEXTS);
        trace.push(text);
        for (const letter of text) {
          if (letter === " " && !model.field) continue;
          model.press(letter);
          await page.keyboard.press(letter === " " ? "Space" : letter);
        }
      } else if (what < 0.99) {
        const key = pick(KEYS);
        trace.push(key);
        model.press(key);
        await page.keyboard.press(key);
      } else {
        trace.push("reload");
        model.reload();
        await page.reload();
        await page.locator("html[data-ready]").waitFor();
        await expect(page.locator('[role="gridcell"][tabindex="0"]')).toBeFocused();
      }
      if (step % LOOK_EVERY === 0) {
        model.press("Escape");
        await page.keyboard.press("Escape");
        await compare(page, model, columns, trace);
      }
    }
    await allKept(page);
  });
}
