import { z } from "zod/mini";
import { refuse, type Id } from "#core/kernel";
import { handInOf, noteSchema, notesOf, strokeField, type Note } from "#core/model";
import type { CommandKind } from "../../engine/change";
import { finish, paperAt, put } from "../../engine/command-parts";

/** Most strokes of one remark by pen; a further stroke begins another. */
const MOST_STROKES = 400;

const strokeInput = z.extend(z.pick(noteSchema, { assignmentId: true, studentId: true, fileId: true }), {
  page: z.int().check(z.minimum(1)),
  colour: noteSchema.shape.colour.def.innerType,
  /** x, y and pressure of each point, in shares of the unturned page. */
  stroke: strokeField,
});

/** Adds a stroke of the pen. Strokes of one colour on one page are one remark; each is a change of its own. */
export const drawStroke: CommandKind<z.infer<typeof strokeInput>> = {
  input: strokeInput,
  prepare: (state, { page, colour, stroke, ...place }, { at, by, fresh }) => {
    const paper = paperAt(state, place);
    if (!paper.ok) return paper;
    const attempts = handInOf(state, place.assignmentId, place.studentId)?.attempts ?? [];
    if (!attempts.some(({ files }) => files.some(({ id }) => id === place.fileId))) {
      return refuse({ code: "unknown_record", what: "file", id: place.fileId });
    }
    const known = notesOf(state, place.assignmentId, place.studentId).findLast(
      (note) =>
        note.mark === "ink" && note.fileId === place.fileId && note.target.page === page && note.colour === colour,
    );
    const before = known?.target.kind === "strokes" && known.target.strokes.length < MOST_STROKES ? known : null;
    const strokes = [...(before?.target.kind === "strokes" ? before.target.strokes : []), stroke];
    const fresher = {
      id: `note:${fresh()}` as Id<"note">,
      mark: "ink" as const,
      criterionId: null,
      body: "",
      forGroup: false,
      createdAt: at,
      by,
    };
    const record: Note = { ...place, ...(before ?? fresher), colour, target: { kind: "strokes", page, strokes } };
    return finish(`${paper.value.title}: a stroke of the pen`, put(state, "notes", record));
  },
};
