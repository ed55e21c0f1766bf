import { z } from "zod/mini";
import { refuse } from "#core/kernel";
import { handInOf, idField, resultOf } from "#core/model";
import { checkScore } from "#core/scoring";
import type { CommandKind } from "../../engine/change";
import { finish, paperAt, put, readFigure } from "../../engine/command-parts";

const attemptInput = z.object({
  assignmentId: idField("assignment"),
  studentId: idField("student"),
  attempt: z.int().check(z.minimum(1)),
  text: z.string().check(z.maxLength(60)),
  confirmed: z.optional(z.boolean()),
});

/** Scores one attempt, or clears its score with nothing or `-`. Which attempt counts is the assignment's rule. */
export const scoreAttempt: CommandKind<z.infer<typeof attemptInput>> = {
  input: attemptInput,
  prepare: (state, { attempt, text, confirmed = false, ...where }) => {
    const paper = paperAt(state, where);
    if (!paper.ok) return paper;
    const handIn = handInOf(state, where.assignmentId, where.studentId);
    if (!handIn?.attempts.some(({ number }) => number === attempt)) return refuse({ code: "no_such_attempt", attempt });
    const result = resultOf(state, where.assignmentId, where.studentId);
    const others = result.attemptScores.filter((score) => score.attempt !== attempt);
    const title = `${paper.value.title}, attempt ${String(attempt)}`;
    const figure = readFigure(text);
    if (!figure.ok) return figure;
    const points = figure.value;
    if (points === null) {
      return finish(`${title}: cleared`, put(state, "results", { ...result, attemptScores: others }));
    }
    const checked = checkScore(points, paper.value.assignment, confirmed);
    if (!checked.ok) return checked;
    const attemptScores = [...others, { attempt, points }].sort((a, b) => a.attempt - b.attempt);
    return finish(`${title}: score ${points}`, put(state, "results", { ...result, attemptScores }));
  },
};
