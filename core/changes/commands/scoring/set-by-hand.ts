import { z } from "zod/mini";
import {
  add,
  fromDecimal,
  ok,
  parseDecimal,
  pointsText,
  refuse,
  type Decimal,
  type Exact,
  type Result,
} from "#core/kernel";
import { idField, resultOf, type CourseState, type ResultRecord } from "#core/model";
import { figuresOf } from "#core/totals";
import { counted } from "#core/words";
import type { ChangeIssue, CommandKind, PaperPlace } from "../../engine/change";
import { checkSeen, finish, paperAt, put, readFigure } from "../../engine/command-parts";

const reasonField = z.string().check(z.trim(), z.maxLength(500));

const setByHandInput = z.object({
  assignmentId: idField("assignment"),
  studentId: idField("student"),
  /** The figure in points; nothing or `-` goes back to the computed one. */
  text: z.string().check(z.maxLength(60)),
  seen: z.optional(z.string()),
  reason: z.optional(reasonField),
});

/** Sets the counted value of a result by hand, or goes back to the computed one, which stays beside it all the time. */
export const setByHand: CommandKind<z.infer<typeof setByHandInput>> = {
  input: setByHandInput,
  prepare: (state, { text, seen, reason, ...where }) => {
    const paper = paperAt(state, where);
    if (!paper.ok) return paper;
    const figure = readFigure(text);
    if (!figure.ok) return figure;
    const result = resultOf(state, where.assignmentId, where.studentId);
    const known = checkSeen(seen, result.setByHand ?? "");
    if (!known.ok) return known;
    const words = figure.value === null ? "back to the computed figure" : `set by hand ${figure.value}`;
    const done = finish(
      `${paper.value.title}: ${words}`,
      put(state, "results", { ...result, setByHand: figure.value }),
    );
    return done.ok && reason ? ok({ ...done.value, reason }) : done;
  },
};

const adjustInput = z.object({
  assignmentId: idField("assignment"),
  studentIds: z.array(idField("student")).check(z.minLength(1), z.maxLength(5_000)),
  /** Points to add; below 0 to take off. */
  text: z.string().check(z.maxLength(60)),
  /** Why; it stands in the journal. */
  reason: reasonField.check(z.minLength(1)),
});

/** Adds points to the counted values of a selection. Each becomes a figure set by hand beside the computed one. */
export const adjustScores: CommandKind<z.infer<typeof adjustInput>> = {
  input: adjustInput,
  prepare: (state, { assignmentId, studentIds, text, reason }) => {
    const by = parseDecimal(text);
    if (!by.ok) return by;
    const results: ResultRecord[] = [];
    let name = "";
    for (const studentId of studentIds) {
      const next = adjusted(state, { assignmentId, studentId }, fromDecimal(by.value));
      if (!next.ok) return next;
      results.push(next.value.result);
      name = next.value.name;
    }
    const sign = by.value.startsWith("-") ? "" : "+";
    const done = finish(
      `${name}: ${counted(results.length, "score")} adjusted by ${sign}${by.value}`,
      ...results.map((result) => put(state, "results", result)),
    );
    return done.ok ? ok({ ...done.value, reason }) : done;
  },
};

function adjusted(
  state: CourseState,
  place: PaperPlace,
  by: Exact,
): Result<{ readonly result: ResultRecord; readonly name: string }, ChangeIssue> {
  const paper = paperAt(state, place);
  if (!paper.ok) return paper;
  const { counted: value } = figuresOf(state).figure(place.assignmentId, place.studentId);
  if (!value) return refuse({ code: "no_figure_to_adjust", title: paper.value.title });
  const sum = add(value, by);
  const setByHand: Decimal = sum.n < 0n ? ("0" as Decimal) : pointsText(sum);
  return ok({
    result: { ...resultOf(state, place.assignmentId, place.studentId), setByHand },
    name: paper.value.assignment.name,
  });
}
