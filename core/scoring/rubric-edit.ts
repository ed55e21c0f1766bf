import {
  add,
  compare,
  decimal,
  divide,
  fromDecimal,
  larger,
  multiply,
  pointsText,
  ratio,
  smaller,
  subtract,
  whole,
  ZERO,
  type Decimal,
  type Exact,
  type Id,
} from "#core/kernel";
import type { Criterion, Level, Rubric } from "#core/model";
import { rulerEnds } from "./ruler";

/** Changes of a rubric on the ruler itself. Each gives a new criterion; nothing is kept by them. */

/** A criterion's step as an exact figure; half a point where it says none that leads anywhere. */
const stepOf = ({ step }: Criterion): Exact => (fromDecimal(step).n > 0n ? fromDecimal(step) : ratio(1n, 2n));

/** A figure on the nearest step of a criterion's ruler, half a step upward. */
function snapped(criterion: Criterion, points: Exact): Exact {
  const step = stepOf(criterion);
  const steps = add(divide(points, step), ratio(1n, 2n));
  const floor = steps.n >= 0n ? steps.n / steps.d : (steps.n - steps.d + 1n) / steps.d;
  return multiply(step, whole(floor));
}

const withLevel = (criterion: Criterion, index: number, fields: Partial<Level>): Criterion => ({
  ...criterion,
  levels: criterion.levels.map((level, at) => (at === index ? { ...level, ...fields } : level)),
});

/**
 * Moves the upper bound of a level to the nearest step of `points`, and the lower bound of the next level with it, so that
 * no gap opens and nothing overlaps. It stays between the level's own bottom and the top of the next; the top of the
 * highest level is free upward.
 */
export function moveBound(criterion: Criterion, index: number, points: Decimal): Criterion {
  const level = criterion.levels[index];
  if (!level) return criterion;
  const next = criterion.levels[index + 1];
  const step = stepOf(criterion);
  const lowest = fromDecimal(level.min);
  const wanted = larger(snapped(criterion, fromDecimal(points)), lowest);
  if (!next) return withLevel(criterion, index, { max: pointsText(wanted) });
  const gap = subtract(fromDecimal(next.min), fromDecimal(level.max));
  const apart = compare(gap, ZERO) > 0 && compare(gap, step) <= 0 ? gap : step;
  const top = larger(smaller(wanted, subtract(fromDecimal(next.max), apart)), lowest);
  const moved = withLevel(criterion, index, { max: pointsText(top) });
  return withLevel(moved, index + 1, { min: pointsText(add(top, apart)) });
}

/** Adds a level above the highest one, as wide as that one, or one step wide where it is a single value. */
export function addLevel(criterion: Criterion, id: Id<"level">, name: string): Criterion {
  const top = fromDecimal(rulerEnds(criterion).maximum);
  const last = criterion.levels.at(-1);
  const width = last ? subtract(fromDecimal(last.max), fromDecimal(last.min)) : ZERO;
  const min = add(top, stepOf(criterion));
  const level: Level = { id, name, min: pointsText(min), max: pointsText(add(min, width)), descriptor: "" };
  return { ...criterion, levels: [...criterion.levels, level] };
}

/** Takes a level away; its range falls to the level below it, or above where it was the lowest. The last one stays. */
export function removeLevel(criterion: Criterion, index: number): Criterion {
  const gone = criterion.levels[index];
  if (!gone || criterion.levels.length === 1) return criterion;
  const left = { ...criterion, levels: criterion.levels.filter((_, at) => at !== index) };
  return index === 0 ? withLevel(left, 0, { min: gone.min }) : withLevel(left, index - 1, { max: gone.max });
}

/** A criterion to begin with: three levels up to `maximum` points. */
export function startCriterion(fresh: () => string, name: string, maximum: Decimal): Criterion {
  const top = fromDecimal(maximum);
  const blank: Criterion = {
    id: `criterion:${fresh()}` as Id<"criterion">,
    name,
    step: decimal("0.5"),
    asksEvidence: false,
    weight: null,
    levels: [],
  };
  const share = (thirds: bigint) => snapped(blank, multiply(top, ratio(thirds, 3n)));
  const bounds: readonly (readonly [string, Exact, Exact])[] = [
    ["Begins", ZERO, share(1n)],
    ["Holds", add(share(1n), ratio(1n, 2n)), share(2n)],
    ["Carries", add(share(2n), ratio(1n, 2n)), top],
  ];
  const levels = bounds.map(([level, min, max]) => ({
    id: `level:${fresh()}` as Id<"level">,
    name: level,
    min: pointsText(min),
    max: pointsText(max),
    descriptor: "",
  }));
  return { ...blank, levels };
}

/** The same criterion once more, under fresh ids and another name. */
export const duplicateCriterion = (criterion: Criterion, name: string, fresh: () => string): Criterion => ({
  ...criterion,
  id: `criterion:${fresh()}` as Id<"criterion">,
  name,
  levels: criterion.levels.map((level) => ({ ...level, id: `level:${fresh()}` as Id<"level"> })),
});

/**
 * Levels named by a row of words, from the lowest up, which share the ruler from 0 to its present top evenly on its steps.
 * A level keeps its words where it keeps its place. At most nine; no words leave the criterion as it is.
 */
export function levelsFromWords(criterion: Criterion, words: readonly string[], fresh: () => string): Criterion {
  const names = words
    .map((word) => word.trim())
    .filter(Boolean)
    .slice(0, 9);
  if (names.length === 0) return criterion;
  const top = fromDecimal(rulerEnds(criterion).maximum);
  const step = stepOf(criterion);
  const share = (part: number) =>
    part === names.length ? top : snapped(criterion, multiply(top, ratio(BigInt(part), BigInt(names.length))));
  const levels = names.map((name, index): Level => {
    const before = criterion.levels[index];
    const max = share(index + 1);
    const min = index === 0 ? ZERO : smaller(add(share(index), step), max);
    return {
      id: before?.id ?? (`level:${fresh()}` as Id<"level">),
      name,
      min: pointsText(min),
      max: pointsText(max),
      descriptor: before?.descriptor ?? "",
    };
  });
  return { ...criterion, levels };
}

/** The same rubric under fresh ids and another name, for adapting it. */
export const adaptRubric = (rubric: Rubric, name: string, fresh: () => string): Rubric => ({
  ...rubric,
  id: `rubric:${fresh()}` as Id<"rubric">,
  name,
  criteria: rubric.criteria.map((criterion) => duplicateCriterion(criterion, criterion.name, fresh)),
});
