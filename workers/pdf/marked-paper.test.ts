import { execFileSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { createRequire } from "node:module";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { degrees, PDFDocument, PDFName, StandardFonts } from "@cantoo/pdf-lib";
import { getDocument } from "pdfjs-dist/legacy/build/pdf.mjs";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { required, type Instant } from "#core/kernel";
import type { FeedbackSheet, FontFile, MarkedPaper, PdfMark, Quad } from "./messages";
import { writePaper } from "./marked-paper";
import { readMarks } from "./read-marks";

const require = createRequire(import.meta.url);
const fontOf = (part: string, weight: 400 | 600) =>
  new Uint8Array(
    readFileSync(require.resolve(`@fontsource/literata/files/literata-${part}-${String(weight)}-normal.woff`)),
  );
const FONTS: FontFile[] = ["latin", "greek", "cyrillic"].flatMap((part) => [
  { address: `${part}-text`, weight: "text" as const, bytes: fontOf(part, 400) },
  { address: `${part}-strong`, weight: "strong" as const, bytes: fontOf(part, 600) },
]);

const SHEET: FeedbackSheet = {
  title: "Flood memo",
  course: "Hydrology",
  name: "Ada Ames",
  score: "72 / 100",
  scoreNote: "",
  overall: "Careful work.",
  criteria: [
    {
      name: "Record",
      points: "18 / 20",
      level: "Full: every gauge named",
      comment: "Name the gauge.",
      passages: [{ quote: "the highest flow", words: "Which year?" }],
    },
  ],
  answers: [{ prompt: "How much?", text: "287", points: "4 / 4", comment: "" }],
  others: [],
};

const quad = (left: number, top: number, right: number, bottom: number): Quad => [
  left,
  top,
  right,
  top,
  left,
  bottom,
  right,
  bottom,
];
const mark = (id: string, kind: PdfMark["mark"], place: PdfMark["place"], words = ""): PdfMark => ({
  id,
  mark: kind,
  place,
  words,
  subject: "Record",
  colour: "#0072b2",
  own: JSON.stringify({ id }),
});
const point = (x: number, y: number, page = 1) => ({ kind: "point", page, x, y }) as const;

/** One of every kind of remark, with words in Greek, Chinese and quotation marks among them. */
const MARKS: PdfMark[] = [
  mark(
    "note:1",
    "highlight",
    { kind: "quads", page: 1, quads: [quad(72, 712, 200, 698), quad(72, 695, 150, 681)] },
    "Ποιος χρόνος; “why”",
  ),
  mark("note:2", "strikeout", { kind: "quads", page: 1, quads: [quad(72, 660, 140, 646)] }),
  mark("note:3", "insertion", { kind: "quads", page: 1, quads: [quad(150, 660, 190, 646)] }, "a year"),
  mark("note:4", "pin", point(0.5, 0.5), "流量 here"),
  mark("note:5", "text", point(0.2, 0.6), "See\nthe gauge: Ω"),
  mark("note:6", "ink", {
    kind: "strokes",
    page: 2,
    strokes: [
      [
        [0.1, 0.1, 0.2],
        [0.3, 0.15, 0.9],
        [0.5, 0.1, 0.4],
      ],
    ],
  }),
  mark("note:7", "tick", point(0.8, 0.3, 2)),
  mark("note:8", "query", { kind: "quads", page: 2, quads: [quad(72, 500, 120, 486)] }, "Source?"),
  mark("note:9", "tick", { kind: "quads", page: 2, quads: [quad(72, 460, 120, 446)] }),
];
/** Types by ISO 32000-1, table 169. */
const SUBTYPES = ["Highlight", "StrikeOut", "Caret", "Text", "FreeText", "Ink", "Stamp", "Squiggly", "Underline"];

async function essay(turn = 0, crop?: [number, number, number, number]): Promise<Uint8Array<ArrayBuffer>> {
  const document = await PDFDocument.create();
  const font = await document.embedFont(StandardFonts.Helvetica);
  for (let number = 0; number < 2; number += 1) {
    const page = document.addPage([595, 842]);
    page.drawText("The record contains the highest flow", { x: 72, y: 700, size: 12, font });
    page.setRotation(degrees(turn));
    if (crop) page.setCropBox(...crop);
  }
  return await document.save();
}

const paperOf = (source: MarkedPaper["source"], marks: readonly PdfMark[] = MARKS): MarkedPaper => ({
  source,
  marks,
  sheet: SHEET,
  fonts: FONTS,
  author: "Marker One",
  at: "2026-11-02T09:00:00Z" as Instant,
});

let folder = "";
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), "marked-"));
});
afterAll(() => {
  rmSync(folder, { recursive: true });
});

interface PopplerReading {
  readonly pages: string[];
  readonly marks: { page: number; kind: string; id: string; words: string; author: string; rect: number[] }[];
}

/** As poppler reads it; its bindings are Debian's python3-gi and gir1.2-poppler-0.18, which `npm test` installs. */
function byPoppler(bytes: Uint8Array): PopplerReading {
  const file = join(folder, "paper.pdf");
  writeFileSync(file, bytes);
  const script = join(import.meta.dirname, "poppler-marks.py");
  return JSON.parse(execFileSync("/usr/bin/python3", [script, file], { encoding: "utf8" })) as PopplerReading;
}

interface PdfJsMark {
  readonly subtype: string;
  readonly rect: number[];
  readonly quadPoints: Float32Array | null;
  readonly contentsObj: { str: string };
  readonly titleObj: { str: string };
  readonly hasAppearance: boolean;
  readonly inkLists?: ArrayLike<number>[];
}

async function byPdfJs(bytes: Uint8Array) {
  const task = getDocument({ data: bytes.slice(), useSystemFonts: true, verbosity: 0 });
  const document = await task.promise;
  const marks: (PdfJsMark & { page: number })[] = [];
  const viewports = [];
  for (let number = 1; number <= document.numPages; number += 1) {
    const page = await document.getPage(number);
    viewports.push(page.getViewport({ scale: 1 }));
    for (const found of (await page.getAnnotations()) as PdfJsMark[]) {
      if (found.subtype !== "Popup") marks.push({ ...found, page: number });
    }
  }
  await task.destroy();
  return { marks, viewports, pages: document.numPages };
}

const near = (a: readonly number[], b: readonly number[], tolerance: number) => {
  expect(a).toHaveLength(b.length);
  a.forEach((value, index) => {
    expect(Math.abs(value - (b[index] ?? NaN))).toBeLessThanOrEqual(tolerance);
  });
};

describe("a marked PDF", () => {
  it("holds the same remarks for pdf.js and for poppler: count, kinds, places within a point, words", async () => {
    const bytes = await writePaper(paperOf({ kind: "pdf", bytes: await essay() }));
    const [js, poppler] = [await byPdfJs(bytes), byPoppler(bytes)];
    const seen = poppler.marks.filter(({ kind }) => kind !== "popup");
    expect(js.marks.map(({ subtype }) => subtype)).toEqual(SUBTYPES);
    const kinds = ["highlight", "strike-out", "caret", "text", "free-text", "ink", "stamp", "squiggly", "underline"];
    expect(seen.map(({ kind }) => kind)).toEqual(kinds);
    expect(js.marks.map(({ contentsObj }) => contentsObj.str)).toEqual(MARKS.map(({ words }) => words));
    expect(seen.map(({ words }) => words)).toEqual(MARKS.map(({ words }) => words));
    expect(seen.map(({ id }) => id)).toEqual(MARKS.map(({ id }) => id));
    expect(seen.map(({ page }) => page)).toEqual(js.marks.map(({ page }) => page));
    for (const [index, { rect, hasAppearance, titleObj }] of js.marks.entries()) {
      near(required(seen[index], "mark").rect, rect, 1);
      expect(hasAppearance).toBe(true);
      expect(titleObj.str).toBe("Marker One");
    }
  });

  it("stands where it was put: lines on their words, points and strokes by their shares of the page", async () => {
    const { marks } = await byPdfJs(await writePaper(paperOf({ kind: "pdf", bytes: await essay() })));
    const at = (index: number) => required(marks[index], "mark");
    near(
      [...(at(0).quadPoints ?? [])],
      [72, 712, 200, 712, 72, 698, 200, 698, 72, 695, 150, 695, 72, 681, 150, 681],
      0.01,
    );
    near(at(0).rect, [72, 681, 200, 712], 0.01);
    // A pin's tip is the middle of its lower edge.
    near(
      [(required(at(3).rect[0], "left") + required(at(3).rect[2], "right")) / 2, required(at(3).rect[1], "bottom")],
      [297.5, 421],
      0.01,
    );
    near([required(at(4).rect[0], "left"), required(at(4).rect[3], "top")], [119, 842 * 0.4], 0.01);
    near(Array.from(required(at(5).inkLists?.[0], "stroke")), [59.5, 757.8, 178.5, 715.7, 297.5, 757.8], 0.1);
  });

  it.each([0, 90, 180, 270])(
    "puts a point where it is seen on a page turned by %i degrees, with a cut-off edge",
    async (turn) => {
      const source = { kind: "pdf", bytes: await essay(turn, [20, 30, 500, 700]) } as const;
      const bytes = await writePaper(paperOf(source, [mark("note:1", "tick", point(0.25, 0.4))]));
      const { marks, viewports } = await byPdfJs(bytes);
      const viewport = required(viewports[0], "viewport");
      const expected = viewport.convertToPdfPoint(viewport.width * 0.25, viewport.height * 0.4) as number[];
      const [left = 0, bottom = 0, right = 0, top = 0] = required(marks[0], "mark").rect;
      near([(left + right) / 2, (bottom + top) / 2], expected, 0.01);
      const [found] = await readMarks(bytes);
      near([required(found, "mark").middle.x, required(found, "mark").middle.y], [0.25, 0.4], 0.001);
    },
  );

  it("is read back with what it said, and by its place where another program moved it", async () => {
    const bytes = await writePaper(paperOf({ kind: "pdf", bytes: await essay() }));
    const found = await readMarks(bytes);
    expect(found.map(({ id, words, own, subject }) => ({ id, words, own, subject }))).toEqual(
      MARKS.map(({ id, words, own, subject }) => ({ id, words, own, subject })),
    );
    expect(found[0]?.quads).toHaveLength(2);
    expect(found[5]?.strokes[0]?.map(([x, y]) => [x, y])).toEqual([
      [0.1, 0.1],
      [0.3, 0.15],
      [0.5, 0.1],
    ]);
    const moved = await PDFDocument.load(bytes);
    const pin = required(moved.getPage(0).node.Annots()?.lookup(5), "pin") as unknown as {
      set: (key: unknown, value: unknown) => void;
    };
    pin.set(PDFName.of("Rect"), moved.context.obj([100, 100, 120, 120]));
    const again = (await readMarks(await moved.save())).find(({ rect }) => rect[0] === 100);
    expect(again?.own).toBeNull();
    near([required(again, "pin").middle.x * 595, required(again, "pin").middle.y * 842], [110, 732], 0.1);
  });

  it("replaces what it wrote before, and leaves remarks of other programs alone", async () => {
    const once = await writePaper(paperOf({ kind: "pdf", bytes: await essay() }));
    const foreign = await PDFDocument.load(once);
    const other = foreign.context.obj({ Type: "Annot", Subtype: "Text", Rect: [10, 10, 30, 30], F: 4 });
    foreign.getPage(0).node.addAnnot(foreign.context.register(other));
    const bytes = await foreign.save();
    const twice = await writePaper(paperOf({ kind: "pdf", bytes }, MARKS.slice(0, 1)));
    const { marks } = await byPdfJs(twice);
    expect(marks.map(({ subtype }) => subtype)).toEqual(["Text", "Highlight"]);
    const left = (await PDFDocument.load(twice)).getPages().map((page) => page.node.Annots()?.size() ?? 0);
    // The other program's remark, the highlight, and its pop-up.
    expect(left.slice(0, 2)).toEqual([3, 0]);
  });

  it("has a page of feedback behind it, in words that can be read", async () => {
    const bytes = await writePaper(paperOf({ kind: "pdf", bytes: await essay() }));
    const text = required(byPoppler(bytes).pages[2], "page").replace(/\s+/g, " ");
    for (const words of [
      "Flood memo",
      "for Ada Ames",
      "Careful work.",
      "18 / 20",
      "Full: every gauge named",
      "“the highest flow”",
      "72 / 100",
      "How much?",
    ]) {
      expect(text).toContain(words);
    }
  });

  it("sets a text on pages of its own, each remark on its words, over a line's end", async () => {
    const long =
      "The record of the river is long and it names every gauge that stood there since the first year of it. "
        .repeat(3)
        .trim();
    const blocks = [
      { text: "Memo", heading: true },
      { text: long, heading: false },
      { text: "Ωmega ends.", heading: false },
    ];
    const whole = blocks.map(({ text }) => text).join(" ");
    const rangeOf = (words: string) => {
      const start = whole.indexOf(words);
      return { kind: "range", start, end: start + words.length } as const;
    };
    const bytes = await writePaper(
      paperOf({ kind: "text", blocks }, [
        mark(
          "note:1",
          "highlight",
          rangeOf("names every gauge that stood there since the first year of it. The record"),
          "All?",
        ),
        mark("note:2", "strikeout", rangeOf("Ωmega")),
        mark("note:3", "highlight", { kind: "lost" }, "gone"),
      ]),
    );
    const { marks } = await byPdfJs(bytes);
    expect(marks.map(({ subtype }) => subtype)).toEqual(["Highlight", "StrikeOut", "Text"]);
    expect(required(marks[0]?.quadPoints, "lines").length / 8).toBeGreaterThan(1);
    const file = join(folder, "text.pdf");
    writeFileSync(file, bytes);
    // Words under the second remark, as poppler finds them in its rectangle; pdftotext counts from the upper edge.
    const [left = 0, bottom = 0, right = 0, top = 0] = required(marks[1], "mark").rect;
    const box = {
      x: Math.floor(left),
      y: Math.floor(841.89 - top),
      W: Math.ceil(right - left),
      H: Math.ceil(top - bottom),
    };
    const args = Object.entries(box).flatMap(([key, value]) => [`-${key}`, String(value)]);
    expect(execFileSync("pdftotext", [...args, file, "-"], { encoding: "utf8" }).trim()).toBe("Ωmega");
  });

  it("makes the feedback page alone where there is no work to show", async () => {
    const bytes = await writePaper(paperOf({ kind: "none" }, [mark("note:1", "highlight", { kind: "lost" })]));
    expect((await byPdfJs(bytes)).pages).toBe(1);
    expect(byPoppler(bytes).marks).toEqual([]);
  });

  it("refuses what is no PDF", async () => {
    const bytes = new TextEncoder().encode("no PDF at all");
    await expect(readMarks(bytes)).rejects.toThrow();
    await expect(writePaper(paperOf({ kind: "pdf", bytes }))).rejects.toThrow();
  });
});
