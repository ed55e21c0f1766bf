import { PDFHexString, PDFName, PDFString, type PDFDocument, type PDFPage, type PDFRef } from "@cantoo/pdf-lib";
import type { MarkPlace, PdfMark, Quad } from "./messages";
import { colourOf, figures, form, highlightForm, inkForm, lineForm, pinForm, signForm, type Rect } from "./appearance";
import { pageFrame, rectAround, type PageFrame } from "./page-frame";
import type { Typeface } from "./typeface";

/** Under this key of an annotation the application keeps what it reads back itself. */
export const OWN_KEY = PDFName.of("UprightQuill");

/** A remark with a place on a page of the document. */
export type PlacedMark = PdfMark & { readonly place: Exclude<MarkPlace, { kind: "range" | "lost" }> };

interface Context {
  readonly document: PDFDocument;
  readonly frame: PageFrame;
  readonly face: Typeface;
}

/** An annotation before it has words and a date: its type, its rectangle, its own entries and how it looks. */
interface Draft {
  readonly subtype: string;
  readonly rect: Rect;
  readonly look: PDFRef;
  readonly entries?: Readonly<Record<string, unknown>>;
  /** Flags of ISO 32000-1, table 165; 4: printed. */
  readonly flags?: number;
}

/** Puts remarks on the pages of a document as annotations of ISO 32000-1, 12.5, each with an appearance of its own. */
export async function writeMarks(
  document: PDFDocument,
  marks: readonly PlacedMark[],
  face: Typeface,
  made: { readonly author: string; readonly at: Date },
): Promise<void> {
  const pages = document.getPages();
  for (const mark of marks) {
    const page = pages[mark.place.page - 1];
    if (!page) continue;
    const context = { document, frame: pageFrame(page), face };
    add(document, page, mark, await draftOf(mark, context), made);
  }
}

function add(
  document: PDFDocument,
  page: PDFPage,
  mark: PlacedMark,
  draft: Draft,
  made: { readonly author: string; readonly at: Date },
): void {
  const { context } = document;
  const dictionary = context.obj({
    Type: "Annot",
    Subtype: draft.subtype,
    Rect: [...draft.rect],
    C: colourOf(mark.colour),
    F: draft.flags ?? 4,
    P: page.ref,
    AP: { N: draft.look },
    ...(draft.entries as Record<string, never> | undefined),
  });
  const set = (key: string, value: string) => {
    dictionary.set(PDFName.of(key), PDFHexString.fromText(value));
  };
  set("Contents", mark.words);
  set("T", made.author);
  set("Subj", mark.subject);
  dictionary.set(PDFName.of("NM"), PDFString.of(mark.id));
  dictionary.set(PDFName.of("M"), PDFString.fromDate(made.at));
  dictionary.set(PDFName.of("CreationDate"), PDFString.fromDate(made.at));
  // The rectangle stands beside it: where another program moved the remark, its new place is read instead.
  dictionary.set(OWN_KEY, PDFHexString.fromText(JSON.stringify({ rect: draft.rect.map(rounded), own: mark.own })));
  const reference = context.register(dictionary);
  page.node.addAnnot(reference);
  if (mark.words === "" || draft.subtype === "FreeText") return;
  const [, , right, top] = draft.rect;
  const popup = context.register(
    context.obj({
      Type: "Annot",
      Subtype: "Popup",
      Rect: [right, top - 60, right + 160, top],
      Parent: reference,
      Open: false,
      F: 28,
    }),
  );
  dictionary.set(PDFName.of("Popup"), popup);
  page.node.addAnnot(popup);
}

const rounded = (value: number): number => Math.round(value * 100) / 100;

async function draftOf(mark: PlacedMark, context: Context): Promise<Draft> {
  const { place } = mark;
  if (place.kind === "quads") return passageDraft(mark, place.quads, context);
  if (place.kind === "strokes") {
    const { document, frame } = context;
    const lists = place.strokes.map((stroke) => stroke.map(([x, y]) => frame.toPoint(x, y)));
    const rect = rectAround(lists.flat(), frame.width * 0.006);
    return {
      subtype: "Ink",
      rect,
      look: inkForm(document, place.strokes, frame, rect, mark.colour),
      entries: {
        InkList: lists.map((list) => list.flatMap((point) => [...point])),
        BS: { W: rounded(frame.width * 0.0028) },
      },
    };
  }
  return pointDraft(mark, frameBox(context.frame, place), context);
}

function passageDraft(mark: PlacedMark, quads: readonly Quad[], { document, frame }: Context): Draft {
  const corners = quads.flatMap((q) => [0, 2, 4, 6].map((at) => [q[at] ?? 0, q[at + 1] ?? 0] as const));
  const rect = rectAround(corners);
  const entries = { QuadPoints: quads.flat() };
  switch (mark.mark) {
    case "strikeout":
      return { subtype: "StrikeOut", rect, look: lineForm(document, quads, rect, mark.colour, "through"), entries };
    case "tick":
    case "query": {
      // Standard readers know no tick on words: a line below them, and its intent says which.
      const subtype = mark.mark === "tick" ? "Underline" : "Squiggly";
      const intent = { ...entries, IT: mark.mark === "tick" ? "Tick" : "Query" };
      return { subtype, rect, look: lineForm(document, quads, rect, mark.colour, "under"), entries: intent };
    }
    case "insertion": {
      const last = quads.at(-1) ?? [0, 0, 0, 0, 0, 0, 0, 0];
      const half = Math.hypot(last[2] - last[6], last[3] - last[7]) / 3;
      const at = rectAround([[last[6], last[7]]], half);
      return { subtype: "Caret", rect: at, look: signForm(document, "caret", mark.colour, frame.quarters) };
    }
    default:
      return { subtype: "Highlight", rect, look: highlightForm(document, quads, rect, mark.colour), entries };
  }
}

/** A point, and a function that gives a rectangle around it, as shown. */
function frameBox(frame: PageFrame, place: { readonly x: number; readonly y: number }) {
  const point = frame.toPoint(place.x, place.y);
  return (left: number, up: number, right: number, down: number): Rect =>
    rectAround([frame.shift(point, -left, -up), frame.shift(point, right, down)]);
}

async function pointDraft(mark: PlacedMark, around: ReturnType<typeof frameBox>, context: Context): Promise<Draft> {
  const { document, frame } = context;
  switch (mark.mark) {
    case "text":
      return wordsDraft(mark, around, context);
    case "tick":
    case "query":
      return {
        subtype: "Stamp",
        rect: around(11, 11, 11, 11),
        look: signForm(document, mark.mark, mark.colour, frame.quarters),
        entries: { Name: mark.mark === "tick" ? "Tick" : "Query" },
      };
    default:
      return {
        subtype: "Text",
        rect: around(7.5, 19.5, 7.5, 0),
        look: pinForm(document, mark.colour, frame.quarters),
        entries: { Name: "Comment", Open: false },
        // Printed, at one size, upright.
        flags: 28,
      };
  }
}

/** Type size of words on the page, and the widest line, in shares of the page's width as shown. */
const WORDS_SIZE = 16 / 622;
const WORDS_WIDTH = 256 / 622;

async function wordsDraft(mark: PlacedMark, around: ReturnType<typeof frameBox>, context: Context): Promise<Draft> {
  const { document, frame, face } = context;
  const size = frame.width * WORDS_SIZE;
  const lines = await wrap(mark.words || "…", size, frame.width * WORDS_WIDTH, face);
  const widths = await Promise.all(lines.map((line) => face.width(line, "text", size)));
  const width = Math.max(...widths) + 2;
  const leading = size * 1.35;
  const height = lines.length * leading + size * 0.3;
  const fonts: Record<string, PDFRef> = {};
  let operators = `q BT ${colourOf(mark.colour)
    .map((value) => value.toFixed(3))
    .join(" ")} rg`;
  for (const [index, line] of lines.entries()) {
    let x = 1;
    for (const run of await face.runs(line, "text")) {
      const name = `F${String(Object.keys(fonts).length)}`;
      const known = Object.entries(fonts).find(([, reference]) => reference === run.font.ref)?.[0];
      fonts[known ?? name] = run.font.ref;
      const y = height - (index + 1) * leading + size * 0.15;
      operators += ` /${known ?? name} ${figures(size)} Tf 1 0 0 1 ${figures(x, y)} Tm ${run.font.encodeText(run.text).toString()} Tj`;
      x += run.font.widthOfTextAtSize(run.text, size);
    }
  }
  const look = form(document, `${operators} ET Q`, [0, 0, width, height], {
    quarters: frame.quarters,
    resources: { Font: fonts },
  });
  const [red, green, blue] = colourOf(mark.colour).map((value) => value.toFixed(3));
  return {
    subtype: "FreeText",
    rect: around(0, 0, width, height),
    look,
    entries: {
      DA: PDFString.of(`/Helv ${figures(size)} Tf ${red ?? "0"} ${green ?? "0"} ${blue ?? "0"} rg`),
      Q: 0,
      BS: { W: 0 },
      ...(frame.quarters > 0 && { Rotate: frame.quarters * 90 }),
    },
  };
}

async function wrap(text: string, size: number, room: number, face: Typeface): Promise<string[]> {
  const lines: string[] = [];
  for (const paragraph of text.split("\n")) {
    let line = "";
    for (const word of paragraph.split(" ")) {
      const longer = line === "" ? word : `${line} ${word}`;
      if (line !== "" && (await face.width(longer, "text", size)) > room) {
        lines.push(line);
        line = word;
      } else line = longer;
    }
    lines.push(line);
  }
  return lines;
}
