import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { applyPatches, ENTRY_SCHEMA, runCommand, type Command, type Entry } from "#core/changes";
import type { Instant } from "#core/kernel";
import { EMPTY_STATE, resultOf, type CourseState } from "#core/model";
import {
  assignmentId,
  courseFileOf,
  entriesOf,
  fileId,
  readBytes,
  runs,
  smallCourse,
  studentId,
  WORLD,
} from "#core/testing";
import { entryKey, followAll, headKey, writeHead } from "./journal";
import { keepSnapshot } from "./many-entries";
import { memoryNeighbours, memoryShelves } from "../shelves/memory-shelves";
import { Repository } from "../repository";
import type { CourseSession } from "../session";
import type { Shelf, Shelves } from "../shelves/shelf";
import { writeOn } from "../testing/write-on";

const SLOT = "small";
const quiz = assignmentId("quiz");
let clock = 0;
const surroundings = {
  now: () => new Date(Date.UTC(2026, 10, 28, 9, 0, (clock += 1))).toISOString() as Instant,
  fresh: () => `f${String((clock += 1))}`,
};
const score = (text: string): Command => ({
  type: "setScore",
  assignmentId: quiz,
  studentId: studentId("ben"),
  text,
});

/** A journal of as many entries, each a score of its own. */
function manyEntries(count: number): Entry[] {
  const entries = [...entriesOf(smallCourse())];
  let state = smallCourse();
  for (let seq = entries.length + 1; seq <= count; seq += 1) {
    const done = runCommand(state, score(String(seq % 20)), WORLD);
    if (!done.ok) throw new Error("refused");
    state = done.value.state;
    entries.push({ seq, schema: ENTRY_SCHEMA, kind: "change", of: null, change: done.value.change });
  }
  return entries;
}

const ENTRIES = manyEntries(20);
const STATES = ENTRIES.reduce<CourseState[]>(
  (list, { change }) => {
    const next = applyPatches(list.at(-1) ?? EMPTY_STATE, change.patches);
    if (!next.ok) throw new Error("does not follow");
    return [...list, next.value];
  },
  [EMPTY_STATE],
);

/** Two courses: one in a block of 12, a snapshot and 8 singles; another that must never be touched by the first one's damage. */
async function twoCourses(): Promise<Shelves> {
  const shelves = memoryShelves();
  const repository = await Repository.open(shelves, memoryNeighbours()(), surroundings);
  await repository.keepCourse(SLOT, ENTRIES.slice(0, 12), new Map([[fileId("ada"), new Blob(["%PDF"])]]));
  for (const entry of ENTRIES.slice(12)) await writeOn(shelves, SLOT, entry);
  await writeHead(shelves, SLOT, ENTRIES.length);
  await repository.keepCourse("other", entriesOf(smallCourse()), new Map());
  return shelves;
}

/** The same stores again, each time as they were. */
async function copyOf(kept: Shelves): Promise<Shelves> {
  const copy = memoryShelves();
  for (const name of Object.keys(kept) as (keyof Shelves)[]) {
    for (const key of await kept[name].keys()) await copy[name].set(key, await kept[name].get(key));
  }
  return copy;
}

const open = async (shelves: Shelves, slot = SLOT): Promise<CourseSession> => {
  const session = await (await Repository.open(shelves, memoryNeighbours()(), surroundings)).session(slot);
  if (!session) throw new Error("no session");
  return session;
};

/** What was kept, with one letter of its text or one of its bytes changed. */
function withChangedLetter(value: unknown, at: number, by: number): unknown {
  if (value instanceof Uint8Array) {
    const bytes = value.slice();
    bytes[at % bytes.length] = ((bytes[at % bytes.length] ?? 0) + by) % 256;
    return bytes;
  }
  if (typeof value === "string") {
    const place = at % Math.max(1, value.length);
    return value.slice(0, place) + String.fromCharCode(value.charCodeAt(place) + by || 65) + value.slice(place + 1);
  }
  if (typeof value === "number") return value + by;
  if (typeof value !== "object" || value === null) return "damaged";
  const fields = Object.entries(value);
  const chosen = fields[at % Math.max(1, fields.length)];
  if (!chosen) return "damaged";
  return { ...value, [chosen[0]]: withChangedLetter(chosen[1], Math.floor(at / fields.length), by) };
}

const DAMAGES = {
  letter: async (shelf: Shelf, key: string, at: number, by: number) =>
    shelf.set(key, withChangedLetter(await shelf.get(key), at, by)),
  removed: (shelf: Shelf, key: string) => shelf.remove(key),
  wrongType: (shelf: Shelf, key: string, at: number) =>
    shelf.set(key, [null, 7, "text", [], { score: {} }, new Uint8Array(3)][at % 6]),
  cut: async (shelf: Shelf, key: string, at: number) => {
    const value = await shelf.get(key);
    const fields = Object.entries((value ?? {}) as Record<string, unknown>);
    const [name, content] = fields[at % 4] ?? ["text", ""];
    const cut =
      typeof content === "string" || content instanceof Uint8Array ? content.slice(0, at % (content.length + 1)) : null;
    await shelf.set(key, { ...(value as object), [name]: cut });
  },
  swapped: async (shelf: Shelf, key: string, at: number) => {
    const keys = (await shelf.keys()).filter((other) => other.startsWith(`${SLOT}/`));
    const other = keys[at % keys.length] ?? key;
    const [one, two] = [await shelf.get(key), await shelf.get(other)];
    await shelf.set(key, two);
    await shelf.set(other, one);
  },
} as const;

describe("a damaged store", () => {
  it("is opened as far as it goes and says so, or is refused with a word; it never changes a figure and hides no other course", async () => {
    const anyDamage = fc.record({
      shelf: fc.constantFrom("journal", "journal", "journal", "snapshots", "meta", "hurried"),
      kind: fc.constantFrom(...(Object.keys(DAMAGES) as (keyof typeof DAMAGES)[])),
      key: fc.nat(200),
      at: fc.nat(100_000),
      by: fc.integer({ min: 1, max: 255 }),
    });
    const kept = await twoCourses();
    const seen = { whole: 0, part: 0, refused: 0 };
    await fc.assert(
      fc.asyncProperty(anyDamage, async ({ shelf: name, kind, key, at, by }) => {
        const shelves = await copyOf(kept);
        const shelf = shelves[name as keyof Shelves];
        const keys = (await shelf.keys()).filter((one) => one.includes(SLOT)).sort();
        const chosen = keys[key % Math.max(1, keys.length)];
        if (chosen !== undefined) await DAMAGES[kind](shelf, chosen, at, by);
        const repository = await Repository.open(shelves, memoryNeighbours()(), surroundings);
        const listed = (await repository.courses()).map(({ slot }) => slot);
        expect(listed).toContain("other");
        expect((await repository.session("other"))?.state).toEqual(smallCourse());
        const session = await repository.session(SLOT).catch((error: unknown) => error);
        expect(session).not.toBeNull();
        if (session instanceof Error) {
          seen.refused += 1;
          expect(session.name).toBe("JournalError");
          return;
        }
        await judge(session as CourseSession);
        seen[(session as CourseSession).damage ? "part" : "whole"] += 1;
      }),
      { numRuns: runs(2_000, 500) },
    );
    expect(seen.whole).toBeGreaterThan(0);
    expect(seen.part).toBeGreaterThan(0);
    // So many stores; how long they take is no verdict on any of them.
  }, 300_000);

  const texts = STATES.map(textOf);
  const saved = new Set<string>();

  async function judge(session: CourseSession): Promise<void> {
    const text = textOf(session.state);
    expect(texts).toContain(text);
    if (!session.damage) {
      expect(text).toBe(texts.at(-1));
      expect(session.entries).toHaveLength(ENTRIES.length);
      return;
    }
    expect(session.submit(score("3"))).toMatchObject({ ok: false, issue: { code: "course_damaged" } });
    // What is left can be saved, and read in again; many damages leave the same.
    const left = JSON.stringify(session.entries);
    if (saved.has(left)) return;
    const file = await courseFileOf({ entries: session.entries, files: new Map() }, surroundings.now());
    expect((await readBytes(file)).ok).toBe(true);
    saved.add(left);
  }
});

/** A state in letters: two that are the same are told by the same ones, in whatever order their tables stand. */
const textOf = (state: CourseState): string =>
  JSON.stringify(Object.entries(state).sort(([x], [y]) => x.localeCompare(y)));

const change = async (shelf: Shelf, key: string, turn: (text: string) => string) => {
  const stored = (await shelf.get(key)) as { readonly text: string };
  await shelf.set(key, { ...stored, text: turn(stored.text) });
};

describe("each kind of damage", () => {
  it("a score changed inside an entry is seen; the changes before it stand and can be saved", async () => {
    const shelves = await twoCourses();
    await change(shelves.journal, entryKey(SLOT, 15), (text) => text.replace('"score":"15"', '"score":"16"'));
    const session = await open(shelves);
    expect(session.damage).toMatchObject({ seq: 15, lost: 6, kept: false });
    expect(session.entries).toEqual(ENTRIES.slice(0, 14));
  });

  it("the last entry cut off is seen", async () => {
    const shelves = await twoCourses();
    await shelves.journal.remove(entryKey(SLOT, 20));
    expect((await open(shelves)).damage).toMatchObject({ seq: 20, lost: 1, kept: false });
  });

  it("a place of the last entry that does not read is no damage of the course", async () => {
    const shelves = await twoCourses();
    await shelves.journal.set(headKey(SLOT), { seq: 99, sum: "made up" });
    expect((await open(shelves)).damage).toBeNull();
  });

  it("a value of the wrong type is seen, and not shown", async () => {
    const shelves = await twoCourses();
    const stored = ENTRIES[14];
    await shelves.journal.set(entryKey(SLOT, 15), { ...stored, change: { ...stored?.change, line: { a: 1 } } });
    expect((await open(shelves)).damage).toMatchObject({ seq: 15 });
  });

  it("a letter in a block that a snapshot covers is seen at opening; what it led to stands", async () => {
    const shelves = await twoCourses();
    const key = `${SLOT}/block/000000001`;
    const block = (await shelves.journal.get(key)) as { readonly bytes: Uint8Array };
    const bytes = block.bytes.slice();
    bytes[500] = (bytes[500] ?? 0) ^ 1;
    await shelves.journal.set(key, { ...block, bytes });
    const session = await open(shelves);
    expect(session.damage).toMatchObject({ seq: 1, lost: 12, kept: true });
    expect(textOf(session.state)).toBe(textOf(STATES.at(-1) ?? EMPTY_STATE));
    expect(session.entries[0]?.change.line).toBe("What 12 changes led to; the record of them could not be read");
    expect(session.entries).toHaveLength(9);
  });

  it("a snapshot that does not read is thrown away and made again from the journal", async () => {
    const shelves = memoryShelves();
    const repository = await Repository.open(shelves, memoryNeighbours()(), surroundings);
    const entries = manyEntries(230);
    await repository.keepCourse(SLOT, entries, new Map());
    await shelves.snapshots.set(SLOT, { seq: 230, bytes: new Uint8Array([1]), past: "{", sum: "x" });
    const session = await open(shelves);
    expect(session.damage).toBeNull();
    expect(session.state).toEqual(followAll(entries).state);
    await expect.poll(async () => ((await shelves.snapshots.get(SLOT)) as { sum: string }).sum).toHaveLength(64);
  });

  it("damage behind the snapshot is told from its place on", async () => {
    const shelves = await twoCourses();
    await keepSnapshot(shelves, SLOT, followAll(ENTRIES.slice(0, 15)));
    await shelves.journal.remove(entryKey(SLOT, 14));
    await shelves.journal.remove(entryKey(SLOT, 18));
    const session = await open(shelves);
    expect(session.damage).toMatchObject({ seq: 18, lost: 3, kept: false });
    expect(resultOf(session.state, quiz, studentId("ben")).score).toBe("17");
  });
});
