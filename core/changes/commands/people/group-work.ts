import { z } from "zod/mini";
import { refuse, type Id } from "#core/kernel";
import { idField, nameField, resultOf } from "#core/model";
import { checkScore } from "#core/scoring";
import type { CommandKind } from "../../engine/change";
import { assignmentAt, finish, paperAt, put, readFigure } from "../../engine/command-parts";

const formInput = z.object({
  assignmentId: idField("assignment"),
  groups: z
    .array(
      z.object({ name: nameField, memberIds: z.array(idField("student")).check(z.minLength(1), z.maxLength(100)) }),
    )
    .check(z.minLength(1), z.maxLength(500)),
});

/** Forms the groups of an assignment. A student belongs to one group at most, also of those formed before. */
export const formGroups: CommandKind<z.infer<typeof formInput>> = {
  input: formInput,
  prepare: (state, { assignmentId, groups }, { fresh }) => {
    const found = assignmentAt(state, assignmentId);
    if (!found.ok) return found;
    const before = Object.values(state.groups).filter((group) => group.assignmentId === assignmentId);
    const taken = new Set(before.flatMap(({ memberIds }) => memberIds));
    for (const studentId of groups.flatMap(({ memberIds }) => memberIds)) {
      if (!state.students[studentId]) return refuse({ code: "unknown_record", what: "student", id: studentId });
      if (taken.has(studentId)) return refuse({ code: "student_in_two_groups", studentId });
      taken.add(studentId);
    }
    const records = groups.map((group) => ({
      ...group,
      id: `group:${fresh()}` as Id<"group">,
      assignmentId,
      score: null,
    }));
    return finish(
      `${found.value.name}: ${String(records.length)} groups formed`,
      ...records.map((record) => put(state, "groups", record)),
    );
  },
};

const scoreInput = z.object({
  groupId: idField("group"),
  text: z.string().check(z.maxLength(60)),
  confirmed: z.optional(z.boolean()),
});

/** Scores a group; the figure stands for every member without one of their own. */
export const scoreGroup: CommandKind<z.infer<typeof scoreInput>> = {
  input: scoreInput,
  prepare: (state, { groupId, text, confirmed = false }) => {
    const group = state.groups[groupId];
    if (!group) return refuse({ code: "unknown_record", what: "group", id: groupId });
    const found = assignmentAt(state, group.assignmentId);
    if (!found.ok) return found;
    const figure = readFigure(text);
    if (!figure.ok) return figure;
    if (figure.value !== null) {
      const checked = checkScore(figure.value, found.value, confirmed);
      if (!checked.ok) return checked;
    }
    const words = figure.value === null ? "cleared" : `score ${figure.value}`;
    return finish(
      `${group.name}, ${found.value.name}: ${words}`,
      put(state, "groups", { ...group, score: figure.value }),
    );
  },
};

const adjustInput = z.object({
  assignmentId: idField("assignment"),
  studentId: idField("student"),
  /** Points added to the group's score, or taken off with a minus. */
  text: z.string().check(z.maxLength(60)),
});

/** Gives one member of a group a part of their own, above or below the group's score. */
export const adjustMember: CommandKind<z.infer<typeof adjustInput>> = {
  input: adjustInput,
  prepare: (state, { text, ...where }) => {
    const paper = paperAt(state, where);
    if (!paper.ok) return paper;
    const figure = readFigure(text);
    if (!figure.ok) return figure;
    const result = resultOf(state, where.assignmentId, where.studentId);
    const words = figure.value === null ? "own part cleared" : `own part ${figure.value}`;
    return finish(`${paper.value.title}: ${words}`, put(state, "results", { ...result, adjustment: figure.value }));
  },
};
