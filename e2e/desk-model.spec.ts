import type { Page } from "@playwright/test";
import { assignmentsOf, studentsOf } from "#core/model";
import { chanceFrom } from "../scripts/chance.mjs";
import { allKept, expect, openDemo, test } from "./helpers";
import { demoState } from "./model/demo-state";
import { DeskModel } from "./model/desk-model";

/** Random walks and their steps; all of them with `PROPERTY_RUNS=all`. */
const [SEEDS, STEPS] = process.env["PROPERTY_RUNS"] === "all" ? [[3, 4], 500] : [[3], 200];
/** Steps between two comparisons. */
const LOOK_EVERY = 25;
const KEYS = [
  ..."1234",
  ...["Shift+1", "Shift+2", "Shift+3"],
  ...["ArrowRight", "ArrowLeft", "ArrowDown", "ArrowUp", "ArrowDown", "Backspace", "a"],
];
/** Words full of letters and digits that would be keys of the desk. */
const WORDS = ["Mostly 3 things.", "axe 12", "km 4"];

const started = (() => {
  const state = demoState();
  const memo = assignmentsOf(state).find(({ name }) => name === "Flood-frequency memo");
  const first = studentsOf(state).find(({ familyName }) => familyName === "Strand");
  if (!memo || !first) throw new Error("the demo has neither the memo nor that student");
  return () => new DeskModel(demoState(), memo.id, first.id);
})();

async function compare(page: Page, model: DeskModel, trace: readonly string[]): Promise<void> {
  const steps = trace.slice(-40).join(" ");
  const name = model.state.students[model.studentId];
  await expect(page.getByRole("heading", { level: 1 }), steps).toHaveText(
    `${name?.givenName ?? ""} ${name?.familyName ?? ""}`,
  );
  const { points, decision, comments } = model.sight();
  const cards = model.criteria.map((criterion) => page.getByRole("region", { name: criterion.name, exact: true }));
  for (const [place, card] of cards.entries()) {
    await expect(card.getByRole("button", { name: /^Type points for/ }).locator("strong"), steps).toHaveText(
      points[place] ?? "",
    );
    const comment = card.getByRole("textbox", { name: /^Comment on/ });
    if (comments[place] === "") await expect(comment, steps).toHaveCount(0);
    else await expect(comment, steps).toHaveValue(comments[place] ?? "");
  }
  for (const [word, wanted] of [
    ["Missing", "missing"],
    ["Excused", "excused"],
  ] as const) {
    await expect(page.getByRole("button", { name: word, exact: true }), steps).toHaveAttribute(
      "aria-pressed",
      String(decision === wanted),
    );
  }
}

for (const seed of SEEDS) {
  test(`random keys over the desk, seed ${String(seed)}: every judgement is where it was meant, and words stay words`, async ({
    page,
  }) => {
    test.setTimeout(300_000);
    await page.setViewportSize({ width: 1280, height: 1500 });
    await openDemo(page, "/score/flood-memo/kesi-strand");
    const model = started();
    const chance = chanceFrom(seed);
    const pick = <T>(list: readonly T[]): T => list[Math.floor(chance() * list.length)] as T;
    const trace: string[] = [];
    for (let step = 1; step <= STEPS; step += 1) {
      const what = chance();
      if (what < 0.78) {
        const key = pick(KEYS);
        trace.push(key);
        model.press(key);
        await page.keyboard.press(key);
      } else if (what < 0.88) {
        const place = Math.floor(chance() * model.criteria.length);
        trace.push(`ruler ${String(place)}`);
        model.focus(place);
        await page.getByRole("slider").nth(place).focus();
      } else if (what < 0.92) {
        const text = pick(WORDS);
        trace.push(`k "${text}"`);
        model.comment(text);
        await page.keyboard.press("k");
        await page.keyboard.press("Control+End");
        await page.keyboard.type(text);
        await page.keyboard.press("Escape");
        await page.getByRole("slider").nth(model.marked).focus();
        model.onDone = false;
      } else if (what < 0.96) {
        const letter = pick(["m", "x"] as const);
        trace.push(letter, letter);
        for (let time = 0; time < 2; time += 1) {
          model.standing(letter === "m" ? "missing" : "excused");
          await page.keyboard.press(letter);
        }
      } else {
        const turn = pick(["Alt+ArrowRight", "Alt+ArrowLeft"] as const);
        // Who is missing or excused is asked about before a level ends that; here nobody is.
        if (model.isDecided(turn === "Alt+ArrowRight" ? 1 : -1)) continue;
        trace.push(turn);
        model.press(turn);
        await page.keyboard.press(turn);
        const student = model.state.students[model.studentId];
        await expect(page.getByRole("heading", { level: 1 })).toContainText(student?.familyName ?? "");
        await page.getByRole("slider").nth(model.marked).focus();
      }
      if (step % LOOK_EVERY === 0) await compare(page, model, trace);
    }
    await allKept(page);
    await page.reload();
    await compare(page, model, trace);
  });
}
