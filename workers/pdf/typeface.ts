import fontkit, { type Font } from "@cantoo/fontkit";
import type { PDFDocument, PDFFont } from "@cantoo/pdf-lib";
import type { FontFile } from "./messages";

/** A stretch of text that one font draws. */
export interface Run {
  readonly text: string;
  readonly font: PDFFont;
}

interface Face {
  readonly bytes: Uint8Array<ArrayBuffer>;
  readonly has: (codePoint: number) => boolean;
  font: Promise<PDFFont> | null;
}

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
    document.registerFontkit(fontkit);
    const faceOf = ({ bytes }: FontFile): Face => {
      const font = fontkit.create(bytes) as Font;
      return { bytes, has: (codePoint) => font.hasGlyphForCodePoint(codePoint), font: null };
    };
    const facesOf = (weight: FontFile["weight"]) => files.filter((file) => file.weight === weight).map(faceOf);
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
    return runs.reduce((sum, run) => sum + run.font.widthOfTextAtSize(run.text, size), 0);
  }

  async #cut(text: string, weight: FontFile["weight"]): Promise<readonly Run[]> {
    const faces = this.#faces[weight];
    const pieces: { face: Face; text: string }[] = [];
    for (const letter of text) {
      const found = faces.find(({ has }) => has(letter.codePointAt(0) ?? 0));
      const face = found ?? faces[0];
      if (!face) throw new RangeError(`no font of weight ${weight}`);
      const drawn = found ? letter : NO_GLYPH;
      const last = pieces.at(-1);
      if (last?.face === face) last.text += drawn;
      else pieces.push({ face, text: drawn });
    }
    return Promise.all(pieces.map(async (piece) => ({ text: piece.text, font: await this.#embed(piece.face) })));
  }

  #embed(face: Face): Promise<PDFFont> {
    face.font ??= this.document.embedFont(face.bytes, { subset: true });
    return face.font;
  }
}
