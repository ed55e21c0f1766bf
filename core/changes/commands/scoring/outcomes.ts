import { z } from "zod/mini";
import { ok, refuse, type Id, type Result, type StudentId } from "#core/kernel";
import { idField, judgementOf, outcomeRubricOf, outcomeScaleOf, resultOf, type CourseState } from "#core/model";
import { proposedPoints } from "#core/scoring";
import type { ChangeIssue, CommandKind } from "../../engine/change";
import { finish, paperAt, put, type Paper } from "../../engine/command-parts";
import { scopeOf, scopeTitle, wholeGroupField } from "./group-scope";
import type { Patch } from "../../engine/patch";

/** Attainment of outcomes stands beside the score and never enters it: nothing here touches a score or a standing. */

const attainmentInput = z.object({
  assignmentId: idField("assignment"),
  studentId: idField("student"),
  /** A level of the assignment's outcome scale; null takes it back. */
  levelId: z.nullable(idField("level")),
  wholeGroup: wholeGroupField,
});

/** Gives the level on the scale that stands beside the points, or takes it back. */
export const setAttainment: CommandKind<z.infer<typeof attainmentInput>> = {
  input: attainmentInput,
  prepare: (state, { levelId, wholeGroup, ...where }) => {
    const paper = paperAt(state, where);
    if (!paper.ok) return paper;
    const scale = outcomeScaleOf(state, paper.value.assignment);
    const level = scale?.levels.find(({ id }) => id === levelId);
    if (levelId !== null && !level) return refuse({ code: "unknown_record", what: "level", id: levelId });
    const resultAt = (id: StudentId) => resultOf(state, where.assignmentId, id);
    const present = resultAt(where.studentId).outcomeLevelId;
    const scope = scopeOf(state, where, wholeGroup, (mate) => [null, present].includes(resultAt(mate).outcomeLevelId));
    return finish(
      `${scopeTitle(state, paper.value, wholeGroup)}: ${scale?.name ?? "outcome"} ${level?.name ?? "open"}`,
      ...scope.map((id) => put(state, "results", { ...resultAt(id), outcomeLevelId: levelId })),
    );
  },
};

/** An entry, and the levels of outcomes behind its `o`. */
export interface EntryWithOutcomes {
  /** The entry without them; empty where only outcomes were typed. */
  readonly entry: string;
  /** One mark an outcome, in their order: a level from 1, or `-` for open. Null where none were typed. */
  readonly outcomes: string | null;
}

const OUTCOMES = /^(?:(.*)\s)?\s*o\s*([1-9-](?:\s*[1-9-])*)\s*$/i;

/**
 * Takes the levels of outcomes off an entry: `18 l2 o312` gives 18, late by two, and the levels 3, 1 and 2 of the
 * outcomes in their order; behind them comes the level of the outcome scale, where there is one. Work without outcomes
 * keeps its text whole.
 */
export function entryAndOutcomes(
  state: CourseState,
  paper: Pick<Paper, "assignment">,
  text: string,
): EntryWithOutcomes {
  const has = outcomeRubricOf(state, paper.assignment) ?? outcomeScaleOf(state, paper.assignment);
  const found = has ? OUTCOMES.exec(text) : null;
  if (!found) return { entry: text, outcomes: null };
  return { entry: (found[1] ?? "").trim(), outcomes: (found[2] ?? "").replace(/\s/g, "") };
}

/** What typed levels of outcomes do to one paper; `result` is the record an entry before them led to. */
export function withOutcomes(
  state: CourseState,
  { assignment, student }: Paper,
  marks: string,
): Result<
  { readonly judgements: readonly (Patch | null)[]; readonly attainment: Id<"level"> | null | undefined },
  ChangeIssue
> {
  const rubric = outcomeRubricOf(state, assignment);
  const scale = outcomeScaleOf(state, assignment);
  const criteria = rubric?.criteria ?? [];
  const most = criteria.length + (scale ? 1 : 0);
  if (marks.length > most) return refuse({ code: "too_many_outcomes", given: marks.length, most });
  const judgements: (Patch | null)[] = [];
  for (const [place, mark] of [...marks].slice(0, criteria.length).entries()) {
    const criterion = criteria[place];
    if (!rubric || !criterion) continue;
    const level = mark === "-" ? null : criterion.levels[Number(mark) - 1];
    if (level === undefined) return refuse({ code: "no_rubric_level", digit: Number(mark) });
    const present = judgementOf(state, assignment.id, student.id, criterion.id);
    const points = level && proposedPoints(rubric, criterion, level);
    judgements.push(put(state, "judgements", { ...present, points, notApplicable: false }));
  }
  const last = marks[criteria.length];
  if (last === undefined || last === "-") return ok({ judgements, attainment: last === "-" ? null : undefined });
  // A scale is kept from its highest level down; like a rubric's its levels are counted from the lowest.
  const level = scale?.levels.at(-Number(last));
  return level ? ok({ judgements, attainment: level.id }) : refuse({ code: "no_rubric_level", digit: Number(last) });
}
