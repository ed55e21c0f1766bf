import { mkdtempSync, readdirSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, relative } from "node:path";
import { afterAll, describe, expect, it } from "vitest";
import { demoDocumentsSchema, documentsIn } from "../documents";

const folder = mkdtempSync(join(tmpdir(), "quill-demo-"));
afterAll(() => {
  rmSync(folder, { recursive: true });
});
/** As they were made before the tests, by another process. */
const SHIPPED = "public/demo";

describe("the demo's documents", () => {
  it("are the same bytes each time they are made from the same sources", async () => {
    const { makeDocuments } = (await import("./make-documents.mjs")) as {
      makeDocuments: (folder: string) => Promise<unknown>;
    };
    const documents = demoDocumentsSchema.parse(await makeDocuments(folder));
    const filesOf = (place: string) =>
      readdirSync(place, { recursive: true, withFileTypes: true })
        .filter((entry) => entry.isFile())
        .map((entry) => relative(place, join(entry.parentPath, entry.name)))
        // The journal beside them is made anew with each build.
        .filter((name) => name !== "journal.json")
        .sort();
    expect(filesOf(folder)).toEqual(filesOf(SHIPPED));
    for (const name of filesOf(folder)) {
      expect(readFileSync(join(folder, name)).equals(readFileSync(join(SHIPPED, name))), name).toBe(true);
    }
    const kinds = documents.map(({ mediaType }) => mediaType);
    expect(kinds.filter((kind) => kind === "application/pdf").length).toBeGreaterThanOrEqual(10);
    expect(kinds.filter((kind) => /word|markdown|svg/.test(kind)).length).toBeGreaterThanOrEqual(20);
    const pack = new Blob([new Uint8Array(readFileSync(join(folder, "documents.pack")))]);
    const pieces = documentsIn(documents, pack);
    expect(pieces.reduce((sum, [, piece]) => sum + piece.size, 0)).toBe(pack.size);
    for (const [{ name, mediaType, size }, piece] of pieces) {
      expect([piece.size, piece.type], name).toEqual([size, mediaType]);
      if (mediaType === "application/pdf") expect(await piece.slice(0, 5).text(), name).toBe("%PDF-");
      if (mediaType === "image/svg+xml") expect((await piece.text()).trim(), name).toMatch(/^<svg[^]*<\/svg>$/);
    }
  }, 60_000);
});
