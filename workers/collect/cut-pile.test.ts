import { execFileSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { PDFDocument } from "@cantoo/pdf-lib";
import { afterAll, expect, it } from "vitest";
import type { PaperPage } from "#core/collect";
import { makePdf } from "../../e2e/make-pdf";
import { cutPile } from "./cut-pile";

const folder = mkdtempSync(join(tmpdir(), "quill-pile-"));
afterAll(() => {
  rmSync(folder, { recursive: true });
});

const pages = (...places: number[]): PaperPage[] => places.map((place) => ({ place, turn: 0 }));
const papersOf = async (papers: readonly (readonly PaperPage[])[]) =>
  cutPile(new Blob([new Uint8Array(await makePdf({ pages: 8 }))]), papers);

/** A PDF where poppler's tools find it. */
async function stored(blob: Blob): Promise<string> {
  const path = join(folder, "paper.pdf");
  writeFileSync(path, Buffer.from(await blob.arrayBuffer()));
  return path;
}

it("cuts a pile into papers of the pages that it is asked for, in that order (read by poppler)", async () => {
  const read: (string | undefined)[][] = [];
  for (const blob of await papersOf([pages(1, 2, 3), pages(6, 4), pages(8)])) {
    const text = execFileSync("pdftotext", [await stored(blob), "-"], { encoding: "utf8" });
    read.push(text.split("\f").slice(0, -1).map((page) => /page (\d+)/.exec(page)?.[1])); // oxfmt-ignore
  }
  expect(read).toEqual([["1", "2", "3"], ["6", "4"], ["8"]]);
});

it("turns pages as they are asked to lie (read by poppler)", async () => {
  const [paper] = await papersOf([
    [
      { place: 1, turn: 2 },
      { place: 2, turn: 0 },
      { place: 3, turn: 3 },
    ],
  ]);
  const said = execFileSync("pdfinfo", ["-l", "3", await stored(paper ?? new Blob())], { encoding: "utf8" });
  expect([...said.matchAll(/rot:\s+(\d+)/g)].map(([, turn]) => turn)).toEqual(["180", "0", "270"]);
});

it("refuses what is no PDF, a page that is not there, and a pile that nobody scans", async () => {
  await expect(cutPile(new Blob(["no PDF"]), [])).rejects.toThrow();
  await expect(papersOf([pages(9)])).rejects.toThrow(RangeError);
  const endless = await PDFDocument.create();
  for (let page = 0; page < 2_001; page += 1) endless.addPage([10, 10]);
  const bytes = await endless.save();
  await expect(cutPile(new Blob([bytes]), [pages(1)])).rejects.toThrow(RangeError);
});
