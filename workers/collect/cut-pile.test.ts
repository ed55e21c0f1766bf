import { execFileSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { PDFDocument } from "@cantoo/pdf-lib";
import { afterAll, expect, it } from "vitest";
import { makePdf } from "../../e2e/make-pdf";
import { cutPile } from "./cut-pile";

const folder = mkdtempSync(join(tmpdir(), "quill-pile-"));
afterAll(() => {
  rmSync(folder, { recursive: true });
});

/** The text of a PDF as poppler's pdftotext reads it, page by page. */
async function pagesOf(blob: Blob): Promise<string[]> {
  const path = join(folder, "paper.pdf");
  writeFileSync(path, Buffer.from(await blob.arrayBuffer()));
  return execFileSync("pdftotext", [path, "-"], { encoding: "utf8" }).split("\f").slice(0, -1);
}

it("cuts a pile into papers of so many pages, in their order, the last with what is left over (read by poppler)", async () => {
  const pile = new Blob([new Uint8Array(await makePdf({ pages: 8 }))]);
  const papers = await cutPile(pile, 3);
  expect(papers.map(({ from, to }) => `${String(from)}-${String(to)}`)).toEqual(["1-3", "4-6", "7-8"]);
  const texts: string[][] = [];
  for (const { blob } of papers) texts.push(await pagesOf(blob));
  expect(texts.map((pages) => pages.map((text) => /page (\d+)/.exec(text)?.[1]))).toEqual([
    ["1", "2", "3"],
    ["4", "5", "6"],
    ["7", "8"],
  ]);
});

it("refuses what is no PDF, and a pile that nobody scans", async () => {
  await expect(cutPile(new Blob(["no PDF"]), 2)).rejects.toThrow();
  const endless = await PDFDocument.create();
  for (let page = 0; page < 2_001; page += 1) endless.addPage([10, 10]);
  const bytes = await endless.save();
  await expect(cutPile(new Blob([bytes]), 2)).rejects.toThrow(RangeError);
});
