import { describe, expect, it } from "vitest";
import { openedPiece } from "#core/formats";
import { brokenLink, chainSum, sealDigits, type Entry } from "#core/changes";
import { textSum, type Instant } from "#core/kernel";
import { assignmentId, entriesOf, smallCourse, studentId } from "#core/testing";
import { blockKey, entryKey, followAll, unprovenKey } from "./journal";
import { memoryNeighbours, memoryShelves } from "../shelves/memory-shelves";
import { migrate, MIGRATIONS } from "../migrations";
import { blockOf, blockOfTexts, wholeBlock } from "./old-entries";
import { readJournal } from "./read-journal";
import { Repository } from "../repository";
import { chainedEntry } from "./sealed";
import type { CourseSession } from "../session";
import type { Shelves } from "../shelves/shelf";
import { storedJournal } from "./stored-journal";
import { endingAfter } from "../testing/ending-writes";
import { wholeChain } from "../testing/whole-chain";

const SLOT = "small";
let count = 0;
const surroundings = { now: () => "2026-11-30T09:00:00Z" as Instant, fresh: () => `f${String((count += 1))}` };

const scored = (session: CourseSession, text: string) =>
  session.submit({ type: "setScore", assignmentId: assignmentId("quiz"), studentId: studentId("ada"), text });

async function opened(shelves: Shelves, neighbours = memoryNeighbours()()): Promise<CourseSession> {
  const session = await (await Repository.open(shelves, neighbours, surroundings)).session(SLOT);
  if (!session) throw new Error("no session");
  return session;
}

/** A course with so many changes behind those it began with. */
async function changed(changes: number): Promise<{ shelves: Shelves; session: CourseSession; start: number }> {
  const shelves = memoryShelves();
  const repository = await Repository.open(shelves, memoryNeighbours()(), surroundings);
  await repository.keepCourse(SLOT, entriesOf(smallCourse()), new Map());
  const session = await opened(shelves);
  for (let change = 0; change < changes; change += 1) scored(session, String((change % 9) + 1));
  await session.settled();
  return { shelves, session, start: entriesOf(smallCourse()).length };
}

const chainOf = async (session: CourseSession) => wholeChain(await session.journal());
const broken = async (session: CourseSession) => brokenLink({ ...(await chainOf(session)), before: "" });

/** The entry of a place as it is stored, with another score and a sum that fits the text: the work of a careful hand. */
async function forged(shelves: Shelves, seq: number): Promise<void> {
  const sealed = chainedEntry(await shelves.journal.get(entryKey(SLOT, seq)));
  if (!sealed) throw new Error("no entry");
  const text = sealed.text.replace(/"line":"[^"]*"/, '"line":"Another story"');
  expect(text).not.toBe(sealed.text);
  await shelves.journal.set(entryKey(SLOT, seq), { ...sealed, text, sum: chainSum(sealed.before, text) });
}

describe("the chain of a journal in its store", () => {
  it("goes from entry to entry over blocks, singles, reloads and two tabs, and gathering changes no sum", async () => {
    const { shelves, session, start } = await changed(3);
    const neighbours = memoryNeighbours();
    const [one, two] = [await opened(shelves, neighbours()), await opened(shelves, neighbours())];
    for (let turn = 0; turn < 4; turn += 1) {
      scored(turn % 2 === 0 ? one : two, String(turn + 2));
      await one.settled();
      await two.settled();
    }
    const before = await chainOf(await opened(shelves));
    expect([before.texts.length, await broken(one), before.unproven]).toEqual([start + 7, null, start]);
    // 450 changes more: older ones are gathered into a block on the way.
    const long = await opened(shelves);
    for (let change = 0; change < 450; change += 1) scored(long, String((change % 9) + 1));
    await long.settled();
    expect((await shelves.journal.keys()).filter((key) => key.includes("/block/")).length).toBeGreaterThan(1);
    const after = await chainOf(long);
    expect(after.sums.slice(0, start + 7)).toEqual(before.sums);
    // A tab that has not heard of the last changes gets those it knows, although a block holds more.
    const few = { count: 5, entries: () => long.entries.slice(0, 5) };
    expect((await wholeChain(await storedJournal(shelves, SLOT, few))).sums).toEqual(after.sums.slice(0, 5));
    const again = await opened(shelves);
    expect([again.broken, again.seal, await broken(again)]).toEqual([null, after.sums.at(-1), null]);
    expect(session.damage).toBeNull();
  });

  it("names a change that was put in another's place by a hand that worked its sum out", async () => {
    for (const [act, at] of [
      [(shelves: Shelves, seq: number) => forged(shelves, seq), 1],
      [
        async (shelves: Shelves, seq: number) => {
          const entry = chainedEntry(await shelves.journal.get(entryKey(SLOT, seq)));
          const next = chainedEntry(await shelves.journal.get(entryKey(SLOT, seq + 1)));
          const moved = (sealed: typeof entry, to: number) => {
            const text = JSON.stringify({ ...(JSON.parse(sealed?.text ?? "") as Entry), seq: to });
            return { ...sealed, seq: to, text, sum: chainSum(sealed?.before ?? "", text) };
          };
          await shelves.journal.set(entryKey(SLOT, seq), moved(next, seq));
          await shelves.journal.set(entryKey(SLOT, seq + 1), moved(entry, seq + 1));
        },
        0,
      ],
    ] as const) {
      const { shelves, start } = await changed(6);
      await act(shelves, start + 3);
      const session = await opened(shelves);
      // The sum of the changed one fits; the first that does not follow is named. Where it does not even fit the course, the
      // course is damaged there.
      expect(session.damage?.seq ?? session.broken).toBe(start + 3 + at);
      if (session.damage) continue;
      expect(await broken(session)).toBe(start + 3 + at - 1);
      // What is written from then on does not hide it.
      scored(session, "9");
      await session.settled();
      expect((await opened(shelves)).broken).toBe(start + 3 + at);
    }
  });

  it("names a change in a block whose own sum was worked out anew, and another seal tells of a chain worked out anew", async () => {
    const { shelves, session } = await changed(0);
    const seal = sealDigits(session.seal);
    const texts = entriesOf(smallCourse()).map((entry) => JSON.stringify(entry));
    const other = texts.with(0, texts[0]?.replace("Small course", "Other course") ?? "");
    const { sums } = await chainOf(session);
    await shelves.journal.set(blockKey(SLOT, 1), blockOfTexts(1, { texts: other, sums, before: "" }));
    await shelves.snapshots.remove(SLOT);
    expect(await broken(await opened(shelves))).toBe(0);
    const anew = other.map((text) => JSON.parse(text) as Entry);
    await shelves.journal.set(blockKey(SLOT, 1), blockOf(anew));
    const careful = await opened(shelves);
    expect(await broken(careful)).toBeNull();
    expect(sealDigits(careful.seal)).not.toBe(seal);
  });
});

describe("stores of layout 7", () => {
  const entries = (changes: number): Entry[] => {
    const list = [...entriesOf(smallCourse())];
    for (let change = 0; change < changes; change += 1) {
      const seq = list.length + 1;
      const first = list[0] as Entry;
      list.push({ ...first, seq, change: { ...first.change, id: `change:${String(seq)}` as never, patches: [] } });
    }
    return list;
  };

  /** A block of the first entries and the rest singly, with sums and without a chain. */
  async function layout7(list: readonly Entry[], inBlock: number): Promise<Shelves> {
    const shelves = memoryShelves();
    const { before: _before, sums: _sums, sum: _sum, ...block } = blockOf(list.slice(0, inBlock));
    await shelves.journal.set(blockKey(SLOT, 1), block);
    for (const entry of list.slice(inBlock)) {
      const text = JSON.stringify(entry);
      await shelves.journal.set(entryKey(SLOT, entry.seq), {
        seq: entry.seq,
        schema: entry.schema,
        text,
        sum: textSum(text),
      });
    }
    await shelves.meta.set("layout", 7);
    return shelves;
  }

  it("are chained from their first entry as it is, and say up to where that proves nothing", async () => {
    const list = entries(9);
    const shelves = await layout7(list, 5);
    const chained = await opened(shelves);
    const { texts, sums, unproven } = await chainOf(chained);
    expect(texts).toEqual(list.map((entry) => JSON.stringify(entry)));
    expect([brokenLink({ texts, sums, before: "" }), unproven, chained.broken]).toEqual([null, list.length, null]);
    expect(chained.state).toEqual(followAll(list).state);
  });

  it("come to the same sums when that was cut short at any write and ran again", async () => {
    const list = entries(6);
    const whole = await layout7(list, 4);
    await migrate(whole);
    const { ledger } = await readJournal(whole, SLOT);
    for (let write = 0; write < list.length + 2; write += 1) {
      const shelves = await layout7(list, 4);
      void MIGRATIONS[7]?.migrate(endingAfter(shelves, write));
      await new Promise((resolve) => setTimeout(resolve, 5));
      await migrate(shelves);
      const again = await readJournal(shelves, SLOT);
      expect([again.ledger.seal, again.ledger.broken, again.ledger.damage]).toEqual([ledger.seal, null, null]);
      expect(await shelves.journal.get(unprovenKey(SLOT))).toBe(list.length);
      const block = await wholeBlock(await shelves.journal.get(blockKey(SLOT, 1)), 1);
      expect(block?.piece && (await openedPiece(block.piece)).texts).toEqual(
        list.slice(0, 4).map((entry) => JSON.stringify(entry)),
      );
    }
  });
});
