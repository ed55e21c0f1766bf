import { ENTRY_SCHEMA, entrySchema, type Entry } from "#core/changes";
import type { Shelves } from "./shelves/shelf";

/** A change as it waits for its place in the journal. */
export type UnwrittenEntry = Pick<Entry, "kind" | "of" | "change">;

interface Hurried {
  readonly schema: number;
  /** Its place among the steps of its tab. */
  readonly place: number;
  readonly step: UnwrittenEntry;
}

/** Patches above which a step is left to the journal alone: the hurried shelf is small, and only entries in bulk make so many. */
const MOST_PATCHES = 300;

const keyOf = (slot: string, step: UnwrittenEntry): string => `${slot}/${step.change.id}`;

/**
 * Puts a step where it outlives the page at once, while its journal entry is still being written: who types a score and
 * leaves in the same breath finds it there again. The journal stays the truth; a hurried step that cannot be put down
 * changes nothing.
 */
export async function hurry(shelves: Shelves, slot: string, step: UnwrittenEntry, place: number): Promise<void> {
  if (step.change.patches.length > MOST_PATCHES) return;
  const hurried: Hurried = { schema: ENTRY_SCHEMA, place, step };
  await shelves.hurried.set(keyOf(slot, step), hurried).catch(() => null);
}

/** Forgets a hurried step, because it stands in the journal or was set aside. */
export async function forget(shelves: Shelves, slot: string, step: UnwrittenEntry): Promise<void> {
  await shelves.hurried.remove(keyOf(slot, step)).catch(() => null);
}

/**
 * Steps of a course that a tab put down and never wrote, in their order. Those that stand in the journal are forgotten;
 * those of a newer application are left alone.
 */
export async function leftBehind(
  shelves: Shelves,
  slot: string,
  entries: () => readonly Entry[],
): Promise<readonly UnwrittenEntry[]> {
  const keys = (await shelves.hurried.keys()).filter((key) => key.startsWith(`${slot}/`));
  if (keys.length === 0) return [];
  const found = await Promise.all(keys.map((key) => shelves.hurried.get(key).catch(() => null)));
  const known = found.map(openHurried).filter((hurried) => hurried !== null);
  const written = new Set(entries().map(({ change }) => change.id));
  const left = known.filter(({ step }) => !written.has(step.change.id));
  for (const { step } of known) if (written.has(step.change.id)) await forget(shelves, slot, step);
  const moment = ({ step }: Hurried) => step.change.at;
  return left
    .sort((a, b) => (moment(a) === moment(b) ? a.place - b.place : moment(a) < moment(b) ? -1 : 1))
    .map(({ step }) => step);
}

/** A hurried step that is whole and of a form known here; one that is not is left alone. */
function openHurried(stored: unknown): Hurried | null {
  if (typeof stored !== "object" || stored === null) return null;
  const { schema, place, step } = stored as Partial<Hurried>;
  if (typeof schema !== "number" || schema > ENTRY_SCHEMA || typeof place !== "number") return null;
  const parsed = entrySchema.safeParse({ ...step, seq: 1, schema: ENTRY_SCHEMA });
  return parsed.success ? { schema, place, step: pickStep(parsed.data) } : null;
}

const pickStep = ({ kind, of, change }: Entry): UnwrittenEntry => ({ kind, of, change });
