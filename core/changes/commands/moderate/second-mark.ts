import { z } from "zod/mini";
import { ok, parseDecimal, refuse, type Decimal, type Result } from "#core/kernel";
import {
  commentField,
  idField,
  moderationOf,
  rubricOf,
  secondMarkOf,
  type Criterion,
  type CourseState,
  type Rubric,
  type SecondMark,
} from "#core/model";
import { checkPoints, checkScore, levelAt, proposedPoints, steppedPoints } from "#core/scoring";
import type { ChangeIssue, CommandKind, PaperPlace } from "../../engine/change";
import { excerpt, finish, paperAt, put, type Paper } from "../../engine/command-parts";

const verdictField = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("level"), digit: z.int() }),
  z.object({ kind: z.literal("points"), text: z.string().check(z.maxLength(60)) }),
  z.object({ kind: z.literal("step"), direction: z.union([z.literal(1), z.literal(-1)]) }),
  z.object({ kind: z.literal("notApplicable") }),
  z.object({ kind: z.literal("open") }),
]);
type Verdict = z.infer<typeof verdictField>;

const where = { assignmentId: idField("assignment"), studentId: idField("student") };

interface SampledPaper {
  readonly paper: Paper;
  readonly mark: SecondMark;
  readonly title: string;
}

/** A paper of the sample with what the second marker gave it so far. */
function sampledAt(state: CourseState, place: PaperPlace): Result<SampledPaper, ChangeIssue> {
  const paper = paperAt(state, place);
  if (!paper.ok) return paper;
  const moderation = moderationOf(state, place.assignmentId);
  if (!moderation?.studentIds.includes(place.studentId)) return refuse({ code: "not_in_sample" });
  const { markerId } = moderation;
  const { assignmentId, studentId } = place;
  const mark = secondMarkOf(state, assignmentId, studentId) ?? {
    id: `${assignmentId}/${studentId}/${markerId}`,
    assignmentId,
    studentId,
    markerId,
    judgements: [],
    score: null,
    comment: "",
    notes: [],
  };
  return ok({ paper: paper.value, mark, title: `${paper.value.title}, second marking` });
}

const judgeInput = z.object({
  ...where,
  criterionId: idField("criterion"),
  verdict: verdictField,
  confirmed: z.optional(z.boolean()),
});

/** Judges one criterion of a sampled paper as its second marker; the first judgement is not touched. */
export const judgeSecond: CommandKind<z.infer<typeof judgeInput>> = {
  input: judgeInput,
  prepare: (state, { criterionId, verdict, confirmed = false, ...place }) => {
    const found = sampledAt(state, place);
    if (!found.ok) return found;
    const { paper, mark, title } = found.value;
    const rubric = rubricOf(state, paper.assignment);
    const criterion = rubric?.criteria.find(({ id }) => id === criterionId);
    if (!rubric || !criterion) return refuse({ code: "unknown_record", what: "criterion", id: criterionId });
    const before = mark.judgements.find((one) => one.criterionId === criterionId);
    const points = pointsOf(verdict, rubric, criterion, before?.points ?? null, confirmed);
    if (!points.ok) return points;
    const judged = {
      criterionId,
      points: points.value,
      notApplicable: verdict.kind === "notApplicable" && !before?.notApplicable,
      comment: before?.comment ?? "",
    };
    const judgements = [...mark.judgements.filter((one) => one.criterionId !== criterionId), judged];
    const level = points.value && levelAt(criterion, points.value);
    const words = judged.notApplicable
      ? "not applicable"
      : points.value === null
        ? "open"
        : `${level ? `${level.name}, ` : ""}${points.value}`;
    return finish(`${title}: ${criterion.name} ${words}`, put(state, "secondMarks", { ...mark, judgements }));
  },
};

function pointsOf(
  verdict: Verdict,
  rubric: Rubric,
  criterion: Criterion,
  before: Decimal | null,
  confirmed: boolean,
): Result<Decimal | null, ChangeIssue> {
  switch (verdict.kind) {
    case "open":
    case "notApplicable":
      return ok(null);
    case "step":
      return ok(steppedPoints(criterion, before, verdict.direction));
    case "level": {
      const level = criterion.levels[verdict.digit - 1];
      return level
        ? ok(proposedPoints(rubric, criterion, level))
        : refuse({ code: "no_rubric_level", digit: verdict.digit });
    }
    case "points": {
      const typed = parseDecimal(verdict.text);
      return typed.ok ? checkPoints(criterion, typed.value, confirmed) : typed;
    }
  }
}

const scoreInput = z.object({ ...where, text: z.string().check(z.maxLength(60)), confirmed: z.optional(z.boolean()) });

/** Scores a sampled paper as its second marker, where there is no rubric; nothing or `-` takes it back. */
export const scoreSecond: CommandKind<z.infer<typeof scoreInput>> = {
  input: scoreInput,
  prepare: (state, { text, confirmed = false, ...place }) => {
    const found = sampledAt(state, place);
    if (!found.ok) return found;
    const { paper, mark, title } = found.value;
    const typed = text.trim();
    const points = typed === "" || typed === "-" ? ok(null) : parseDecimal(typed);
    if (!points.ok) return points;
    if (points.value !== null) {
      const checked = checkScore(points.value, { ...paper.assignment, scoredIn: { kind: "points" } }, confirmed);
      if (!checked.ok) return checked;
    }
    return finish(`${title}: ${points.value ?? "open"}`, put(state, "secondMarks", { ...mark, score: points.value }));
  },
};

const commentInput = z.object({ ...where, comment: commentField });

/** What the second marker says of a paper, to the first one; it never reaches a student. */
export const commentSecond: CommandKind<z.infer<typeof commentInput>> = {
  input: commentInput,
  prepare: (state, { comment, ...place }) => {
    const found = sampledAt(state, place);
    if (!found.ok) return found;
    const { mark, title } = found.value;
    return finish(`${title}: comment "${excerpt(comment)}"`, put(state, "secondMarks", { ...mark, comment }));
  },
};
