import { describe, expect, it } from "vitest";
import { brokenLink, newChain } from "#core/changes";
import { openedPiece, packedPiece, type PackedPiece } from "#core/formats";
import { EMPTY_HISTORY } from "#core/changes";
import { required, type Instant } from "#core/kernel";
import { packedState } from "#core/model";
import { assignmentId, entriesOf, fileId, smallCourse, studentId } from "#core/testing";
import { blockKey, entryKey } from "./journal";
import { compact } from "./many-entries";
import { memoryNeighbours, memoryShelves } from "../shelves/memory-shelves";
import { Repository } from "../repository";
import type { CourseSession } from "../session";
import { wholeChain } from "../testing/whole-chain";

let count = 0;
const surroundings = { now: () => "2026-12-01T09:00:00Z" as Instant, fresh: () => `f${String((count += 1))}` };

/** A course with so many changes, each written singly behind those it began with. */
async function courseWith(changes: number) {
  const shelves = memoryShelves();
  const repository = await Repository.open(shelves, memoryNeighbours()(), surroundings);
  const slot = await repository.keepCourse("small", entriesOf(smallCourse()), new Map());
  const session = required(await repository.session(slot), "session");
  for (let change = 0; change < changes; change += 1) score(session, String((change % 9) + 1));
  await session.settled();
  return { shelves, repository, slot, session };
}

const score = (session: CourseSession, text: string) =>
  session.submit({ type: "setScore", assignmentId: assignmentId("quiz"), studentId: studentId("ada"), text });

describe("the journal as it is stored, in pieces", () => {
  it("is whole although entries are gathered into a block between two of its pieces", async () => {
    const { shelves, slot, session } = await courseWith(350);
    const before = await wholeChain(await session.journal());
    const pieces = (await session.journal()).pieces()[Symbol.asyncIterator]();
    const read: PackedPiece[] = [];
    for (let place = 0; ; place += 1) {
      const next = await pieces.next();
      if (next.done) break;
      read.push(next.value);
      // Behind the first piece of singles everything goes into blocks that begin elsewhere.
      if (place === 1) await gatherAll(shelves, slot);
    }
    const opened = await Promise.all(read.map((piece) => openedPiece(piece)));
    expect(opened.flatMap(({ texts }) => texts)).toEqual(before.texts);
    expect(opened.flatMap(({ sums }) => sums)).toEqual(before.sums);
    expect(brokenLink({ ...before, before: "" })).toBeNull();
  });

  it("chains on what the store lacks, and begins a chain where it has none at all", async () => {
    const { shelves, slot, session } = await courseWith(3);
    const whole = await wholeChain(await session.journal());
    await shelves.journal.remove(entryKey(slot, session.seq));
    expect(await wholeChain(await session.journal())).toEqual(whole);
    for (const key of await shelves.journal.keys()) await shelves.journal.remove(key);
    const { texts, sums, unproven } = newChain(session.entries);
    expect(await wholeChain(await session.journal())).toEqual({ texts, sums, unproven });
  });
});

/** Gathers all single entries into one block. */
async function gatherAll(shelves: ReturnType<typeof memoryShelves>, slot: string): Promise<void> {
  const keys = (await shelves.journal.keys()).filter((key) => key.startsWith(`${slot}/entry/`)).sort();
  const stored = await Promise.all(keys.map((key) => shelves.journal.get(key)));
  const links = stored as { readonly text: string; readonly before: string; readonly sum: string }[];
  const first = Number(required(keys[0], "key").slice(-9));
  const { blockOfPiece } = await import("./old-entries");
  const piece = {
    texts: links.map(({ text }) => text),
    sums: links.map(({ sum }) => sum),
    before: links[0]?.before ?? "",
  };
  await shelves.journal.set(blockKey(slot, first), await blockOfPiece(await packedPiece(piece, first)));
  for (const key of keys) await shelves.journal.remove(key);
}

describe("a course that was read elsewhere", () => {
  it("is kept with its journal, its chain, its files and its state, and opens as it was", async () => {
    const { session } = await courseWith(20);
    const chain = await wholeChain(await session.journal());
    const journal = {
      pieces: [await packedPiece({ ...chain, before: "" }, 1)],
      count: chain.texts.length,
      unproven: chain.unproven,
      state: packedState(session.state),
      history: session.history,
    };
    const shelves = memoryShelves();
    const repository = await Repository.open(shelves, memoryNeighbours()(), surroundings);
    const slot = await repository.keepPacked("read", journal, new Map([[fileId("ada"), new Blob(["%PDF"])]]));
    const again = required(await repository.session(slot), "session");
    expect([again.state, again.entries, again.history]).toEqual([session.state, session.entries, session.history]);
    expect(await wholeChain(await again.journal())).toEqual(chain);
    expect((await repository.readFile(slot, fileId("ada")))?.size).toBe(4);
    expect((await repository.courses()).map((course) => course.slot)).toEqual([slot]);
  });

  it("is not kept where its journal does not come back", async () => {
    const shelves = memoryShelves();
    const repository = await Repository.open(shelves, memoryNeighbours()(), surroundings);
    const entries = entriesOf(smallCourse());
    const { texts, sums } = newChain(entries);
    const pieces = [await packedPiece({ texts, sums, before: "" }, 1)];
    const journal = {
      pieces,
      count: texts.length + 1,
      unproven: 0,
      state: packedState(smallCourse()),
      history: EMPTY_HISTORY,
    };
    await expect(repository.keepPacked("read", journal, new Map())).rejects.toThrow();
    expect(await repository.courses()).toEqual([]);
  });
});

it("many long entries are gathered into several blocks, none of them large", async () => {
  const { shelves, slot, session } = await courseWith(1);
  const long = "Grüße ".repeat(3_000);
  for (let change = 0; change < 420; change += 1) {
    const place = { assignmentId: assignmentId("essay"), studentId: studentId("ada") };
    session.submit({ type: "setComment", ...place, facing: "private", text: `${String(change)} ${long}` });
  }
  await session.settled();
  const whole = await wholeChain(await session.journal());
  const { readJournal } = await import("./read-journal");
  await compact(shelves, slot, (await readJournal(shelves, slot)).ledger);
  const blocks = (await shelves.journal.keys()).filter((key) => key.includes("/block/"));
  expect(blocks.length).toBeGreaterThan(2);
  const reopened = required(
    await (await Repository.open(shelves, memoryNeighbours()(), surroundings)).session(slot),
    "session",
  );
  expect(reopened.state).toEqual(session.state);
  expect(await wholeChain(await reopened.journal())).toEqual(whole);
});
