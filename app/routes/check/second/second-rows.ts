import { pointsText, type Decimal, type StudentId } from "#core/kernel";
import {
  rosterName,
  rubricOf,
  secondMarkOf,
  type Assignment,
  type Criterion,
  type CourseState,
  type Moderation,
} from "#core/model";
import { rulerEnds } from "#core/scoring";
import { moderatedPapers, secondPoints } from "#core/totals";
import { criterionColour } from "../../../ui/colours";
import type { EvidenceTarget } from "../../../ui/work/types";
import { inMark } from "../../../ui/words/figures";

/** One criterion as its second marker judges it. */
export interface SecondRow {
  readonly criterion: Criterion;
  readonly colour: string;
  readonly points: Decimal | null;
  readonly notApplicable: boolean;
  readonly maximum: Decimal;
}

/** A paper as its second marker sees it: nothing of the first judgement, and blind without its name. */
export interface SecondRows {
  readonly assignmentId: Assignment["id"];
  readonly studentId: StudentId;
  readonly title: string;
  readonly marker: string;
  readonly isBlind: boolean;
  readonly place: number;
  readonly criteria: readonly SecondRow[];
  /** Typed where there is no rubric. */
  readonly score: Decimal | null;
  readonly maximum: Decimal;
  readonly sumWords: string;
  readonly target: EvidenceTarget;
}

/** What the second marker of a paper sees. */
export function secondRows(
  state: CourseState,
  assignment: Assignment,
  { markerId, blind }: Moderation,
  studentId: StudentId,
): SecondRows {
  const mark = secondMarkOf(state, assignment.id, studentId);
  const place = moderatedPapers(state, assignment).findIndex((paper) => paper.studentId === studentId);
  const criteria = (rubricOf(state, assignment)?.criteria ?? []).map((criterion, at): SecondRow => {
    const given = mark?.judgements.find((one) => one.criterionId === criterion.id);
    return {
      criterion,
      colour: criterionColour(at),
      points: given?.points ?? null,
      notApplicable: given?.notApplicable ?? false,
      maximum: rulerEnds(criterion).maximum,
    };
  });
  const student = state.students[studentId];
  const sum = secondPoints(state, assignment, mark);
  const first = criteria[0];
  return {
    assignmentId: assignment.id,
    studentId,
    title: blind || !student ? `Paper ${String(place + 1)}` : rosterName(state, student),
    marker: state.markers[markerId]?.name ?? "",
    isBlind: blind,
    place,
    criteria,
    score: mark?.score ?? null,
    maximum: assignment.points,
    sumWords: sum === null ? "not judged yet" : `${inMark(pointsText(sum))} of ${inMark(assignment.points)}`,
    target: first
      ? { id: first.criterion.id, name: first.criterion.name, colour: first.colour }
      : ({ id: "criterion:none", name: "", colour: criterionColour(0) } as EvidenceTarget),
  };
}
