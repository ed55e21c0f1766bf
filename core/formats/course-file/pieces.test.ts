import { describe, expect, it } from "vitest";
import { CHAIN_START, newChain, piecesOf, type Entry } from "#core/changes";
import { required, type Instant } from "#core/kernel";
import { assignmentId, courseFileOf, entriesOf, Journalled, readBytes, smallCourse, studentId } from "#core/testing";
import { openedPiece, packedPiece, readCourseFile, sourceOf, writeCourseFile, writeProvenCourseFile } from "./index";
import { MOST_BYTES, type ReadPiece } from "./archive";

const AT = "2026-12-01T08:00:00Z" as Instant;

/** The journal of a small course with so many changes of one record, each with a text of so many letters. */
function longJournal(changes: number, letters: number): readonly Entry[] {
  const journal = new Journalled(smallCourse());
  const place = { assignmentId: assignmentId("essay"), studentId: studentId("ada") };
  for (let change = 0; change < changes; change += 1) {
    const text = `${String(change)} ${"Grüße ".repeat(letters / 6)}`;
    journal.run({ type: "setComment", ...place, facing: "private", text });
  }
  return journal.entries;
}

describe("a journal goes in and out in pieces", () => {
  it("of at most 200 entries, each in its place behind the one before it", async () => {
    const entries = longJournal(450, 6);
    const pieces: ReadPiece[] = [];
    const file = new Blob([await courseFileOf({ entries, files: new Map() }, AT)]);
    const read = await readCourseFile(file, (piece) => {
      pieces.push(piece);
    });
    expect(read.ok && read.value.count).toBe(entries.length);
    expect(pieces.map(({ texts }) => texts.length)).toEqual([200, 200, entries.length - 400]);
    expect(pieces.flatMap((piece) => piece.entries)).toEqual(entries);
    expect(pieces.map(({ first }) => first)).toEqual([1, 201, 401]);
    expect(pieces.map(({ before }) => before)).toEqual([
      CHAIN_START,
      ...pieces.map(({ sums }) => sums.at(-1)).slice(0, 2),
    ]);
  });

  it("of few entries where these are long", () => {
    const texts = Array.from({ length: 9 }, () => "x".repeat(1_500_000));
    const { sums } = newChain(texts);
    const cut = [...piecesOf({ texts, sums, before: CHAIN_START }, 5)];
    expect(cut.map((piece) => [piece.first, piece.texts.length])).toEqual([
      [5, 3],
      [8, 3],
      [11, 3],
    ]);
    expect(cut.flatMap((piece) => piece.sums)).toEqual(sums);
  });

  it("packed and opened again they are the same, letter for letter", async () => {
    const { texts, sums } = newChain(longJournal(30, 60));
    const piece = { texts, sums, before: CHAIN_START };
    const packed = await packedPiece(piece, 1);
    expect(packed.packing).toBe("deflate");
    expect(packed.bytes.length).toBeLessThan(texts.join().length / 4);
    expect(await openedPiece(packed)).toEqual(piece);
    const short = await packedPiece({ ...piece, texts: ["1"], sums: sums.slice(0, 1) }, 1);
    expect([short.packing, (await openedPiece(short)).texts]).toEqual([null, ["1"]]);
  });

  it("tells how far it is, written and read back, and ends with all", async () => {
    const entries = longJournal(450, 6);
    const told: (readonly [number, number])[] = [];
    const proven = await writeProvenCourseFile(sourceOf({ entries, files: new Map() }), AT, (...far) => told.push(far));
    expect(proven.ok).toBe(true);
    expect(told).toEqual([
      [entries.length, 0],
      [entries.length, 200],
      [entries.length, 400],
      [entries.length, entries.length],
    ]);
  });
});

it("a journal with an entry longer than any text is refused with a word; what goes wrong in its keeper is the keeper's", async () => {
  const file = new Blob([await courseFileOf({ entries: entriesOf(smallCourse()), files: new Map() }, AT)]);
  const failing = (error: Error) =>
    readCourseFile(file, () => {
      throw error;
    });
  const issue = { code: "file_part_damaged", part: "journal.json" };
  expect(await failing(new RangeError("Invalid string length"))).toEqual({ ok: false, issue });
  await expect(failing(new Error("no room"))).rejects.toThrow("no room");
});

describe("a course file that is hard to write", () => {
  it("of texts so plain that packed they would pass for a bomb is stored as it is, and is read back", async () => {
    const entries = [...entriesOf(smallCourse())];
    const plain = { ...required(entries.pop(), "entry") };
    const line = "a".repeat(3_000_000);
    entries.push({ ...plain, change: { ...plain.change, line } });
    const { file } = await writeCourseFile(sourceOf({ entries, files: new Map() }), AT);
    expect(file.size).toBeGreaterThan(3_000_000);
    const read = await readBytes(new Uint8Array(await file.arrayBuffer()));
    expect(read.ok && read.value.entries.at(-1)?.change.line).toBe(line);
  });

  it("because it holds more than could be read back is refused with a word, and so is a journal that leads nowhere", async () => {
    const entries = entriesOf(smallCourse());
    const endless = {
      stream: () =>
        new ReadableStream<Uint8Array>({
          pull: (controller) => {
            controller.enqueue(new Uint8Array(MOST_BYTES + 1));
          },
        }),
    } as unknown as Blob;
    const source = { ...sourceOf({ entries, files: new Map() }), file: () => Promise.resolve(endless) };
    expect(await writeProvenCourseFile(source, AT)).toEqual({ ok: false, issue: { code: "course_too_large" } });
    const gap = sourceOf({
      entries: entries.slice(0, -1).concat({ ...required(entries.at(-1), "entry"), seq: 99 }),
      files: new Map(),
    });
    await expect(writeCourseFile(gap, AT)).rejects.toThrow("the journal does not replay");
  });
});
