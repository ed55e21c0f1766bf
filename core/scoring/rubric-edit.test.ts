import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { decimal } from "#core/kernel";
import { makeRubric, runs } from "#core/testing";
import {
  adaptRubric,
  addLevel,
  checkRubric,
  duplicateCriterion,
  levelsFromWords,
  moveBound,
  removeLevel,
  startCriterion,
} from "./index";

const rubric = makeRubric("care", "care: 0-6, 6.5-10, 10.5-12");
const criterion = rubric.criteria[0] as NonNullable<(typeof rubric.criteria)[0]>;
const bounds = (of: typeof criterion) => of.levels.map(({ min, max }) => `${min}-${max}`);
let count = 0;
const fresh = () => `e${String((count += 1))}`;

describe("a bound moved on the ruler", () => {
  it.each([
    [0, "4", ["0-4", "4.5-10", "10.5-12"]],
    [0, "4.2", ["0-4", "4.5-10", "10.5-12"]],
    [0, "4.25", ["0-4.5", "5-10", "10.5-12"]],
    [0, "30", ["0-9.5", "10-10", "10.5-12"]],
    [1, "1", ["0-6", "6.5-6.5", "7-12"]],
    [2, "20", ["0-6", "6.5-10", "10.5-20"]],
    [2, "3", ["0-6", "6.5-10", "10.5-10.5"]],
  ])("bound %i to %s", (index, points, expected) => {
    expect(bounds(moveBound(criterion, index, decimal(points)))).toEqual(expected);
  });

  it("never makes levels overlap, leave a gap, or turn upside down, wherever it is dragged", () => {
    const moves = fc.array(fc.tuple(fc.nat(2), fc.integer({ min: -40, max: 400 })), { maxLength: 12 });
    fc.assert(
      fc.property(moves, (list) => {
        const moved = list.reduce(
          (one, [index, tenths]) => moveBound(one, index, decimal(String(tenths / 10))),
          criterion,
        );
        const found = checkRubric({ ...rubric, criteria: [moved] });
        expect(found.filter(({ code }) => code !== "scores_out_of_reach" && code !== "step_misses_top")).toEqual([]);
      }),
      { numRuns: runs(200) },
    );
  });

  it("of a level that is not there changes nothing", () => {
    expect(moveBound(criterion, 7, decimal("3"))).toBe(criterion);
  });
});

describe("levels", () => {
  it("are added above and taken away without leaving a gap; the last one stays", () => {
    const more = addLevel(criterion, "level:new" as never, "Shines");
    expect(bounds(more)).toEqual(["0-6", "6.5-10", "10.5-12", "12.5-14"]);
    expect(bounds(removeLevel(criterion, 1))).toEqual(["0-10", "10.5-12"]);
    expect(bounds(removeLevel(criterion, 0))).toEqual(["0-10", "10.5-12"]);
    const single = { ...criterion, levels: criterion.levels.slice(0, 1) };
    expect(removeLevel(single, 0)).toBe(single);
    expect(removeLevel(criterion, 9)).toBe(criterion);
  });

  it("of a new criterion reach its maximum in three steps, sound from the start", () => {
    const started = startCriterion(fresh, "Reasoning", decimal("12"));
    expect(bounds(started)).toEqual(["0-4", "4.5-8", "8.5-12"]);
    expect(checkRubric({ ...rubric, criteria: [started] })).toEqual([]);
    expect(bounds(startCriterion(fresh, "Odd", decimal("10")))).toEqual(["0-3.5", "4-6.5", "7-10"]);
  });

  it("of an adapted rubric are the same under fresh ids", () => {
    const adapted = adaptRubric(rubric, "Care, second", fresh);
    expect(adapted.name).toBe("Care, second");
    expect(adapted.criteria.map(bounds)).toEqual(rubric.criteria.map(bounds));
    const ids = (of: typeof rubric) => [
      of.id,
      ...of.criteria.flatMap(({ id, levels }) => [id, ...levels.map((level) => level.id)]),
    ];
    expect(new Set([...ids(rubric), ...ids(adapted)]).size).toBe(2 * ids(rubric).length);
  });
});

describe("levels from a row of words", () => {
  it("share the ruler evenly on its steps, and keep what was written at their places", () => {
    const described = {
      ...criterion,
      levels: criterion.levels.map((level) => ({ ...level, descriptor: "as before" })),
    };
    const four = levelsFromWords(described, ["Thin", " Fair", "", "Good", "Full"], fresh);
    expect(four.levels.map(({ name, min, max }) => `${name} ${min}-${max}`)).toEqual([
      "Thin 0-3",
      "Fair 3.5-6",
      "Good 6.5-9",
      "Full 9.5-12",
    ]);
    expect(four.levels.map(({ descriptor }) => descriptor)).toEqual(["as before", "as before", "as before", ""]);
    expect(new Set(four.levels.map(({ id }) => id)).size).toBe(4);
    expect(levelsFromWords(criterion, [" ", ""], fresh)).toBe(criterion);
  });

  it("never overlap or turn upside down, however many there are", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 9 }), fc.integer({ min: 9, max: 200 }), (count, halves) => {
        const long = startCriterion(fresh, "long", decimal(String(halves / 2)));
        const made = levelsFromWords(
          long,
          Array.from({ length: count }, (_, index) => `L${String(index)}`),
          fresh,
        );
        const found = checkRubric({ ...rubric, criteria: [made] }).filter(({ kind }) => kind === "fault");
        expect(found).toEqual([]);
      }),
      { numRuns: runs(200) },
    );
  });
});

it("a criterion duplicated is the same under ids of its own", () => {
  const twin = duplicateCriterion(criterion, "care (copy)", fresh);
  expect(bounds(twin)).toEqual(bounds(criterion));
  expect(twin.name).toBe("care (copy)");
  const ids = [criterion, twin].flatMap((one) => [one.id, ...one.levels.map(({ id }) => id)]);
  expect(new Set(ids).size).toBe(ids.length);
});
