import type { RubricFigures } from "../class/criteria";
import { levelOf, type CriterionFigures } from "../class/criteria";
import type { PaperFigures } from "../class/questions";
import { driftOf, SPAN } from "../figures/drift";
import { mean, sumOf } from "../figures/describe";
import { groupDifference } from "../figures/groups";
import type { MarkedPaper, Scorings } from "../class/marked";
import type { ClassOddity } from "./oddity";

/** Chance below which a difference is told; one in twenty, common practice, no source. */
const CHANCE = 0.05;
/** Share of the maximum under which a drift is not told, however sure. */
const LEAST_DRIFT = 0.1;
/** Papers at a level before its mean tells anything. */
const LEAST_AT_LEVEL = 4;

/** The judging of the first ten papers against that of the last ten, where it moved by more than chance does. */
export function driftOddities(
  figures: RubricFigures | null,
  papers: readonly MarkedPaper[],
  scorings: Scorings,
  top: number,
): ClassOddity[] {
  if (!figures) {
    const inOrder = papers
      .map(({ studentId, points }) => ({ studentId, points, seq: scorings.get(studentId)?.seq ?? 0 }))
      .sort((a, b) => a.seq - b.seq);
    // Scores that came in together, as a column or a file, have no order in which they were judged.
    const isOneByOne = new Set(inOrder.map(({ seq }) => seq)).size === inOrder.length;
    return isOneByOne ? drift(null, inOrder, top) : [];
  }
  return figures.criteria.flatMap(({ criterion, inOrder, maximum }) => drift(criterion.id, inOrder, maximum));
}

function drift(
  criterionId: Extract<ClassOddity, { code: "drift" }>["criterionId"],
  inOrder: CriterionFigures["inOrder"],
  maximum: number,
): ClassOddity[] {
  const values = inOrder.map(({ points }) => points);
  const moved = driftOf(values);
  if (!moved || Math.abs(moved.difference) < LEAST_DRIFT * maximum) return [];
  const tested = groupDifference([values.slice(0, SPAN), values.slice(-SPAN)]);
  if (!tested.ok || tested.value.chance >= CHANCE) return [];
  const studentIds = inOrder.slice(-SPAN).map(({ studentId }) => studentId);
  return [{ code: "drift", criterionId, first: moved.first, last: moved.last, studentIds }];
}

/** Levels whose papers did worse in the rest than those of the level below. */
export function levelOddities(
  figures: RubricFigures | null,
  rows: readonly { readonly studentId: MarkedPaper["studentId"]; readonly points: readonly number[] }[],
): ClassOddity[] {
  if (!figures) return [];
  return figures.criteria.flatMap(({ criterion }, place): ClassOddity[] => {
    const rest = rows.map(({ studentId, points }) => ({
      studentId,
      level: levelOf(criterion, points[place] ?? 0),
      rest: sumOf(points.filter((_, at) => at !== place)),
    }));
    return criterion.levels.slice(1).flatMap((higher, at): ClassOddity[] => {
      const lower = criterion.levels[at];
      const above = rest.filter(({ level }) => level === higher);
      const below = rest.filter(({ level }) => level === lower);
      if (!lower || above.length < LEAST_AT_LEVEL || below.length < LEAST_AT_LEVEL) return [];
      const sets = [below.map((one) => one.rest), above.map((one) => one.rest)] as const;
      const [lowerRest, higherRest] = [mean(sets[0]), mean(sets[1])];
      const tested = groupDifference(sets);
      if (!lowerRest.ok || !higherRest.ok || !tested.ok) return [];
      if (higherRest.value >= lowerRest.value || tested.value.chance >= CHANCE) return [];
      return [
        {
          code: "level_against_rest",
          criterionId: criterion.id,
          lower: lower.name,
          higher: higher.name,
          lowerRest: lowerRest.value,
          higherRest: higherRest.value,
          studentIds: above.map(({ studentId }) => studentId),
        },
      ];
    });
  });
}

/** Questions whose key the best papers do not give. */
export const keyOddities = (figures: PaperFigures | null): ClassOddity[] =>
  (figures?.questions ?? []).flatMap(({ question, likelier }): ClassOddity[] =>
    likelier
      ? [{ code: "key_suspected", questionId: question.id, likelier: likelier.text, studentIds: likelier.studentIds }]
      : [],
  );
