import { z } from "zod/mini";
import { fromDecimal, refuse, type Id } from "#core/kernel";
import { idField, moderationOf, moderationSchema, nameField, recordsOf } from "#core/model";
import { counted } from "#core/words";
import type { CommandKind } from "../../engine/change";
import { assignmentAt, finish, put, remove, removeAll } from "../../engine/command-parts";

const setInput = z.extend(z.omit(moderationSchema, { id: true, settled: true, markerId: true }), {
  assignmentId: idField("assignment"),
  /** Who marks a second time; somebody new becomes a marker of the course. */
  markerName: nameField,
});

/** Chooses the papers that are marked a second time, by whom, and how far two judgements may lie apart. */
export const setModeration: CommandKind<z.infer<typeof setInput>> = {
  input: setInput,
  prepare: (state, { assignmentId, markerName, ...wish }, { fresh }) => {
    const found = assignmentAt(state, assignmentId);
    if (!found.ok) return found;
    const unknown = wish.studentIds.find((id) => !state.students[id]);
    if (unknown) return refuse({ code: "unknown_record", what: "student", id: unknown });
    if (fromDecimal(wish.within).n < 0n) return refuse({ code: "points_below_zero", points: wish.within });
    if (wish.studentIds.length === 0) return refuse({ code: "sample_empty" });
    const known = Object.values(state.markers).find(({ name }) => name === markerName);
    const marker = known ?? { id: `marker:${fresh()}` as Id<"marker">, name: markerName };
    const before = moderationOf(state, assignmentId);
    const kept = new Set(wish.studentIds);
    const settled = (before?.settled ?? []).filter(({ studentId }) => kept.has(studentId));
    const record = { ...wish, id: assignmentId, markerId: marker.id, settled };
    const words = `${counted(wish.studentIds.length, "paper")} for second marking by ${marker.name}${wish.blind ? ", blind" : ""}`;
    return finish(
      `${found.value.name}: ${words}`,
      known ? null : put(state, "markers", marker),
      put(state, "moderations", record),
    );
  },
};

const endInput = z.object({ assignmentId: idField("assignment") });

/** Ends second marking: what was settled falls back to the first judgements, and second judgements go. */
export const endModeration: CommandKind<z.infer<typeof endInput>> = {
  input: endInput,
  prepare: (state, { assignmentId }) => {
    const found = assignmentAt(state, assignmentId);
    if (!found.ok) return found;
    const marks = recordsOf(state, "secondMarks").filter((mark) => mark.assignmentId === assignmentId);
    return finish(
      `${found.value.name}: second marking ended`,
      remove(state, "moderations", assignmentId),
      ...removeAll(state, "secondMarks", marks),
    );
  },
};
