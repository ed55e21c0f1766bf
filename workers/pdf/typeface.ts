import fontkit, { type Font } from "@cantoo/fontkit";
import type { PDFDocument, PDFFont } from "@cantoo/pdf-lib";
import { keptBy, required } from "#core/kernel";
import type { FontFile } from "./messages";

/** A stretch of text that one font draws. */
export interface Run {
  readonly text: string;
  readonly font: PDFFont;
  /** How far each of its code points goes on, in shares of the type size; the letters of a ligature share its width. */
  readonly advances: readonly number[];
}

interface Face {
  readonly file: FontFile;
  readonly read: Font;
  embedded: Promise<PDFFont> | null;
}

/** A font as it is read; reading it takes as long as setting a page, and a class has hundreds of documents. */
const readFont = keptBy({
  part: ({ address }: FontFile) => address,
  make: (_, { bytes }) => fontkit.create(bytes) as Font,
});

const advancesOf = (font: Font, text: string): number[] =>
  font
    .layout(text)
    .glyphs.flatMap(({ codePoints, advanceWidth }) =>
      codePoints.map(() => advanceWidth / font.unitsPerEm / codePoints.length),
    );

/** Width of a run in points. */
export const widthOf = ({ advances }: Run, size: number): number => size * advances.reduce((sum, one) => sum + one, 0);

/** What stands for a letter that none of the fonts has. */
const NO_GLYPH = "\u00b7";

/** The fonts of a document. Each letter is drawn by the first font that has it; a font is embedded when first used. */
export class Typeface {
  readonly #faces: Readonly<Record<FontFile["weight"], readonly Face[]>>;
  readonly #runs = new Map<string, Promise<readonly Run[]>>();

  constructor(
    private readonly document: PDFDocument,
    files: readonly FontFile[],
  ) {
    // The document asks for a font by its bytes, and is given it as it was read before.
    document.registerFontkit({
      create: (bytes) =>
        readFont(
          required(
            files.find((file) => file.bytes === bytes),
            "font",
          ),
        ),
    });
    const facesOf = (weight: FontFile["weight"]) =>
      files
        .filter((file) => file.weight === weight)
        .map((file): Face => ({ file, read: readFont(file), embedded: null }));
    this.#faces = { text: facesOf("text"), strong: facesOf("strong") };
  }

  /** Cuts a text into stretches of one font each. */
  runs(text: string, weight: FontFile["weight"]): Promise<readonly Run[]> {
    const key = `${weight} ${text}`;
    let known = this.#runs.get(key);
    if (!known) this.#runs.set(key, (known = this.#cut(text, weight)));
    return known;
  }

  /** Width of a text in points. */
  async width(text: string, weight: FontFile["weight"], size: number): Promise<number> {
    const runs = await this.runs(text, weight);
    return runs.reduce((sum, run) => sum + widthOf(run, size), 0);
  }

  async #cut(text: string, weight: FontFile["weight"]): Promise<readonly Run[]> {
    const faces = this.#faces[weight];
    const pieces: { face: Face; text: string }[] = [];
    for (const letter of text) {
      const found = faces.find(({ read }) => read.hasGlyphForCodePoint(letter.codePointAt(0) ?? 0));
      const face = found ?? faces[0];
      if (!face) throw new RangeError(`no font of weight ${weight}`);
      const drawn = found ? letter : NO_GLYPH;
      const last = pieces.at(-1);
      if (last?.face === face) last.text += drawn;
      else pieces.push({ face, text: drawn });
    }
    return Promise.all(
      pieces.map(async ({ face, text: part }) => ({
        text: part,
        font: await this.#embed(face),
        advances: advancesOf(face.read, part),
      })),
    );
  }

  #embed(face: Face): Promise<PDFFont> {
    face.embedded ??= this.document.embedFont(face.file.bytes, { subset: true });
    return face.embedded;
  }
}
