import { fromDecimal, keptBy, toNumber, type CriterionId, type StudentId } from "#core/kernel";
import { judgementOf, rubricOf, type Assignment, type CourseState, type Criterion, type Level } from "#core/model";
import { rulerEnds } from "#core/scoring";
import { assignmentBasis } from "#core/totals";
import { notComputable, type Statistic } from "../figures/computable";
import { mean, standardDeviation } from "../figures/describe";
import { driftOf, type Drift } from "../figures/drift";
import { itemsTogether, standardErrorOfMeasurement } from "../figures/items";
import { markedPapers, type Scorings } from "./marked";

/** A level of a criterion with the papers it was given to. */
export interface LevelUse {
  readonly level: Level;
  readonly count: number;
  /** Mean of what those papers were given for all other criteria, in points: a higher level should go with more. */
  readonly restMean: number | null;
}

/** What one criterion tells about a class; points as they stand on its ruler. */
export interface CriterionFigures {
  readonly criterion: Criterion;
  readonly maximum: number;
  /** Papers judged by it. */
  readonly count: number;
  readonly mean: Statistic;
  readonly spread: Statistic;
  /** From the lowest level to the highest. */
  readonly levels: readonly LevelUse[];
  /** Correlation with the sum of the other criteria. */
  readonly withRest: Statistic;
  /** Alpha of the rubric without this criterion. */
  readonly alphaWithout: Statistic;
  /** In the order the papers were judged; null while fewer than twenty are. */
  readonly drift: Drift | null;
  /** Points of each paper, in the order they were judged. */
  readonly inOrder: readonly { readonly studentId: StudentId; readonly points: number }[];
}

/** What the criteria of an assignment tell about its class. */
export interface RubricFigures {
  readonly criteria: readonly CriterionFigures[];
  /** Papers judged by every criterion: what goes with what, and alpha, rest on them. */
  readonly complete: number;
  readonly alpha: Statistic;
  /** Standard error of measurement of the sum, in points. */
  readonly error: Statistic;
}

/** The judged order of a class by one criterion. */
export type JudgingOrder = (criterionId: CriterionId) => readonly StudentId[];

const NOBODY_JUDGED = notComputable({ code: "too_few", least: 2, given: 0 });

/** What each criterion of the rubric tells; null where the assignment has none. The list of what looks odd asks for it too. */
export const criteriaOf = keptBy({
  owner: (_: CourseState, assignment: Assignment, _scorings: Scorings, _order: JudgingOrder) => assignment,
  basis: (state, assignment, scorings, order) => ({ ...assignmentBasis(state, assignment), scorings, order }),
  make: (_, ...given) => workOut(...given),
});

function workOut(
  state: CourseState,
  assignment: Assignment,
  scorings: Scorings,
  order: JudgingOrder,
): RubricFigures | null {
  const rubric = rubricOf(state, assignment);
  if (!rubric) return null;
  const papers = markedPapers(state, assignment, scorings);
  const pointsAt = (studentId: StudentId, criterion: Criterion): number | null => {
    const { points, notApplicable } = judgementOf(state, assignment.id, studentId, criterion.id);
    return points === null || notApplicable ? null : toNumber(fromDecimal(points));
  };
  const table = papers.map(({ studentId }) => ({
    studentId,
    points: rubric.criteria.map((criterion) => pointsAt(studentId, criterion)),
  }));
  const pointsOf = new Map(table.map(({ studentId, points }) => [studentId, points]));
  const complete = table.filter((row): row is { studentId: StudentId; points: number[] } =>
    row.points.every((points) => points !== null),
  );
  const rows = complete.map(({ points }) => points);
  const { alpha, deviation, items } = itemsTogether(rows);
  return {
    complete: complete.length,
    alpha,
    error: !alpha.ok ? alpha : !deviation.ok ? deviation : standardErrorOfMeasurement(deviation.value, alpha.value),
    criteria: rubric.criteria.map((criterion, place): CriterionFigures => {
      const given = table.flatMap(({ points }) => points[place] ?? []);
      const inOrder: { readonly studentId: StudentId; readonly points: number }[] = [];
      for (const studentId of order(criterion.id)) {
        const points = pointsOf.get(studentId)?.[place] ?? null;
        if (points !== null) inOrder.push({ studentId, points });
      }
      const maximum = toNumber(fromDecimal(rulerEnds(criterion).maximum));
      return {
        criterion,
        maximum,
        count: given.length,
        mean: mean(given),
        spread: standardDeviation(given, "sample"),
        levels: levelUses(
          criterion,
          given,
          rows.map((row, at) => ({ own: row[place] ?? 0, rest: items[place]?.rests[at] ?? 0 })),
          rubric.criteria.length > 1,
        ),
        withRest: items[place]?.itemRest ?? NOBODY_JUDGED,
        alphaWithout: items[place]?.alphaWithout ?? NOBODY_JUDGED,
        drift: driftOf(inOrder.map(({ points }) => points)),
        inOrder,
      };
    }),
  };
}

/** Where each level of a criterion begins, in points: read once, and not again for every paper. */
const beginningsOf = keptBy({
  owner: (criterion: Criterion) => criterion,
  make: (_, { levels }): readonly number[] => levels.map(({ min }) => toNumber(fromDecimal(min))),
});

/** The level that points lie in, or the one below them where they lie between two; undefined under the lowest. */
export const levelOf = (criterion: Criterion, points: number): Level | undefined =>
  criterion.levels[beginningsOf(criterion).findLastIndex((from) => points >= from)];

/** What each level was given to; `papers` are judged by every criterion, `tells` that there is another one beside. */
function levelUses(
  criterion: Criterion,
  given: readonly number[],
  papers: readonly { readonly own: number; readonly rest: number }[],
  tells: boolean,
): LevelUse[] {
  const used = given.map((points) => levelOf(criterion, points));
  const rests = papers.map(({ own, rest }) => ({ level: levelOf(criterion, own), rest }));
  return criterion.levels.map((level) => {
    const centre = mean(rests.filter((one) => one.level === level).map(({ rest }) => rest));
    return {
      level,
      count: used.filter((one) => one === level).length,
      restMean: tells && centre.ok ? centre.value : null,
    };
  });
}
