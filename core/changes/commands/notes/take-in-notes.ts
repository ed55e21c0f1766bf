import { z } from "zod/mini";
import { refuse, type Id } from "#core/kernel";
import { commentField, handInOf, idField, noteSchema, notesOf, rubricOf, type Note } from "#core/model";
import { counted } from "#core/words";
import type { CommandKind } from "../../engine/change";
import { finish, paperAt, put } from "../../engine/command-parts";
import type { Patch } from "../../engine/patch";
import { checkTarget } from "./notes";

/** Remarks on one file of one paper, as they were read. */
const takeInInput = z.object({
  assignmentId: idField("assignment"),
  studentId: idField("student"),
  fileId: idField("file"),
  notes: z
    .array(
      z.extend(z.pick(noteSchema, { mark: true, target: true, criterionId: true, colour: true }), {
        /** The id it left with, if it left from here. */
        id: z.string().check(z.maxLength(200)),
        body: commentField,
      }),
    )
    .check(z.maxLength(2_000)),
});

/**
 * Takes in remarks that were made on a file elsewhere. One that left from here is recognised by its id and keeps its
 * place and its criterion; only its words are taken over. One that stands there already in the same words is not added
 * again. Nothing is removed.
 */
export const takeInNotes: CommandKind<z.infer<typeof takeInInput>> = {
  input: takeInInput,
  prepare: (state, { fileId, notes, ...place }, { at, by, fresh }) => {
    const paper = paperAt(state, place);
    if (!paper.ok) return paper;
    const files = handInOf(state, place.assignmentId, place.studentId)?.attempts.flatMap((one) => one.files) ?? [];
    const file = files.find(({ id }) => id === fileId);
    if (!file) return refuse({ code: "unknown_record", what: "file", id: fileId });
    const criteria = new Set(rubricOf(state, paper.value.assignment)?.criteria.map(({ id }) => id));
    const there = notesOf(state, place.assignmentId, place.studentId).filter((note) => note.fileId === fileId);
    const same = (a: Note, b: (typeof notes)[number]) =>
      a.mark === b.mark && a.body === b.body && JSON.stringify(a.target) === JSON.stringify(b.target);
    const records: Note[] = [];
    for (const { id, criterionId, ...note } of notes) {
      const known = there.find((other) => other.id === id);
      if (known) {
        if (known.body !== note.body) records.push({ ...known, body: note.body });
        continue;
      }
      const fits = checkTarget(note.mark, note.target);
      if (!fits.ok) return fits;
      const record = { ...note, id, criterionId: criterionId && criteria.has(criterionId) ? criterionId : null };
      if (there.some((other) => same(other, record))) continue;
      records.push({
        ...place,
        fileId,
        ...record,
        id: `note:${fresh()}` as Id<"note">,
        forGroup: false,
        createdAt: at,
        by,
      });
    }
    return finish(
      `${paper.value.title}: ${counted(records.length, "remark")} read in on ${file.name}`,
      ...records.map((record) => put(state, "notes", record)),
    );
  },
};

const papersInput = z.object({ papers: z.array(takeInInput).check(z.minLength(1), z.maxLength(5_000)) });

/** Takes in the remarks on many papers that were marked elsewhere, as one change; a paper that brings nothing new is passed over. */
export const takeInMarkedPapers: CommandKind<z.infer<typeof papersInput>> = {
  input: papersInput,
  prepare: (state, { papers }, context) => {
    const patches: Patch[] = [];
    let taken = 0;
    for (const paper of papers) {
      const one = takeInNotes.prepare(state, paper, context);
      if (!one.ok && one.issue.code !== "nothing_to_change") return one;
      if (!one.ok) continue;
      patches.push(...one.value.patches);
      taken += 1;
    }
    const names = [...new Set(papers.map(({ assignmentId }) => state.assignments[assignmentId]?.name ?? ""))];
    const what = `${counted(patches.length, "remark")} on ${counted(taken, "paper")} taken in`;
    return finish(`${names.join(", ")}: ${what}`, ...patches);
  },
};
