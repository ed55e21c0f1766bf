import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { ENTRY_SCHEMA, type Entry, type Patch } from "#core/changes";
import type { FileId, Instant } from "#core/kernel";
import { TABLE_NAMES, type TableName } from "#core/model";
import { anyRecords, courseFileOf, readBytes, runs } from "#core/testing";
import { contentSum } from "#core/kernel";
import { filesEverNamed, sourceOf, writeProvenCourseFile, type CourseArchive } from "./index";

const WRITTEN = "2026-11-28T10:00:00Z" as Instant;

/** A journal that sets down records table by table, an entry each. */
function journalOf(records: ReadonlyMap<TableName, readonly Record<string, unknown>[]>): Entry[] {
  const changes = TABLE_NAMES.map((table): Patch[] =>
    (records.get(table) ?? []).map((record) => ({ table, id: String(record["id"]), before: null, after: record })),
  ).filter((patches) => patches.length > 0);
  return changes.map((patches, index) => ({
    seq: index + 1,
    schema: ENTRY_SCHEMA,
    kind: "change",
    of: null,
    change: {
      id: `change:${String(index)}`,
      type: "startCourse",
      at: WRITTEN,
      by: "marker:1",
      line: `Set down ${String(patches.length)}`,
      patches,
    } as unknown as Entry["change"],
  }));
}

const anyArchive: fc.Arbitrary<CourseArchive> = fc
  .tuple(anyRecords(1), fc.array(fc.uint8Array({ maxLength: 400 }), { minLength: 1, maxLength: 5 }))
  .map(([records, contents]) => {
    const entries = journalOf(records);
    const files = filesEverNamed(entries).map(
      ({ id }, index) => [id, new Uint8Array(contents[index % contents.length] ?? [])] as const,
    );
    return { entries, files: new Map<FileId, Uint8Array<ArrayBuffer>>(files) };
  });

describe("any course, with records of every kind, any names and any texts", () => {
  it("comes out of its course file as it went in, and is written again byte for byte", async () => {
    await fc.assert(
      fc.asyncProperty(anyArchive, async (archive) => {
        const bytes = await courseFileOf(archive, WRITTEN);
        const read = await readBytes(bytes);
        if (!read.ok) throw new Error(JSON.stringify(read.issue));
        expect(read.value.lacking).toEqual([]);
        expect(read.value.entries).toEqual(archive.entries);
        expect([...read.value.files.keys()].sort()).toEqual([...archive.files.keys()].sort());
        expect(contentSum(await courseFileOf(read.value, WRITTEN))).toBe(contentSum(bytes));
      }),
      { numRuns: runs(2_000, 60) },
    );
    // Two thousand courses in a thorough run; how long they take is no verdict on any of them.
  }, 300_000);

  it("is proven by reading it back, and every table and a file name of each awkward kind were among them", async () => {
    const tables = new Set<string>();
    const names = new Set<string>();
    for (const [index, archive] of fc.sample(anyArchive, 600).entries()) {
      // Looked through in greater number than proven, so that what is rare is among them whatever the schemas are.
      if (index < runs(120, 15)) expect((await writeProvenCourseFile(sourceOf(archive), WRITTEN)).ok).toBe(true);
      for (const { change } of archive.entries) for (const { table } of change.patches) tables.add(table);
      for (const { name } of filesEverNamed(archive.entries)) names.add(name);
    }
    expect([...tables].sort()).toEqual([...TABLE_NAMES].sort());
    for (const name of ["essay..final.md", "..pdf", " ", "a/b\\c"]) expect(names).toContain(name);
  }, 120_000);
});
