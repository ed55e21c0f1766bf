import { z } from "zod";
import { milliseconds, refuse } from "#core/kernel";
import { idField, instantField, resultOf, totalSealOf, type CourseState } from "#core/model";
import type { CommandKind } from "./change";
import { assignmentAt, finish, paperAt, put } from "./draft";

const assignmentInput = z.object({ assignmentId: idField("assignment"), held: z.boolean() });

/** Holds a whole assignment for moderation, or lets it go: while it is held nothing of it is visible. */
export const holdAssignment: CommandKind<z.infer<typeof assignmentInput>> = {
  input: assignmentInput,
  prepare: (state, { assignmentId, held }) => {
    const found = assignmentAt(state, assignmentId);
    if (!found.ok) return found;
    const words = held ? "held for moderation" : "no longer held";
    return finish(`${found.value.name}: ${words}`, put(state, "assignments", { ...found.value, held }));
  },
};

const resultInput = z.object({
  assignmentId: idField("assignment"),
  studentId: idField("student"),
  held: z.boolean(),
});

/** Holds back one student's result, or lets it go. */
export const holdResult: CommandKind<z.infer<typeof resultInput>> = {
  input: resultInput,
  prepare: (state, { held, ...where }) => {
    const paper = paperAt(state, where);
    if (!paper.ok) return paper;
    const result = resultOf(state, where.assignmentId, where.studentId);
    const words = held ? "held back" : "no longer held back";
    return finish(`${paper.value.title}: ${words}`, put(state, "results", { ...result, held }));
  },
};

const sealInput = z.object({
  /** `course`, a category or a term. */
  id: z.string(),
  state: z.enum(["sealed", "timed", "released"]),
  at: instantField.nullable(),
  shows: z.enum(["percent", "letter"]),
});

const knowsTotal = (state: CourseState, id: string): boolean =>
  id === "course" || state.categories[id] !== undefined || state.terms[id] !== undefined;

/** Shows a total to students, sets a time for it, or seals it again. */
export const sealTotal: CommandKind<z.infer<typeof sealInput>> = {
  input: sealInput,
  prepare: (state, seal, { at }) => {
    if (!knowsTotal(state, seal.id)) return refuse({ code: "unknown_record", what: "total", id: seal.id });
    if (seal.state === "timed" && (seal.at === null || milliseconds(seal.at) <= milliseconds(at))) {
      return refuse({ code: "time_is_past", at: seal.at ?? at });
    }
    const name = state.categories[seal.id]?.name ?? state.terms[seal.id]?.name ?? "Course";
    return finish(
      `${name} total: ${seal.state}`,
      put(state, "totalSeals", { ...totalSealOf(state, seal.id), ...seal }),
    );
  },
};
