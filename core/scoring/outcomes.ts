import {
  judgementOf,
  outcomeRubricOf,
  outcomeScaleOf,
  resultOf,
  type Assignment,
  type CourseState,
  type Criterion,
  type Scale,
  type Student,
} from "#core/model";
import { levelAt } from "./ruler";

/** One outcome of a paper, judged in levels beside the score. */
export interface OutcomeRow {
  readonly key: string;
  readonly name: string;
  /** The name of the rubric it belongs to; the scale's own where it is one. */
  readonly from: string;
  /** The criterion it is judged by; null where it is the level of the assignment's outcome scale. */
  readonly criterionId: Criterion["id"] | null;
  /** From the lowest up. */
  readonly levels: readonly {
    readonly id: Scale["levels"][number]["id"];
    readonly name: string;
    readonly descriptor: string;
  }[];
  /** The number of the level given, from 1; null while it is open. */
  readonly given: number | null;
  readonly comment: string;
}

/** The outcomes of a paper in their order: those of the outcome rubric, then the level of the outcome scale. */
export function outcomeRows(state: CourseState, assignment: Assignment, student: Pick<Student, "id">): OutcomeRow[] {
  const scale = outcomeScaleOf(state, assignment);
  const { outcomeLevelId } = resultOf(state, assignment.id, student.id);
  const rubric = outcomeRubricOf(state, assignment);
  const rows = (rubric?.criteria ?? []).map((criterion): OutcomeRow => {
    const { points, comment } = judgementOf(state, assignment.id, student.id, criterion.id);
    const level = points === null ? null : levelAt(criterion, points);
    return {
      key: criterion.id,
      name: criterion.name,
      from: rubric?.name ?? "",
      criterionId: criterion.id,
      levels: criterion.levels,
      given: level && criterion.levels.indexOf(level) + 1,
      comment,
    };
  });
  if (!scale) return rows;
  const levels = [...scale.levels].reverse().map(({ id, name }) => ({ id, name, descriptor: "" }));
  const place = levels.findIndex(({ id }) => id === outcomeLevelId);
  return [
    ...rows,
    {
      key: scale.id,
      name: scale.name,
      from: scale.name,
      criterionId: null,
      levels,
      given: place < 0 ? null : place + 1,
      comment: "",
    },
  ];
}

/** The levels given, as they are typed behind the `o` of an entry: `31-`; empty where none is given. */
export const outcomeMarks = (rows: readonly OutcomeRow[]): string =>
  rows.some(({ given }) => given !== null) ? rows.map(({ given }) => given ?? "-").join("") : "";
