import { z } from "zod/mini";
import { ok, refuse, type ChangeId, type Id, type Result } from "#core/kernel";
import { idField } from "#core/model";
import { changeSchema, type Change, type ChangeIssue, type Context } from "./change";
import { invertPatches } from "./patch";

/** Version of the journal entry's form. */
export const ENTRY_SCHEMA = 5;

/** One entry of the journal: a change, or the undoing or redoing of one. Nothing is ever erased from the journal. */
export interface Entry {
  /** Place in the journal, from 1 without gaps. */
  readonly seq: number;
  /** 1 for entries of the first version; their records are completed when they are applied. */
  readonly schema: 1 | 2 | 3 | 4 | typeof ENTRY_SCHEMA;
  readonly kind: "change" | "undo" | "redo";
  /** The change that is undone or redone; null for a change. */
  readonly of: ChangeId | null;
  readonly change: Change;
}

/** Checks a journal entry that comes from outside, such as a course file. */
export const entrySchema: z.ZodMiniType<Entry> = z.object({
  seq: z.int().check(z.minimum(1)),
  schema: z.union([z.literal(1), z.literal(2), z.literal(3), z.literal(4), z.literal(ENTRY_SCHEMA)]),
  kind: z.enum(["change", "undo", "redo"]),
  of: z.nullable(idField("change")),
  change: changeSchema,
});

/** Changes that can be undone and redone, the next one last. It follows from the journal, so it survives a reload. */
export interface History {
  readonly undoable: readonly Change[];
  readonly redoable: readonly Change[];
}

/** Nothing to undo, nothing to redo. */
export const EMPTY_HISTORY: History = { undoable: [], redoable: [] };

/** Changes kept for undo; older ones stay in the journal. */
const UNDO_DEPTH = 500;
/** Not a gesture of the user, or a fact outside the course that no undoing takes back: a letter sent, a file handed out. */
export const NOT_UNDOABLE: ReadonlySet<string> = new Set([
  "releaseDue",
  "startCourse",
  "beginPacket",
  "replyAsStudent",
  "readMessages",
  "openLetter",
  "openMail",
  "sendMails",
  "noteDelivery",
  "keepGradeExport",
  "bridge",
  "noteInstructorCopy",
]);

/**
 * | entry  | undoable           | redoable       |
 * |--------|--------------------|----------------|
 * | change | change goes on top | emptied        |
 * | undo   | `of` leaves        | `of` goes on top |
 * | redo   | `of` goes on top   | `of` leaves    |
 */
export function advance(history: History, entry: Pick<Entry, "kind" | "of" | "change">): History {
  const { undoable, redoable } = history;
  const without = (list: readonly Change[]) => list.filter((change) => change.id !== entry.of);
  if (entry.kind === "change") {
    if (NOT_UNDOABLE.has(entry.change.type)) return history;
    return { undoable: [...undoable, entry.change].slice(-UNDO_DEPTH), redoable: [] };
  }
  const target = (entry.kind === "undo" ? undoable : redoable).find((change) => change.id === entry.of);
  if (!target) return history;
  return entry.kind === "undo"
    ? { undoable: without(undoable), redoable: [...redoable, target] }
    : { undoable: [...undoable, target], redoable: without(redoable) };
}

/** Patches of all changes together that are kept at hand for undo; what lies deeper is undone from the journal. */
const MOST_PATCHES = 20_000;

/** The newest changes of a history that together are not too large to be read at every start. */
export const newestOf = ({ undoable, redoable }: History): History => ({
  undoable: newest(undoable),
  redoable: newest(redoable),
});

function newest(changes: readonly Change[]): readonly Change[] {
  let patches = 0;
  const first = changes.findLastIndex(({ patches: own }) => (patches += own.length) > MOST_PATCHES);
  return changes.slice(first + 1);
}

/** A step through the history. */
export type HistoryStep = "undo" | "redo";

/** The entry, but for its place, that undoes the last change or redoes the last undone one. */
export function prepareStep(
  history: History,
  step: HistoryStep,
  context: Context,
): Result<Pick<Entry, "kind" | "of" | "change">, ChangeIssue> {
  const target = (step === "undo" ? history.undoable : history.redoable).at(-1);
  if (!target) return refuse({ code: step === "undo" ? "nothing_to_undo" : "nothing_to_redo" });
  return ok({
    kind: step,
    of: target.id,
    change: {
      id: `change:${context.fresh()}` as Id<"change">,
      type: target.type,
      at: context.at,
      by: context.by,
      line: `${step === "undo" ? "Undone" : "Redone"}: ${target.line}`,
      patches: step === "undo" ? invertPatches(target.patches) : target.patches,
    },
  });
}
