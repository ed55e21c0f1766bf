import { compare, fromDecimal, pointsText, ratio, type CriterionId, type Decimal } from "#core/kernel";
import type { Criterion, Rubric } from "#core/model";

/** What is wrong with a rubric, or worth a look. Faults refuse it; hints are only pointed out (handbook, sections 3, 11). */
export type RubricFinding =
  | {
      readonly kind: "fault";
      readonly code: "levels_overlap" | "level_upside_down" | "step_not_positive" | "weight_below_zero";
      readonly criterionId: CriterionId;
      readonly at: Decimal;
    }
  | {
      readonly kind: "hint";
      readonly code: "gap_between_levels";
      readonly criterionId: CriterionId;
      readonly below: Decimal;
      readonly above: Decimal;
    }
  | {
      readonly kind: "hint";
      readonly code: "step_misses_top";
      readonly criterionId: CriterionId;
      readonly at: Decimal;
    }
  | { readonly kind: "hint"; readonly code: "scores_out_of_reach"; readonly scores: readonly Decimal[] };

/** Entered figures have at most 4 places; counted in these units they are whole. */
const UNITS = 10_000;
/** More steps than this are no longer looked at one by one. */
const MOST_STEPS = 20_000;
/** How many scores out of reach are named. */
const NAMED = 12;

const units = (value: Decimal): number => {
  const { n, d } = fromDecimal(value);
  return Number((n * BigInt(UNITS)) / d);
};
const text = (count: number): Decimal => pointsText(ratio(BigInt(count), BigInt(UNITS)));

/** Everything there is to say about a rubric, faults first; an empty list means it is sound. */
export function checkRubric(rubric: Rubric): readonly RubricFinding[] {
  const findings = rubric.criteria.flatMap(checkCriterion);
  const faults = findings.filter(({ kind }) => kind === "fault");
  const hints = findings.filter(({ kind }) => kind === "hint");
  if (faults.length > 0) return [...faults, ...hints];
  const missing = scoresOutOfReach(rubric);
  return missing.length === 0 ? hints : [...hints, { kind: "hint", code: "scores_out_of_reach", scores: missing }];
}

function checkCriterion(criterion: Criterion): RubricFinding[] {
  const findings: RubricFinding[] = [];
  const { id: criterionId, step, weight, levels } = criterion;
  if (fromDecimal(step).n <= 0n) findings.push({ kind: "fault", code: "step_not_positive", criterionId, at: step });
  if (weight !== null && fromDecimal(weight).n < 0n) {
    findings.push({ kind: "fault", code: "weight_below_zero", criterionId, at: weight });
  }
  levels.forEach((level, index) => {
    const { min, max } = level;
    if (compare(fromDecimal(min), fromDecimal(max)) > 0) {
      findings.push({ kind: "fault", code: "level_upside_down", criterionId, at: min });
    }
    const before = levels[index - 1];
    if (!before) return;
    const distance = compare(fromDecimal(min), fromDecimal(before.max));
    if (distance < 0) findings.push({ kind: "fault", code: "levels_overlap", criterionId, at: min });
    else if (units(min) - units(before.max) > units(step)) {
      findings.push({ kind: "hint", code: "gap_between_levels", criterionId, below: before.max, above: min });
    }
  });
  if (fromDecimal(step).n > 0n) findings.push(...topsMissed(criterion));
  return findings;
}

/** Levels whose top lies between two steps, so that keys stepping up never stand on it. */
function topsMissed({ id: criterionId, levels, step }: Criterion): RubricFinding[] {
  return levels
    .filter(({ min, max }) => (units(max) - units(min)) % units(step) !== 0)
    .map(({ max }) => ({ kind: "hint", code: "step_misses_top", criterionId, at: max }));
}

/** The values a criterion can give, in units: the steps of each level and its top. */
function valuesOf({ levels, step }: Criterion): number[] {
  const values = new Set<number>();
  for (const { min, max } of levels) {
    for (let value = units(min); value < units(max); value += units(step)) values.add(value);
    values.add(units(max));
  }
  return [...values];
}

/**
 * The rubric sums that no choice of levels and steps gives, though they lie between the lowest and the highest and on
 * the finest step. A weighted rubric claims no single sums; it is not looked at.
 */
export function scoresOutOfReach(rubric: Rubric): readonly Decimal[] {
  if (rubric.criteria.some(({ weight }) => weight !== null)) return [];
  const finest = Math.min(...rubric.criteria.map(({ step }) => units(step)));
  let reached = new Set([0]);
  for (const criterion of rubric.criteria) {
    const values = valuesOf(criterion);
    if (reached.size * values.length > MOST_STEPS * UNITS) return [];
    const next = new Set<number>();
    for (const sum of reached) for (const value of values) next.add(sum + value);
    reached = next;
  }
  const sums = [...reached].sort((a, b) => a - b);
  const [lowest = 0, highest = 0] = [sums[0], sums.at(-1)];
  if ((highest - lowest) / finest > MOST_STEPS) return [];
  const missing: Decimal[] = [];
  for (let sum = lowest; sum <= highest && missing.length < NAMED; sum += finest) {
    if (!reached.has(sum)) missing.push(text(sum));
  }
  return missing;
}
