import { describe, expect, it } from "vitest";
import { ENTRY_SCHEMA, runCommand, type Entry } from "#core/changes";
import { openedPiece } from "#core/formats";
import { required, type Instant } from "#core/kernel";
import { assignmentId, entriesOf as made, smallCourse, studentId, WORLD } from "#core/testing";
import { blockKey, entriesOf, followAll } from "./journal";
import { compact } from "./many-entries";
import { readJournal as readBack } from "./read-journal";
import { memoryNeighbours, memoryShelves } from "../shelves/memory-shelves";
import { migrate, MIGRATIONS } from "../migrations";
import { blockOf, oldEntries, smallerBlock, wholeBlock } from "./old-entries";
import { Repository } from "../repository";
import type { Shelves } from "../shelves/shelf";
import { readSnapshot, storedSnapshot } from "./snapshot";
import { endingAfter } from "../testing/ending-writes";
import { writeOn } from "../testing/write-on";

const readJournal = async (shelves: Shelves, slot: string) => (await readBack(shelves, slot)).ledger;

const SLOT = "small";

/** The entries of a course in which one score was set again and again. */
function manyEntries(count: number): readonly Entry[] {
  let state = smallCourse();
  const entries = [...made(state)];
  while (entries.length < count) {
    const text = String(entries.length % 20);
    const command = {
      type: "setScore",
      assignmentId: assignmentId("quiz"),
      studentId: studentId("ben"),
      text,
    } as const;
    const done = runCommand(state, command, WORLD);
    if (!done.ok) throw new Error("refused");
    state = done.value.state;
    const seq = entries.length + 1;
    entries.push({ seq, schema: ENTRY_SCHEMA, kind: "change", of: null, change: done.value.change });
  }
  return entries;
}

async function keptSingly(entries: readonly Entry[]): Promise<Shelves> {
  const shelves = memoryShelves();
  for (const entry of entries) await writeOn(shelves, SLOT, entry);
  return shelves;
}

it("after a gathering the course opens from its snapshot, with what can be undone, and every entry is there when asked for", async () => {
  const entries = manyEntries(450);
  const shelves = await keptSingly(entries);
  const whole = await readJournal(shelves, SLOT);
  await compact(shelves, SLOT, whole);
  const next = manyEntries(452).slice(450);
  for (const entry of next) await writeOn(shelves, SLOT, entry);

  const opened = await readJournal(shelves, SLOT);
  expect(opened.old.count).toBe(250);
  expect(opened.recent.map(({ seq }) => seq)).toEqual(Array.from({ length: 202 }, (_, index) => index + 251));
  const plain = followAll([...entries, ...next]);
  expect(opened.state).toEqual(plain.state);
  expect(opened.history).toEqual(plain.history);
  expect(entriesOf(opened)).toEqual(plain.recent);
});

it("blocks and snapshots as they were kept before are read as they are", async () => {
  const entries = manyEntries(30);
  const shelves = await keptSingly(entries.slice(20));
  await shelves.journal.set(`${SLOT}/block/000000001`, entries.slice(0, 20));
  const opened = await readJournal(shelves, SLOT);
  expect(opened.state).toEqual(followAll(entries).state);
  expect(opened.history).toEqual(followAll(entries).history);
  expect(entriesOf(opened)).toEqual(entries);
});

it.each([
  ["before its snapshot", 1],
  ["before the first single was removed", 2],
  ["half way through the singles", 60],
])("a gathering that is cut short %s loses nothing, and neither does the next one", async (_when, writes) => {
  const entries = manyEntries(450);
  const shelves = await keptSingly(entries);
  let left = writes;
  const step = <Args extends readonly unknown[]>(act: (...args: Args) => Promise<void>) => {
    return (...args: Args) => ((left -= 1) < 0 ? Promise.reject(new Error("cut short")) : act(...args));
  };
  const breaking: Shelves = {
    ...shelves,
    journal: { ...shelves.journal, set: step(shelves.journal.set), remove: step(shelves.journal.remove) },
    snapshots: { ...shelves.snapshots, set: step(shelves.snapshots.set) },
  };
  await expect(compact(breaking, SLOT, await readJournal(shelves, SLOT))).rejects.toThrow("cut short");
  const between = await readJournal(shelves, SLOT);
  expect(between.state).toEqual(followAll(entries).state);
  expect(entriesOf(between)).toEqual(entries);

  for (const entry of manyEntries(700).slice(450)) await writeOn(shelves, SLOT, entry);
  await compact(shelves, SLOT, await readJournal(shelves, SLOT));
  const after = await readJournal(shelves, SLOT);
  expect(entriesOf(after).map(({ seq }) => seq)).toEqual(Array.from({ length: 700 }, (_, index) => index + 1));
  expect(after.state).toEqual(followAll(manyEntries(700)).state);
});

it("blocks go as far as they join, a newer one is said, and one that overlaps is counted once", async () => {
  const entries = manyEntries(30);
  const whole = async (part: readonly Entry[]) => {
    const block = await wholeBlock(blockOf(part), part[0]?.seq ?? 0);
    if (!block) throw new Error("not whole");
    return block;
  };
  const [start, end] = [await whole(entries.slice(0, 10)), await whole(entries.slice(20))];
  expect(oldEntries([start, end]).count).toBe(10);
  const newer = { ...blockOf(entries), schema: ENTRY_SCHEMA + 1 };
  await expect(wholeBlock(newer, 1)).rejects.toThrow("entry 1 is newer");
  expect(oldEntries([await whole(entries.slice(8)), await whole(entries.slice(0, 12))]).all()).toEqual(entries);
});

describe("a block that is made smaller", () => {
  it("holds the same entries with the same sums in a fifth of the room, and stays as it is where that does not pay", async () => {
    const entries = manyEntries(200);
    const block = blockOf(entries);
    const smaller = await smallerBlock(block);
    expect(smaller.bytes.length).toBeLessThan(block.bytes.length / 5);
    const [whole, plain] = [await wholeBlock(smaller, 1), await wholeBlock(block, 1)];
    expect(whole?.entries()).toEqual(entries);
    const pieces = [required(whole?.piece, "piece"), required(plain?.piece, "piece")];
    const [one, other] = await Promise.all(pieces.map(openedPiece));
    expect(one).toEqual(other);
    expect(whole?.ends).toEqual(plain?.ends);
    expect(await smallerBlock(smaller)).toBe(smaller);
    const noise = new Uint8Array(500).map((_, place) => (place * 7919 + place * place * 31) % 251);
    expect((await smallerBlock({ ...block, bytes: noise })).bytes.length).toBeLessThanOrEqual(noise.length);
  });

  it("is found damaged when any part of it is another, its packing with it", async () => {
    const smaller = await smallerBlock(blockOf(manyEntries(40)));
    for (let at = 0; at < smaller.bytes.length; at += 97) {
      const bytes = smaller.bytes.with(at, ((smaller.bytes[at] ?? 0) + 1) % 256);
      expect(await wholeBlock({ ...smaller, bytes }, 1)).toBeNull();
    }
    expect(smaller).toHaveProperty("packing", "deflate");
    const claimed = { ...smaller, packing: undefined };
    expect(await wholeBlock(claimed, 1)).toBeNull();
  });

  it("comes of stores of layout 8, also where that was cut short at any write", async () => {
    const entries = manyEntries(90);
    const layout8 = async () => {
      const shelves = await keptSingly([]);
      const parts = [entries.slice(0, 40), entries.slice(40, 80)];
      let before = "";
      for (const part of parts) {
        const block = blockOf(part, before);
        before = block.sums.slice(-64);
        await shelves.journal.set(blockKey(SLOT, part[0]?.seq ?? 1), block);
      }
      for (const entry of entries.slice(80)) await writeOn(shelves, SLOT, entry);
      await shelves.meta.set("layout", 8);
      return shelves;
    };
    const plain = await readJournal(await layout8(), SLOT);
    for (let writes = 0; writes < 3; writes += 1) {
      const shelves = await layout8();
      void MIGRATIONS[8]?.migrate(endingAfter(shelves, writes));
      await new Promise((resolve) => setTimeout(resolve, 5));
      await migrate(shelves);
      const opened = await readJournal(shelves, SLOT);
      expect(entriesOf(opened)).toEqual(entries);
      expect([opened.seal, opened.broken, opened.damage]).toEqual([plain.seal, null, null]);
      const stored = (await shelves.journal.get(blockKey(SLOT, 1))) as { readonly packing?: string };
      expect(stored.packing).toBe("deflate");
    }
  });
});

it("a snapshot keeps of what can be undone only as much as is quick to read: the newest", async () => {
  const [, one, two, three] = manyEntries(4).map(({ change }) => change);
  if (!one || !two || !three) throw new Error("too few");
  const [patch] = two.patches;
  if (!patch) throw new Error("no patch");
  const large = { ...two, patches: Array.from({ length: 20_001 }, () => patch) };
  const kept = await readSnapshot(storedSnapshot(4, smallCourse(), { undoable: [one, large, three], redoable: [one] }));
  expect(kept?.history).toEqual({ undoable: [three], redoable: [one] });
  expect(kept?.state()).toEqual(smallCourse());
});

it("the list of entries is the same until there is another", async () => {
  const shelves = memoryShelves();
  const surroundings = { now: () => "2026-11-02T09:00:00Z" as Instant, fresh: () => crypto.randomUUID() };
  const repository = await Repository.open(shelves, memoryNeighbours()(), surroundings);
  const session = await repository.session(await repository.keepCourse(SLOT, manyEntries(3), new Map()));
  if (!session) throw new Error("no session");
  const before = session.entries;
  expect(session.entries).toBe(before);
  session.step("undo");
  expect(session.entries).toHaveLength(4);
  await session.settled();
  expect(session.entries.map(({ kind }) => kind)).toEqual(["change", "change", "change", "undo"]);
});
