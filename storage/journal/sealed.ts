import { chainSum, chainText, ENTRY_SCHEMA, entrySchema, type Entry } from "#core/changes";
import { contentSum, textSum } from "#core/kernel";
import { JournalError } from "./journal-error";

/** An entry as it lies in the journal: its text, with the sum by which a change of any letter is seen. */
export interface SealedEntry {
  readonly seq: number;
  /** Version of the entry's form, readable without the text. */
  readonly schema: number;
  readonly text: string;
  /** The sum of the entry before it, which its own sum takes in; entries of layout 7 have none. */
  readonly before?: string;
  readonly sum: string;
}

/** How an entry is stored behind the one with the sum `before`. */
export function sealEntry(entry: Entry, before: string): Required<SealedEntry> {
  const text = JSON.stringify(entry);
  return { seq: entry.seq, schema: entry.schema, text, before, sum: chainSum(before, text) };
}

/** From so many letters on, the browser works a sum out away from the page: a release to a class is a megabyte. */
const LONG = 50_000;

/** The same, without a change of a whole class holding the page up. */
export async function sealEntryAside(entry: Entry, before: string): Promise<Required<SealedEntry>> {
  const text = JSON.stringify(entry);
  const sum =
    text.length < LONG ? chainSum(before, text) : await digestOf(new TextEncoder().encode(chainText(before, text)));
  return { seq: entry.seq, schema: entry.schema, text, before, sum };
}

/** A stored value as an entry with its place in the chain; null where it has none, or is not whole. */
export function chainedEntry(stored: unknown): Required<SealedEntry> | null {
  if (typeof stored !== "object" || stored === null || !("before" in stored) || !("text" in stored)) return null;
  const sealed = stored as Required<SealedEntry>;
  return unsealed(sealed) === null ? null : sealed;
}

/**
 * The entry of a stored value; null where it is not whole. One that an earlier version of the application stored has no
 * sum, and is held against its schema alone.
 * @throws JournalError when a newer application wrote it
 */
export function openEntry(stored: unknown, seq: number): Entry | null {
  if (typeof stored !== "object" || stored === null) return null;
  if ("schema" in stored && typeof stored.schema === "number" && stored.schema > ENTRY_SCHEMA) {
    throw new JournalError("newer", seq);
  }
  const content = "text" in stored ? unsealed(stored as SealedEntry) : stored;
  const parsed = entrySchema.safeParse(content);
  return parsed.success && parsed.data.seq === seq ? parsed.data : null;
}

function unsealed({ text, before, sum }: SealedEntry): unknown {
  if (typeof text !== "string") return null;
  if ((before === undefined ? textSum(text) : chainSum(before, text)) !== sum) return null;
  return JSON.parse(text);
}

/**
 * The sum of packed bytes and of what stands beside them, worked out by the browser away from the page: at opening it is
 * asked about tens of megabytes.
 */
export async function sumBeside(beside: string, bytes: Uint8Array): Promise<string> {
  // What stands beside may be megabytes too: the changes that can be undone, the sums of a block.
  return digestOf(new TextEncoder().encode(`${beside} ${await digestOf(bytes)}`));
}

const digestOf = async (bytes: Uint8Array): Promise<string> =>
  hex(new Uint8Array(await crypto.subtle.digest("SHA-256", bytes as Uint8Array<ArrayBuffer>)));

/** The same sum, at once. */
export const sumBesideNow = (beside: string, bytes: Uint8Array): string => textSum(`${beside} ${contentSum(bytes)}`);

const hex = (bytes: Uint8Array): string => [...bytes].map((byte) => byte.toString(16).padStart(2, "0")).join("");
