import { z } from "zod";
import { decimal, parseDecimal, refuse, type Id } from "#core/kernel";
import { decimalField, handInOf, idField, nameField, resultOf } from "#core/model";
import { checkScore } from "#core/scoring";
import type { CommandKind } from "./change";
import { finish, paperAt, put } from "./draft";

const attemptInput = z.object({
  assignmentId: idField("assignment"),
  studentId: idField("student"),
  attempt: z.number().int().min(1),
  text: z.string().max(60),
  confirmed: z.boolean().optional(),
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
    if (text.trim() === "" || text.trim() === "-") {
      return finish(`${title}: cleared`, put(state, "results", { ...result, attemptScores: others }));
    }
    const points = parseDecimal(text);
    if (!points.ok) return points;
    const { assignment } = paper.value;
    const unit = assignment.scoredIn.kind === "percent" ? decimal("100") : assignment.points;
    const checked = checkScore(points.value, { ...assignment, points: unit }, confirmed);
    if (!checked.ok) return checked;
    const attemptScores = [...others, { attempt, points: points.value }].sort((a, b) => a.attempt - b.attempt);
    return finish(`${title}: score ${points.value}`, put(state, "results", { ...result, attemptScores }));
  },
};

const scaleInput = z.object({
  name: nameField,
  kind: z.enum(["passNotYet", "attainment", "words"]),
  levels: z
    .array(z.object({ name: nameField, percent: decimalField.nullable() }))
    .min(1)
    .max(20),
});

/** Adds a scale of levels. Where levels have point values, these fall from the first to the last. */
export const addScale: CommandKind<z.infer<typeof scaleInput>> = {
  input: scaleInput,
  prepare: (state, { levels, ...fields }, { fresh }) => {
    if (Object.values(state.scales).some(({ name }) => name === fields.name)) {
      return refuse({ code: "name_taken", name: fields.name });
    }
    const valued = levels.filter((level) => level.percent !== null);
    const rising = valued.find(({ percent }, index) => {
      const before = valued[index - 1]?.percent;
      return before != null && Number(percent) >= Number(before);
    });
    if (rising) return refuse({ code: "bands_not_falling", letter: rising.name });
    const record = {
      ...fields,
      id: `scale:${fresh()}` as Id<"scale">,
      levels: levels.map((level) => ({ ...level, id: `level:${fresh()}` as Id<"level"> })),
    };
    return finish(`Scale ${fields.name} added`, put(state, "scales", record));
  },
};
