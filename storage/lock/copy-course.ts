import { isScreenKeyOf } from "../journal/meta-keys";
import type { Shelf, Shelves } from "../shelves/shelf";
import { isTrayKey } from "../tray-keys";
import { UNREADABLE } from "./unreadable";

/** Hears how many records are done, of how many; throws to stop. */
export type TellCopied = (done: number, all: number) => void;

/** Where the records of a course lie. */
interface Place {
  readonly shelves: Shelves;
  readonly slot: string;
}

/** Writes every record of a course anew in another slot: its journal, its files, its tray, what is half-typed. */
export async function copyCourse(from: Place, to: Place, tell: TellCopied): Promise<void> {
  const copies = (await Promise.all(NAMES.map((name) => copiesOf(name, from, to)))).flat();
  for (const [index, copy] of copies.entries()) {
    tell(index, copies.length);
    await copy();
  }
  tell(copies.length, copies.length);
}

const NAMES = ["files", "journal", "snapshots", "meta", "hurried", "drafts"] as const;

async function copiesOf(
  name: (typeof NAMES)[number],
  from: Place,
  to: Place,
): Promise<readonly (() => Promise<void>)[]> {
  const [source, target]: [Shelf, Shelf] = [from.shelves[name], to.shelves[name]];
  return (await source.keys()).flatMap((key) => {
    const moved = movedKey(key, from.slot, to.slot);
    if (moved === null) return [];
    return [
      async () => {
        const value = await source.get(key);
        // What cannot be read is lost already; the journal is held against what was there afterwards.
        if (value !== null && value !== UNREADABLE) await target.set(moved, value);
      },
    ];
  });
}

/** The key in the other slot; null for what is no record of the course. */
function movedKey(key: string, from: string, to: string): string | null {
  if (key === from) return to;
  if (key.startsWith(`${from}/`)) return to + key.slice(from.length);
  if (isTrayKey(key, from)) return key.replace(`/${from}/`, `/${to}/`);
  return isScreenKeyOf(key, from) ? key.slice(0, -from.length) + to : null;
}
