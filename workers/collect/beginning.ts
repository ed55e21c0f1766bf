import { strFromU8, unzipSync } from "fflate";
import { Parser } from "htmlparser2";
import { BEGINNING_LENGTH } from "#core/collect";

/** How a work begins, and what it says of itself. */
export interface Beginning {
  readonly beginning: string;
  readonly author: string;
  readonly words: number | null;
}

const NOTHING: Beginning = { beginning: "", author: "", words: null };
/** Bytes above which a document is not looked into. */
const MOST_BYTES = 60_000_000;
const MOST_XML = 12_000_000;

/** Lines without what is between them, cut to what matching reads. */
export const beginningOf = (text: string): string =>
  text
    .split("\n")
    .map((line) => line.replace(/\s+/g, " ").trim())
    .filter(Boolean)
    .join("\n")
    .slice(0, BEGINNING_LENGTH);

const wordCount = (text: string): number => text.match(/[\p{L}\p{N}][\p{L}\p{M}\p{N}’'-]*/gu)?.length ?? 0;

export const ofText = (text: string): Beginning => ({
  beginning: beginningOf(text),
  author: "",
  words: wordCount(text),
});

/** The text of tags, a line for each that ends a paragraph; what stands in `passed` is left out. */
function textOfTags(source: string, isXml: boolean, endsLine: RegExp, passed: RegExp): string {
  let text = "";
  let inPassed = 0;
  const parser = new Parser(
    {
      onopentagname: (name) => {
        if (passed.test(name)) inPassed += 1;
      },
      onclosetag: (name) => {
        if (passed.test(name)) inPassed -= 1;
        else if (endsLine.test(name)) text += "\n";
      },
      ontext: (part) => {
        if (inPassed === 0) text += part;
      },
    },
    { xmlMode: isXml, decodeEntities: true },
  );
  parser.end(source);
  return text;
}

export const ofWebPage = (source: string): Beginning =>
  ofText(textOfTags(source, false, /^(?:p|div|h\d|li|tr|br|title|section)$/, /^(?:script|style|head)$/));

/** A document of parts in an archive: where its text and its author stand. */
interface PackedDocument {
  readonly text: string;
  readonly about: string;
  readonly author: RegExp;
  readonly endsLine: RegExp;
  readonly passed: RegExp;
}

/** Office Open XML (ECMA-376) and OpenDocument (ISO/IEC 26300). */
const PACKED: Readonly<Record<string, PackedDocument>> = {
  "application/vnd.openxmlformats-officedocument.wordprocessingml.document": {
    text: "word/document.xml",
    about: "docProps/core.xml",
    author: /<dc:creator[^>]*>([^<]*)</,
    endsLine: /^w:(?:p|br)$/,
    passed: /^w:(?:instrText|delText)$/,
  },
  "application/vnd.oasis.opendocument.text": {
    text: "content.xml",
    about: "meta.xml",
    author: /<(?:meta:initial-creator|dc:creator)[^>]*>([^<]*)</,
    endsLine: /^text:(?:p|h|line-break)$/,
    passed: /^office:(?:annotation|automatic-styles)$/,
  },
};

/** What a document of parts says; nothing where it is of another kind, or larger than anybody writes. */
export async function ofPacked(blob: Blob, mediaType: string): Promise<Beginning | "damaged"> {
  const kind = PACKED[mediaType];
  if (!kind || blob.size > MOST_BYTES) return NOTHING;
  try {
    const parts = unzipSync(new Uint8Array(await blob.arrayBuffer()), {
      filter: ({ name, originalSize }) => (name === kind.text || name === kind.about) && originalSize < MOST_XML,
    });
    const source = parts[kind.text];
    if (!source) return "damaged";
    const { beginning, words } = ofText(textOfTags(strFromU8(source), true, kind.endsLine, kind.passed));
    const about = parts[kind.about];
    const author = about ? (kind.author.exec(strFromU8(about))?.[1] ?? "") : "";
    return { beginning, words, author: author.slice(0, 300) };
  } catch {
    return "damaged";
  }
}
