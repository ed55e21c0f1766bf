import { z } from "zod/mini";
import {
  add,
  divide,
  ok,
  parseDecimal,
  pointsText,
  refuse,
  whole,
  type Decimal,
  type Exact,
  type Result,
} from "#core/kernel";
import { idField, moderationOf } from "#core/model";
import { checkScore } from "#core/scoring";
import { moderatedPapers } from "#core/totals";
import type { ChangeIssue, CommandKind } from "../../engine/change";
import { finish, paperAt, put } from "../../engine/command-parts";

const where = { assignmentId: idField("assignment"), studentId: idField("student") };

const settleInput = z.object({
  ...where,
  choice: z.enum(["first", "second", "mean", "other"]),
  /** The figure in points, where it is another than these. */
  text: z.optional(z.string().check(z.maxLength(60))),
  reason: z.string().check(z.trim(), z.maxLength(500)),
  confirmed: z.optional(z.boolean()),
});

const WORDS = {
  first: "the first stands",
  second: "the second stands",
  mean: "the mean",
  other: "another figure",
} as const;

/** Decides between two judgements of a paper. The rules, such as lateness, apply to what was settled as to any score. */
export const settle: CommandKind<z.infer<typeof settleInput>> = {
  input: settleInput,
  prepare: (state, { choice, text = "", reason, confirmed = false, ...place }) => {
    const paper = paperAt(state, place);
    if (!paper.ok) return paper;
    const { assignment, title } = paper.value;
    const moderation = moderationOf(state, assignment.id);
    const found = moderatedPapers(state, assignment).find(({ studentId }) => studentId === place.studentId);
    if (!moderation || !found) return refuse({ code: "not_in_sample" });
    const { first, second } = found;
    if (!first || !second) return refuse({ code: "judgement_lacking" });
    const points = pointsOf(choice, first, second, text);
    if (!points.ok) return points;
    const checked = checkScore(points.value, { ...assignment, scoredIn: { kind: "points" } }, confirmed);
    if (!checked.ok) return checked;
    if (choice === "other" && reason === "") return refuse({ code: "reason_lacking" });
    const settled = {
      studentId: place.studentId,
      choice,
      points: points.value,
      first: pointsText(first),
      second: pointsText(second),
      reason,
    };
    const others = moderation.settled.filter(({ studentId }) => studentId !== place.studentId);
    const line = `${title}: settled, ${WORDS[choice]}, ${points.value} (first ${settled.first}, second ${settled.second})`;
    const done = finish(line, put(state, "moderations", { ...moderation, settled: [...others, settled] }));
    return done.ok && reason !== "" ? ok({ ...done.value, reason }) : done;
  },
};

function pointsOf(choice: keyof typeof WORDS, first: Exact, second: Exact, text: string): Result<Decimal, ChangeIssue> {
  switch (choice) {
    case "first":
      return ok(pointsText(first));
    case "second":
      return ok(pointsText(second));
    case "mean":
      return ok(pointsText(divide(add(first, second), whole(2))));
    case "other":
      return parseDecimal(text);
  }
}

const unsettleInput = z.object(where);

/** Opens a settled paper again: the first judgement counts until it is settled anew. */
export const unsettle: CommandKind<z.infer<typeof unsettleInput>> = {
  input: unsettleInput,
  prepare: (state, place) => {
    const paper = paperAt(state, place);
    if (!paper.ok) return paper;
    const moderation = moderationOf(state, place.assignmentId);
    if (!moderation) return refuse({ code: "not_in_sample" });
    const settled = moderation.settled.filter(({ studentId }) => studentId !== place.studentId);
    return finish(
      `${paper.value.title}: open again after second marking`,
      put(state, "moderations", { ...moderation, settled }),
    );
  },
};
