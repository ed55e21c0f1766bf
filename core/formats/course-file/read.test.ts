import { createHash } from "node:crypto";
import fc from "fast-check";
import { strToU8, unzipSync, zipSync } from "fflate";
import { describe, expect, it } from "vitest";
import {
  applyPatches,
  chainSums,
  ENTRY_SCHEMA,
  invertPatches,
  newChain,
  runCommand,
  type Command,
  type Entry,
} from "#core/changes";
import { contentSum, required, type Instant } from "#core/kernel";
import { EMPTY_STATE, resultOf, type CourseState } from "#core/model";
import firstVersion from "../../testing/first-version.json";
import { courseFileOf, entriesOf, fileId, readBytes, run, runs, smallCourse, WORLD } from "#core/testing";
import { COURSE_FILE_VERSION, filesOf, type CourseArchive } from "./index";
import { SUMS } from "./archive";
import { writeSums } from "./sums";

const written = "2026-11-01T10:00:00Z" as Instant;

/** A journal of one entry that holds the whole state, then one for each command. */
function archiveOf(state: CourseState, ...commands: Command[]): CourseArchive {
  const entries = entriesOf(state);
  let now = state;
  for (const command of commands) {
    const done = runCommand(now, command, WORLD);
    if (!done.ok) throw new Error(JSON.stringify(done.issue));
    now = done.value.state;
    entries.push({
      seq: entries.length + 1,
      schema: ENTRY_SCHEMA,
      kind: "change",
      of: null,
      change: done.value.change,
    });
  }
  return { entries, files: new Map([[fileId("ada"), new Uint8Array([37, 80, 68, 70, 45, 49, 46, 55, 10, 37])]]) };
}

const archive = archiveOf(smallCourse(), {
  type: "setComment",
  assignmentId: "assignment:essay" as never,
  studentId: "student:ada" as never,
  facing: "student",
  text: 'Grüße, 你好 \u0000 "quoted" 😀',
});
const bytes = await courseFileOf(archive, written);
const parts = unzipSync(bytes);
const WHOLE = { entries: archive.entries, chain: newChain(archive.entries), broken: null, lacking: [] };

/** What was read, with the bytes of its files in place of the files. */
async function readWhole(file: Uint8Array<ArrayBuffer>) {
  const read = await readBytes(file);
  if (!read.ok) return read;
  const { entries, chain, broken, lacking, files } = read.value;
  return { ok: true, value: { entries, chain, broken, lacking, files: await bytesIn(files) } };
}

const bytesIn = async (files: ReadonlyMap<string, Blob>) =>
  new Map(
    await Promise.all(
      [...files].map(async ([id, file]) => [id, [...new Uint8Array(await file.arrayBuffer())]] as const),
    ),
  );
const FILES = new Map([[fileId("ada"), [37, 80, 68, 70, 45, 49, 46, 55, 10, 37]]]);

/** The course file with one part replaced or, with null, left out; its sums made anew, so that what lies behind them is tried. */
function withPart(name: string, content: string | null): Uint8Array<ArrayBuffer> {
  const { [SUMS]: _sums, ...others } = parts;
  const kept = Object.entries(others).filter(([part]) => part !== name);
  const changed = Object.fromEntries([...kept, ...(content === null ? [] : [[name, strToU8(content)] as const])]);
  return zipped({ ...changed, [SUMS]: strToU8(sumsOf({ ...others, ...changed })) });
}

const zipped = (all: Parameters<typeof zipSync>[0]) => new Uint8Array(zipSync(all));
const sumsOf = (all: Readonly<Record<string, Uint8Array>>) =>
  writeSums(new Map(Object.entries(all).map(([path, part]) => [path, contentSum(part)])));

describe("the course file", () => {
  it("brings back every entry and every file", async () => {
    expect(await readWhole(bytes)).toEqual({ ok: true, value: { ...WHOLE, files: FILES } });
  });

  it("of the first version is read, its records completed, and its oldest changes can still be undone", async () => {
    const data = zipped({
      "course.json": strToU8(JSON.stringify(firstVersion["course.json"])),
      "journal.json": strToU8(JSON.stringify(firstVersion["journal.json"])),
      "records.json": strToU8(JSON.stringify(firstVersion["records.json"])),
      "files/0001-ada.txt": strToU8("abc"),
    });
    const read = await readBytes(data);
    if (!read.ok) throw new Error(JSON.stringify(read.issue));
    const states = read.value.entries.reduce<CourseState[]>((list, { change }) => {
      const next = applyPatches(list.at(-1) ?? EMPTY_STATE, change.patches);
      if (!next.ok) throw new Error(JSON.stringify(next.issue));
      return [...list, next.value];
    }, []);
    const last = required(states.at(-1), "state");
    expect(last.assignments["assignment:essay"]).toMatchObject({ channel: "file", hidden: false, note: "" });
    expect(last.assignments["assignment:quiz"]).toMatchObject({ channel: "paper", grouping: "alone" });
    expect(last.students["student:ada"]).toMatchObject({ note: "" });
    const score = resultOf(last, "assignment:quiz" as never, "student:ben" as never);
    expect(score).toMatchObject({ score: "7.5", unitsLate: 1, outcomeLevelId: null });
    const addQuiz = required(read.value.entries[4], "entry").change;
    const before = required(states[4], "state");
    expect(applyPatches(before, invertPatches(addQuiz.patches))).toEqual({ ok: true, value: states[3] });
  });

  it("is an archive of open formats that names what it holds", () => {
    expect(Object.keys(parts).sort()).toEqual([
      "SHA256SUMS",
      "course.json",
      "files/0001-ada.pdf",
      "journal.json",
      "journal.sums",
      "records.json",
    ]);
    expect(JSON.parse(new TextDecoder().decode(parts["course.json"]))).toMatchObject({
      format: "upright-quill-course",
      version: COURSE_FILE_VERSION,
      title: "Small course",
      writtenAt: written,
    });
  });

  it("names a file that is lacking, so that the rest is saved, and says so when it is read", async () => {
    const read = await readBytes(await courseFileOf({ ...archive, files: new Map() }, written));
    expect(read).toMatchObject({ ok: true, value: { entries: archive.entries, lacking: [{ name: "ada.pdf" }] } });
  });

  it("carries files of several megabytes, and one that is plainer than any text of ours", async () => {
    const large = archiveOf(
      run(smallCourse(), {
        type: "editAssignment",
        assignmentId: "assignment:essay" as never,
        fields: { files: [{ id: fileId("task"), name: "task..v2.txt", mediaType: "text/plain", size: 3_000_000 }] },
      }),
    );
    const files = new Map([...large.files, [fileId("task"), new Uint8Array(3_000_000).fill(97)]]);
    const read = await readBytes(await courseFileOf({ ...large, files }, written));
    expect(read.ok && read.value.files.get(fileId("task"))?.size).toBe(3_000_000);
  });

  it("is taken apart by the sums that it carries, as sha256sum reads them", () => {
    const sum = createHash("sha256").update(required(parts["journal.json"], "journal")).digest("hex");
    expect(new TextDecoder().decode(parts[SUMS])).toContain(`${sum}  journal.json\n`);
  });

  it("carries the chain of its journal, and says where it does not hold although every part has its sum", async () => {
    const texts = archive.entries.map((entry) => JSON.stringify(entry));
    const [first = "", ...rest] = texts;
    const old = { texts, sums: chainSums(texts), unproven: 1 };
    const read = await readBytes(await courseFileOf({ ...archive, chain: old }, written));
    expect(read.ok && [read.value.chain, read.value.broken]).toEqual([old, null]);
    const forged = [first.replace("Small course", "Other course"), ...rest];
    const changed = { ...old, texts: forged };
    const entries = forged.map((text) => JSON.parse(text) as Entry);
    const back = await readBytes(await courseFileOf({ ...archive, entries, chain: changed }, written));
    expect(back.ok && [back.value.chain, back.value.broken]).toEqual([changed, 1]);
    for (const sums of ["", "x\n".repeat(texts.length), `${"0".repeat(64)}\n`.repeat(texts.length + 1)]) {
      const issue = { code: "file_part_damaged", part: "journal.sums" };
      expect(await readBytes(withPart("journal.sums", sums))).toMatchObject({ ok: false, issue });
    }
  });

  it("of the version before sums is read with its sizes alone", async () => {
    const { [SUMS]: _sums, ...others } = parts;
    const cover = { ...(JSON.parse(new TextDecoder().decode(parts["course.json"])) as object), version: 5 };
    const before = zipped({ ...others, "course.json": strToU8(JSON.stringify(cover)) });
    expect(await readWhole(before)).toEqual({ ok: true, value: { ...WHOLE, files: FILES } });
  });

  it("names files of the course only", () => {
    expect(filesOf(smallCourse()).map(({ name }) => name)).toEqual(["ada.pdf"]);
    expect(filesOf(EMPTY_STATE)).toEqual([]);
  });
});

describe("a course file that is not whole is refused whole", () => {
  const cover = (changes: object) =>
    JSON.stringify({
      ...(JSON.parse(new TextDecoder().decode(parts["course.json"])) as object),
      ...changes,
    });
  const entries = JSON.parse(new TextDecoder().decode(parts["journal.json"])) as Entry[];

  /** An archive that holds another one as it is, and has lost its own end. */
  function cutBehindArchive(): Uint8Array<ArrayBuffer> {
    const inner = zipSync({ "word/document.xml": strToU8("<w/>".repeat(100)) });
    const outer = zipped({ ...parts, "files/0002-memo.docx": [inner, { level: 0 }] });
    return outer.slice(0, outer.length - 40);
  }

  function withoutSums() {
    const { [SUMS]: _sums, ...others } = parts;
    return others;
  }

  it.each([
    ["cut short", bytes.slice(0, bytes.length - 40), { code: "file_not_an_archive" }],
    ["cut in the middle", bytes.slice(0, bytes.length / 2), { code: "file_not_an_archive" }],
    ["cut short behind a Word file", cutBehindArchive(), { code: "file_not_an_archive" }],
    ["empty", new Uint8Array(), { code: "file_not_an_archive" }],
    ["no archive", new Uint8Array(strToU8("hello")), { code: "file_not_an_archive" }],
    ["another archive", zipped({ "a.txt": strToU8("a") }), { code: "file_not_a_course" }],
    [
      "newer",
      withPart("course.json", cover({ version: 99 })),
      { code: "file_newer", version: 99, known: COURSE_FILE_VERSION },
    ],
    ["of a version below the first", withPart("course.json", cover({ version: -3 })), { code: "file_not_a_course" }],
    ["without its sums", zipped(withoutSums()), { code: "file_part_missing", part: SUMS }],
    ["without a journal", withPart("journal.json", null), { code: "file_part_missing", part: "journal.json" }],
    ["without a file", withPart("files/0001-ada.pdf", null), { code: "file_part_missing", part: "files/0001-ada.pdf" }],
    [
      "with a shorter file",
      withPart("files/0001-ada.pdf", "%PDF"),
      { code: "file_part_damaged", part: "files/0001-ada.pdf" },
    ],
    ["with broken JSON", withPart("journal.json", "[{"), { code: "file_part_damaged", part: "journal.json" }],
    [
      "with a gap in the journal",
      withPart("journal.json", JSON.stringify(entries.slice(1))),
      { code: "file_part_damaged", part: "journal.json" },
    ],
    [
      "with records that differ",
      withPart("records.json", JSON.stringify(EMPTY_STATE)),
      { code: "file_part_damaged", part: "records.json" },
    ],
  ])("%s", async (_what, data, issue) => {
    expect(await readBytes(data)).toMatchObject({ ok: false, issue });
  });

  it.each([
    ["without a comma between two lines of its journal", (text: string) => text.replace(",\n{", "\n{")],
    ["with a comma behind the last line of its journal", (text: string) => text.replace("}\n]", "},\n]")],
    ["without the end of its journal", (text: string) => text.replace("\n]\n", "")],
    ["with something behind its journal", (text: string) => `${text}{}`],
  ])("%s", async (_what, change) => {
    const text = new TextDecoder().decode(parts["journal.json"]);
    expect(change(text)).not.toBe(text);
    const issue = { code: "file_part_damaged", part: "journal.json" };
    expect(await readBytes(withPart("journal.json", change(text)))).toEqual({ ok: false, issue });
  });

  it("no changed byte is taken in: it is refused, or it changed nothing of the course", async () => {
    const flip = fc.record({ at: fc.nat(bytes.length - 1), by: fc.integer({ min: 1, max: 255 }) });
    await fc.assert(
      fc.asyncProperty(flip, async ({ at, by }) => {
        const changed = bytes.slice();
        changed[at] = (changed[at] ?? 0) ^ by;
        const read = await readWhole(changed);
        if (read.ok) expect(read).toEqual({ ok: true, value: { ...WHOLE, files: FILES } });
      }),
      { numRuns: runs(2_000, 500) },
    );
  });

  it("a swollen archive is refused before it is unpacked, and so are parts that overlap", async () => {
    const bomb = zipped({ "course.json": new Uint8Array(30_000_000) });
    expect(bomb.length).toBeLessThan(100_000);
    expect(await readBytes(bomb)).toMatchObject({ ok: false, issue: { code: "file_too_large" } });
    expect(await readBytes(overlapping(50))).toMatchObject({ ok: false, issue: { code: "file_not_an_archive" } });
  });

  it("a path that leads out of the archive is never read", async () => {
    const evil = {
      ...(JSON.parse(cover({})) as object),
      files: [{ ...required(filesOf(smallCourse())[0], "file"), path: "../ada.pdf" }],
    };
    const data = zipped({ ...parts, "course.json": strToU8(JSON.stringify(evil)), "../ada.pdf": new Uint8Array(10) });
    expect(await readBytes(data)).toMatchObject({ ok: false, issue: { code: "file_part_missing" } });
  });
});

/** An archive whose directory names the same packed bytes many times over. */
function overlapping(times: number): Uint8Array<ArrayBuffer> {
  const one = zipSync({ a000: new Uint8Array(5_000).map((_, at) => (at * 7919) % 251) });
  const end = one.length - 22;
  const start = new DataView(one.buffer, one.byteOffset).getUint32(end + 16, true);
  const entry = one.slice(start, end);
  const directory = Array.from({ length: times }, (_, index) => {
    const copy = entry.slice();
    copy.set(strToU8(`a${String(index).padStart(3, "0")}`), 46);
    return copy;
  });
  const tail = one.slice(end);
  const view = new DataView(tail.buffer);
  view.setUint16(8, times, true);
  view.setUint16(10, times, true);
  view.setUint32(12, entry.length * times, true);
  return new Uint8Array([...one.slice(0, start), ...directory.flatMap((copy) => [...copy]), ...tail]);
}
