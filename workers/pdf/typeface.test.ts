import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import { PDFDocument } from "@cantoo/pdf-lib";
import { describe, expect, it } from "vitest";
import type { FontFile } from "./messages";
import { Typeface, widthOf } from "./typeface";

const require = createRequire(import.meta.url);
const FONTS = ["latin", "greek"].map((part): FontFile => {
  const address = `@fontsource/literata/files/literata-${part}-400-normal.woff`;
  return { address, weight: "text", bytes: new Uint8Array(readFileSync(require.resolve(address))) };
});

describe("a run of text", () => {
  it.each(["The river rises.", "office, waffle, find", "naïve Ångström — “quoted”", "λόγος of 3.5 m³", ""])(
    "is as wide as the library of the document measures it, letter by letter: %s",
    async (text) => {
      const type = new Typeface(await PDFDocument.create(), FONTS);
      const runs = await type.runs(text, "text");
      for (const run of runs) {
        expect(run.advances).toHaveLength([...run.text].length);
        expect(widthOf(run, 11.5)).toBeCloseTo(run.font.widthOfTextAtSize(run.text, 11.5), 9);
      }
      expect(runs.map((run) => run.text).join("")).toHaveLength(text.length);
    },
  );

  it("draws a letter that no font has as a dot in the middle of the line", async () => {
    const type = new Typeface(await PDFDocument.create(), FONTS);
    expect((await type.runs("a雨b", "text")).map(({ text }) => text)).toEqual(["a·b"]);
  });
});

describe("a font", () => {
  it("is read once and embedded in each document with the letters of that document alone", async () => {
    const sizes: number[] = [];
    for (const text of ["river", "The quick brown fox jumps over the lazy dog, 0123456789.", "river"]) {
      const document = await PDFDocument.create();
      const type = new Typeface(document, FONTS);
      for (const { text: part, font } of await type.runs(text, "text")) {
        document.addPage().drawText(part, { font });
      }
      sizes.push((await document.save()).length);
    }
    expect(sizes[1]).toBeGreaterThan((sizes[0] ?? 0) * 1.5);
    expect(Math.abs((sizes[2] ?? 0) - (sizes[0] ?? 0))).toBeLessThan(50);
  });
});
