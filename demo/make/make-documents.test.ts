import { mkdtempSync, readdirSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, relative } from "node:path";
import { afterAll, describe, expect, it } from "vitest";
import { demoDocumentsSchema } from "../documents";

const folders = [0, 1].map(() => mkdtempSync(join(tmpdir(), "quill-demo-")));
afterAll(() => {
  for (const folder of folders) rmSync(folder, { recursive: true });
});

describe("the demo's documents", () => {
  it("are the same bytes each time they are made from the same sources", async () => {
    const { makeDocuments } = (await import("./make-documents.mjs")) as {
      makeDocuments: (folder: string) => Promise<unknown>;
    };
    const [first = "", second = ""] = folders;
    const documents = demoDocumentsSchema.parse(await makeDocuments(first));
    await makeDocuments(second);
    const filesOf = (folder: string) =>
      readdirSync(folder, { recursive: true, withFileTypes: true })
        .filter((entry) => entry.isFile())
        .map((entry) => relative(folder, join(entry.parentPath, entry.name)));
    expect(filesOf(first)).toEqual(filesOf(second));
    for (const name of filesOf(first)) {
      expect(readFileSync(join(first, name)).equals(readFileSync(join(second, name))), name).toBe(true);
    }
    const kinds = documents.map(({ mediaType }) => mediaType);
    expect(kinds.filter((kind) => kind === "application/pdf").length).toBeGreaterThanOrEqual(10);
    expect(kinds.filter((kind) => /word|markdown|svg/.test(kind)).length).toBeGreaterThanOrEqual(20);
    const pdf = documents.find(({ mediaType }) => mediaType === "application/pdf");
    const bytes = readFileSync(join(first, pdf?.url.split("/").at(-1) ?? ""));
    expect(bytes.subarray(0, 5).toString()).toBe("%PDF-");
    expect(bytes.length).toBe(pdf?.size);
  }, 60_000);
});
