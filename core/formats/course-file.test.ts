import { strToU8, unzipSync, zipSync } from "fflate";
import { describe, expect, it } from "vitest";
import { applyPatches, ENTRY_SCHEMA, invertPatches, runCommand, type Command, type Entry } from "#core/changes";
import { required, type Instant } from "#core/kernel";
import { EMPTY_STATE, resultOf, type CourseState } from "#core/model";
import firstVersion from "../testing/first-version.json";
import { entriesOf, fileId, smallCourse, WORLD } from "#core/testing";
import { COURSE_FILE_VERSION, filesOf, readCourseFile, writeCourseFile, type CourseArchive } from "./index";

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
const bytes = writeCourseFile(archive, written);

/** The course file with one part replaced or, with null, left out. */
function withPart(name: string, content: string | null): Uint8Array {
  const parts = unzipSync(bytes);
  const kept = Object.entries(parts).filter(([part]) => part !== name);
  return zipSync(Object.fromEntries([...kept, ...(content === null ? [] : [[name, strToU8(content)] as const])]));
}

describe("the course file", () => {
  it("brings back every entry and every file", () => {
    expect(readCourseFile(bytes)).toEqual({ ok: true, value: archive });
  });

  it("of the first version is read, its records completed, and its oldest changes can still be undone", () => {
    const data = zipSync({
      "course.json": strToU8(JSON.stringify(firstVersion["course.json"])),
      "journal.json": strToU8(JSON.stringify(firstVersion["journal.json"])),
      "records.json": strToU8(JSON.stringify(firstVersion["records.json"])),
      "files/0001-ada.txt": strToU8("abc"),
    });
    const read = readCourseFile(data);
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
    const parts = unzipSync(bytes);
    expect(Object.keys(parts).sort()).toEqual(["course.json", "files/0001-ada.pdf", "journal.json", "records.json"]);
    expect(JSON.parse(new TextDecoder().decode(parts["course.json"]))).toMatchObject({
      format: "upright-quill-course",
      version: COURSE_FILE_VERSION,
      title: "Small course",
      writtenAt: written,
    });
  });

  it("is not written when a file is lacking", () => {
    expect(() => writeCourseFile({ ...archive, files: new Map() }, written)).toThrow(RangeError);
  });

  it("names files of the course only", () => {
    expect(filesOf(smallCourse()).map(({ name }) => name)).toEqual(["ada.pdf"]);
    expect(filesOf(EMPTY_STATE)).toEqual([]);
  });
});

describe("a course file that is not whole is refused whole", () => {
  const cover = (changes: object) =>
    JSON.stringify({
      ...(JSON.parse(new TextDecoder().decode(unzipSync(bytes)["course.json"])) as object),
      ...changes,
    });
  const entries = JSON.parse(new TextDecoder().decode(unzipSync(bytes)["journal.json"])) as Entry[];

  /** An archive that holds another one as it is, and has lost its own end. */
  function cutBehindArchive(): Uint8Array {
    const inner = zipSync({ "word/document.xml": strToU8("<w/>".repeat(100)) });
    const outer = zipSync({ ...unzipSync(bytes), "files/0002-memo.docx": [inner, { level: 0 }] });
    return outer.slice(0, outer.length - 40);
  }

  it.each([
    ["cut short", bytes.slice(0, bytes.length - 40), { code: "file_not_an_archive" }],
    ["cut in the middle", bytes.slice(0, bytes.length / 2), { code: "file_not_an_archive" }],
    ["cut short behind a Word file", cutBehindArchive(), { code: "file_not_an_archive" }],
    ["empty", new Uint8Array(), { code: "file_not_an_archive" }],
    ["no archive", strToU8("hello"), { code: "file_not_an_archive" }],
    ["another archive", zipSync({ "a.txt": strToU8("a") }), { code: "file_not_a_course" }],
    ["newer", withPart("course.json", cover({ version: 99 })), { code: "file_newer", version: 99, known: 5 }],
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
  ])("%s", (_what, data, issue) => {
    expect(readCourseFile(data)).toMatchObject({ ok: false, issue });
  });

  it("a path that leads out of the archive is never read", () => {
    const parts = unzipSync(bytes);
    const evil = {
      ...(JSON.parse(cover({})) as object),
      files: [{ ...required(filesOf(smallCourse())[0], "file"), path: "../ada.pdf" }],
    };
    const data = zipSync({ ...parts, "course.json": strToU8(JSON.stringify(evil)), "../ada.pdf": new Uint8Array(10) });
    expect(readCourseFile(data)).toMatchObject({ ok: false, issue: { code: "file_part_missing" } });
  });
});
