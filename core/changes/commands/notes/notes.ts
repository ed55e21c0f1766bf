import { z } from "zod/mini";
import { ok, refuse, type Id, type Result } from "#core/kernel";
import { commentField, handInOf, idField, noteSchema, rubricOf, type CourseState, type Note } from "#core/model";
import { MARK_NAMES } from "#core/words";
import type { ChangeIssue, CommandKind } from "../../engine/change";
import { checkSeen, excerpt, finish, paperAt, put, type Paper } from "../../engine/command-parts";
import { patchBetween } from "../../engine/patch";

const addInput = z.extend(
  z.pick(noteSchema, {
    assignmentId: true,
    studentId: true,
    fileId: true,
    mark: true,
    target: true,
    criterionId: true,
    body: true,
  }),
  { colour: z.optional(noteSchema.shape.colour), forGroup: z.optional(noteSchema.shape.forGroup) },
);

/** Puts a note on a place in the work; with a criterion it is evidence for it. */
export const addNote: CommandKind<z.infer<typeof addInput>> = {
  input: addInput,
  prepare: (state, note, { at, by, fresh }) => {
    const paper = paperAt(state, note);
    if (!paper.ok) return paper;
    const files =
      handInOf(state, note.assignmentId, note.studentId)?.attempts.flatMap((attempt) => attempt.files) ?? [];
    if (!files.some((file) => file.id === note.fileId)) {
      return refuse({ code: "unknown_record", what: "file", id: note.fileId });
    }
    const criterion = checkCriterion(state, paper.value, note.criterionId);
    if (!criterion.ok) return criterion;
    const fits = checkTarget(note.mark, note.target);
    if (!fits.ok) return fits;
    const record: Note = {
      ...note,
      colour: note.colour ?? null,
      forGroup: note.forGroup ?? false,
      id: `note:${fresh()}` as Id<"note">,
      createdAt: at,
      by,
    };
    return finish(`${paper.value.title}: ${nameOf(record)}`, put(state, "notes", record));
  },
};

const editInput = z.object({
  noteId: idField("note"),
  body: z.optional(commentField),
  criterionId: z.optional(z.nullable(idField("criterion"))),
  colour: z.optional(noteSchema.shape.colour),
  forGroup: z.optional(noteSchema.shape.forGroup),
  /** Another place for it; its kind of place stays. */
  target: z.optional(noteSchema.shape.target),
  seen: z.optional(z.string()),
});

/** Rewrites a note, moves it, gives it another colour, or links it to another criterion. */
export const editNote: CommandKind<z.infer<typeof editInput>> = {
  input: editInput,
  prepare: (state, { noteId, body, criterionId, colour, forGroup, target, seen }) => {
    const found = noteAt(state, noteId);
    if (!found.ok) return found;
    const { note, paper } = found.value;
    const known = checkSeen(seen, note.body);
    if (!known.ok) return known;
    const criterion = checkCriterion(state, paper, criterionId ?? null);
    if (!criterion.ok) return criterion;
    const fits = checkTarget(note.mark, target ?? note.target);
    if (!fits.ok) return fits;
    const next: Note = {
      ...note,
      body: body ?? note.body,
      criterionId: criterionId === undefined ? note.criterionId : criterionId,
      colour: colour === undefined ? note.colour : colour,
      target: target ?? note.target,
      forGroup: forGroup ?? note.forGroup,
    };
    return finish(`${paper.title}: ${nameOf(next)} ${target ? "moved" : "edited"}`, put(state, "notes", next));
  },
};

const removeInput = z.object({ noteId: idField("note") });

/** Takes a note off the work. */
export const removeNote: CommandKind<z.infer<typeof removeInput>> = {
  input: removeInput,
  prepare: (state, { noteId }) => {
    const found = noteAt(state, noteId);
    if (!found.ok) return found;
    const { note, paper } = found.value;
    return finish(`${paper.title}: ${nameOf(note)} deleted`, patchBetween("notes", noteId, note, null));
  },
};

/** Which places a kind of remark can have. */
const PLACES: Readonly<Record<Note["mark"], readonly Note["target"]["kind"][]>> = {
  highlight: ["passage"],
  strikeout: ["passage"],
  insertion: ["passage"],
  pin: ["point"],
  text: ["point"],
  ink: ["strokes"],
  tick: ["point", "passage"],
  query: ["point", "passage"],
};

/** Whether a kind of remark can have such a place. */
export const checkTarget = (mark: Note["mark"], { kind }: Note["target"]): Result<null, ChangeIssue> =>
  PLACES[mark].includes(kind) ? ok(null) : refuse({ code: "wrong_place", mark: MARK_NAMES[mark] });

function nameOf(note: Note): string {
  const kind = MARK_NAMES[note.mark];
  const words = note.body || (note.target.kind === "passage" ? note.target.exact : "");
  return words ? `${kind} "${excerpt(words)}"` : kind;
}

function noteAt(state: CourseState, noteId: Note["id"]): Result<{ note: Note; paper: Paper }, ChangeIssue> {
  const note = state.notes[noteId];
  if (!note) return refuse({ code: "unknown_record", what: "note", id: noteId });
  const paper = paperAt(state, note);
  return paper.ok ? ok({ note, paper: paper.value }) : paper;
}

function checkCriterion(state: CourseState, paper: Paper, id: Note["criterionId"]): Result<null, ChangeIssue> {
  if (id === null) return ok(null);
  const known = rubricOf(state, paper.assignment)?.criteria.some((criterion) => criterion.id === id);
  return known ? ok(null) : refuse({ code: "unknown_record", what: "criterion", id });
}
