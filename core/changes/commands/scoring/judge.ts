import { z } from "zod/mini";
import { ok, parseDecimal, refuse, type Result, type StudentId } from "#core/kernel";
import {
  commentField,
  idField,
  judgementOf,
  outcomeRubricOf,
  resultOf,
  rubricOf,
  type CourseState,
  type Criterion,
  type Rubric,
} from "#core/model";
import { checkPoints, levelAt, proposedPoints, steppedPoints } from "#core/scoring";
import type { ChangeIssue, CommandKind, PaperPlace } from "../../engine/change";
import { checkSeen, excerpt, finish, paperAt, put, type Paper } from "../../engine/command-parts";
import { scopeOf, scopeTitle, wholeGroupField } from "./group-scope";

const place = {
  assignmentId: idField("assignment"),
  studentId: idField("student"),
  criterionId: idField("criterion"),
};

const judgeInput = z.object({
  ...place,
  verdict: z.discriminatedUnion("kind", [
    /** The level by its number from 1, lowest first. */
    z.object({ kind: z.literal("level"), digit: z.int() }),
    z.object({ kind: z.literal("points"), text: z.string().check(z.maxLength(60)) }),
    /** One step of the ruler, from where it stands when the command is carried out. */
    z.object({ kind: z.literal("step"), direction: z.union([z.literal(1), z.literal(-1)]) }),
    /** With `toggle` it is opened again where it does not apply when the command is carried out. */
    z.object({ kind: z.literal("notApplicable"), toggle: z.optional(z.boolean()) }),
    z.object({ kind: z.literal("open") }),
  ]),
  /** The person was asked about something unusual and goes on: points between levels, a missing or excused student. */
  confirmed: z.optional(z.boolean()),
  wholeGroup: wholeGroupField,
});

/** Judges one criterion of the score or one outcome: by level, by points, not applicable, or open again. */
export const judge: CommandKind<z.infer<typeof judgeInput>> = {
  input: judgeInput,
  prepare: (state, { verdict, criterionId, confirmed = false, wholeGroup, ...where }) => {
    const found = criterionAt(state, where, criterionId);
    if (!found.ok) return found;
    const { paper, rubric, criterion, isOutcome } = found.value;
    const result = resultOf(state, where.assignmentId, where.studentId);
    // An outcome says nothing about the score: who is missing or excused stays so.
    const gives = !isOutcome && verdict.kind !== "open" && verdict.kind !== "notApplicable";
    if (gives && result.decision !== null && !confirmed) {
      return refuse({
        code: result.decision === "missing" ? "student_is_missing" : "student_is_excused",
        canConfirm: true,
      });
    }
    const standing = gives ? put(state, "results", { ...result, decision: null }) : null;
    const present = judgementOf(state, where.assignmentId, where.studentId, criterionId);
    const judgementAt = (id: StudentId) => judgementOf(state, where.assignmentId, id, criterionId);
    const scope = scopeOf(state, where, wholeGroup, (mate) => {
      const theirs = judgementAt(mate);
      const open = theirs.points === null && !theirs.notApplicable;
      const same = theirs.points === present.points && theirs.notApplicable === present.notApplicable;
      return (open || same) && (isOutcome || resultOf(state, where.assignmentId, mate).decision === null);
    });
    const store = (points: typeof present.points, notApplicable: boolean, words: string) =>
      finish(
        `${scopeTitle(state, paper, wholeGroup)}: ${criterion.name} ${words}`,
        ...scope.map((id) => put(state, "judgements", { ...judgementAt(id), points, notApplicable })),
        standing,
      );
    switch (verdict.kind) {
      case "open":
        return store(null, false, "open");
      case "notApplicable":
        return verdict.toggle && present.notApplicable
          ? store(null, false, "open")
          : store(null, true, "not applicable");
      case "level": {
        const level = criterion.levels[verdict.digit - 1];
        if (!level) return refuse({ code: "no_rubric_level", digit: verdict.digit });
        const points = proposedPoints(rubric, criterion, level);
        return store(points, false, isOutcome ? level.name : `${level.name}, ${points}`);
      }
      case "step": {
        const points = steppedPoints(criterion, present.points, verdict.direction);
        return store(points, false, points);
      }
      case "points": {
        const typed = parseDecimal(verdict.text);
        if (!typed.ok) return typed;
        const points = checkPoints(criterion, typed.value, confirmed);
        if (!points.ok) return points;
        const level = levelAt(criterion, points.value);
        return store(points.value, false, level ? `${level.name}, ${points.value}` : points.value);
      }
    }
  },
};

const commentInput = z.object({
  ...place,
  comment: commentField,
  /** To the student, or a private note that only instructors ever see; left out: to the student. */
  facing: z.optional(z.enum(["student", "private"])),
  seen: z.optional(z.string()),
  wholeGroup: wholeGroupField,
});

/** Writes the comment that stands under one criterion, or the private note on it. */
export const setCriterionComment: CommandKind<z.infer<typeof commentInput>> = {
  input: commentInput,
  prepare: (state, { criterionId, comment, facing, seen, wholeGroup, ...where }) => {
    const [field, name] =
      facing === "private" ? (["privateNote", "private note"] as const) : (["comment", "comment"] as const);
    const found = criterionAt(state, where, criterionId);
    if (!found.ok) return found;
    const present = judgementOf(state, where.assignmentId, where.studentId, criterionId);
    const known = checkSeen(seen, present[field]);
    if (!known.ok) return known;
    const judgementAt = (id: StudentId) => judgementOf(state, where.assignmentId, id, criterionId);
    const scope = scopeOf(state, where, wholeGroup, (mate) => ["", present[field]].includes(judgementAt(mate)[field]));
    const title = scopeTitle(state, found.value.paper, wholeGroup);
    return finish(
      `${title}: ${name} on ${found.value.criterion.name} "${excerpt(comment)}"`,
      ...scope.map((id) => put(state, "judgements", { ...judgementAt(id), [field]: comment })),
    );
  },
};

function criterionAt(
  state: CourseState,
  where: PaperPlace,
  criterionId: Criterion["id"],
): Result<{ paper: Paper; rubric: Rubric; criterion: Criterion; isOutcome: boolean }, ChangeIssue> {
  const paper = paperAt(state, where);
  if (!paper.ok) return paper;
  const { assignment } = paper.value;
  for (const rubric of [rubricOf(state, assignment), outcomeRubricOf(state, assignment)]) {
    const criterion = rubric?.criteria.find(({ id }) => id === criterionId);
    if (rubric && criterion) {
      return ok({ paper: paper.value, rubric, criterion, isOutcome: rubric.id !== assignment.rubricId });
    }
  }
  return refuse({ code: "unknown_record", what: "criterion", id: criterionId });
}
