import { z } from "zod/mini";
import { refuse, type Id } from "#core/kernel";
import { handInOf, idField, notesOf, ownHandInOf, resultOf, type Note } from "#core/model";
import { counted } from "#core/words";
import type { CommandKind } from "../../engine/change";
import { finish, paperAt, put, remove } from "../../engine/command-parts";

const discardInput = z.object({
  assignmentId: idField("assignment"),
  studentId: idField("student"),
  attempt: z.int().check(z.minimum(1)),
});

/** Discards an attempt, with the score it had by itself. Its file stays kept, so that undoing brings all of it back. */
export const discardAttempt: CommandKind<z.infer<typeof discardInput>> = {
  input: discardInput,
  prepare: (state, { attempt, ...place }) => {
    const paper = paperAt(state, place);
    if (!paper.ok) return paper;
    const handIn = ownHandInOf(state, place.assignmentId, place.studentId);
    const left = handIn?.attempts.filter(({ number }) => number !== attempt) ?? [];
    if (!handIn || left.length === handIn.attempts.length) {
      return refuse({ code: "unknown_record", what: "attempt", id: String(attempt) });
    }
    const result = resultOf(state, place.assignmentId, place.studentId);
    const scores = result.attemptScores.filter((score) => score.attempt !== attempt);
    return finish(
      `${paper.value.title}: attempt ${String(attempt)} discarded`,
      left.length === 0 ? remove(state, "handIns", handIn.id) : put(state, "handIns", { ...handIn, attempts: left }),
      scores.length < result.attemptScores.length ? put(state, "results", { ...result, attemptScores: scores }) : null,
    );
  },
};

const carryInput = z.object({
  assignmentId: idField("assignment"),
  studentId: idField("student"),
  from: idField("file"),
  to: idField("file"),
});

/** The remarks of one file that another file of the same paper does not have yet. */
export function notesToCarry(notes: readonly Note[], from: Note["fileId"], to: Note["fileId"]): Note[] {
  const same = (a: Note, b: Note) => a.mark === b.mark && a.body === b.body && placeOf(a) === placeOf(b);
  const there = notes.filter(({ fileId }) => fileId === to);
  return notes.filter((note) => note.fileId === from && !there.some((other) => same(note, other)));
}

const placeOf = ({ target }: Note): string => (target.kind === "passage" ? target.exact : JSON.stringify(target));

/** Brings the remarks on an earlier attempt over to a later one; each finds its words there, or is shown as lost. */
export const carryNotes: CommandKind<z.infer<typeof carryInput>> = {
  input: carryInput,
  prepare: (state, { from, to, ...place }, { at, fresh }) => {
    const paper = paperAt(state, place);
    if (!paper.ok) return paper;
    const files = handInOf(state, place.assignmentId, place.studentId)?.attempts.flatMap((one) => one.files) ?? [];
    const target = files.find(({ id }) => id === to);
    if (!target) return refuse({ code: "unknown_record", what: "file", id: to });
    const notes = notesToCarry(notesOf(state, place.assignmentId, place.studentId), from, to).map((note): Note => ({
      ...note,
      id: `note:${fresh()}` as Id<"note">,
      fileId: to,
      createdAt: at,
    }));
    return finish(
      `${paper.value.title}: ${counted(notes.length, "remark")} brought over to ${target.name}`,
      ...notes.map((note) => put(state, "notes", note)),
    );
  },
};
