import { PageSizes, rgb, type Color, type PDFDocument, type PDFPage } from "@cantoo/pdf-lib";
import type { FontFile } from "./messages";
import { widthOf, type Typeface } from "./typeface";

/** How a paragraph is set; lengths in points. */
export interface TextStyle {
  readonly size: number;
  readonly weight?: FontFile["weight"];
  readonly colour?: Color;
  readonly indent?: number;
  readonly before?: number;
  readonly after?: number;
  /** Room kept free at the right end. */
  readonly right?: number;
}

/** Where a letter was set: its page, counted from 1 over the whole document, and its box in points from below. */
export interface LetterBox {
  readonly page: number;
  readonly left: number;
  readonly right: number;
  readonly bottom: number;
  readonly top: number;
}

const [PAGE_WIDTH, PAGE_HEIGHT] = PageSizes.A4;
const MARGIN = 72;
/** Line height over type size. */
const LEADING = 1.45;
/** Depth of a line below its baseline, in shares of the type size. */
const DESCENT = 0.3;

const INK = rgb(0.133, 0.149, 0.227);

/** Sets paragraphs one under the other, on as many pages as they take. */
export class Flow {
  #page: PDFPage;
  #y = PAGE_HEIGHT - MARGIN;

  constructor(
    private readonly document: PDFDocument,
    private readonly face: Typeface,
  ) {
    this.#page = document.addPage(PageSizes.A4);
  }

  /** Sets a text; answers where each of its code points stands, a line break standing where its line ends. */
  async write(text: string, style: TextStyle): Promise<LetterBox[]> {
    const { size, weight = "text", colour = INK, indent = 0, before = 0, after = 0, right = 0 } = style;
    const left = MARGIN + indent;
    const boxes: LetterBox[] = [];
    this.#y -= before;
    for (const line of await this.#lines(text, weight, size, PAGE_WIDTH - MARGIN - right - left)) {
      this.#room(size * LEADING);
      this.#y -= size * LEADING;
      let x = left;
      for (const run of await this.face.runs(line.text, weight)) {
        this.#page.drawText(run.text, { x, y: this.#y, size, font: run.font, color: colour });
        for (const advance of run.advances) {
          const until = x + size * advance;
          boxes.push(this.#box(x, until, size));
          x = until;
        }
      }
      for (let index = 0; index < line.dropped; index += 1) boxes.push(this.#box(x, x, size));
    }
    this.#y -= after;
    return boxes;
  }

  /** Sets two texts on one line, the second at its right end. */
  async writeEnds(first: string, second: string, style: TextStyle): Promise<void> {
    const { size, weight = "text", colour = INK } = style;
    this.#room(size * LEADING * 2);
    const page = this.#page;
    const y = this.#y - (style.before ?? 0) - size * LEADING;
    const width = await this.face.width(second, weight, size);
    await this.write(first, { ...style, right: width + size });
    let x = PAGE_WIDTH - MARGIN - width;
    for (const run of await this.face.runs(second, weight)) {
      page.drawText(run.text, { x, y, size, font: run.font, color: colour });
      x += widthOf(run, size);
    }
  }

  /** Draws a thin line across the column. */
  rule(): void {
    this.#y -= 6;
    this.#page.drawLine({
      start: { x: MARGIN, y: this.#y },
      end: { x: PAGE_WIDTH - MARGIN, y: this.#y },
      thickness: 0.6,
      color: rgb(0.78, 0.75, 0.69),
    });
    this.#y -= 2;
  }

  #room(height: number): void {
    if (this.#y - height >= MARGIN) return;
    this.#page = this.document.addPage(PageSizes.A4);
    this.#y = PAGE_HEIGHT - MARGIN;
  }

  #box(left: number, right: number, size: number): LetterBox {
    const bottom = this.#y - size * DESCENT;
    return { page: this.document.getPageCount(), left, right, bottom, top: bottom + size * LEADING * 0.9 };
  }

  /** Breaks a text into lines; `dropped` counts the white space that a line break swallowed. */
  async #lines(text: string, weight: FontFile["weight"], size: number, room: number) {
    const lines: { text: string; dropped: number }[] = [];
    for (const [index, paragraph] of text.split("\n").entries()) {
      const last = lines.at(-1);
      if (index > 0 && last) last.dropped += 1;
      let line = "";
      let width = 0;
      // Letters are set without kerning, so that widths of words add up.
      for (const word of paragraph.split(" ").flatMap((part, place) => (place === 0 ? [part] : [` ${part}`]))) {
        const wide = await this.face.width(word, weight, size);
        if (line === "" || width + wide <= room) {
          line += word;
          width += wide;
          continue;
        }
        lines.push({ text: line, dropped: 1 });
        line = word.slice(1);
        width = await this.face.width(line, weight, size);
      }
      // A word longer than the line is cut.
      while (width > room) {
        const letters = [...line];
        const fits = Math.max(1, Math.floor((letters.length * room) / width) - 1);
        lines.push({ text: letters.slice(0, fits).join(""), dropped: 0 });
        line = letters.slice(fits).join("");
        width = await this.face.width(line, weight, size);
      }
      lines.push({ text: line, dropped: 0 });
    }
    return lines;
  }
}

/** Boxes of letters as quads, one for each line they stand on. */
export function linesOf(boxes: readonly LetterBox[]): LetterBox[] {
  const lines: LetterBox[] = [];
  for (const box of boxes) {
    const last = lines.at(-1);
    if (last?.page === box.page && last.bottom === box.bottom) {
      lines[lines.length - 1] = { ...last, right: Math.max(last.right, box.right) };
    } else if (box.right > box.left) lines.push(box);
  }
  return lines;
}
