import { strFromU8, unzipSync } from "fflate";
import { Parser } from "htmlparser2";

/** Bytes above which a document is not looked into. */
const MOST_BYTES = 60_000_000;
const MOST_XML = 12_000_000;

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

/** The text of a web page without its scripts and looks. */
export const textOfWebPage = (source: string): string =>
  textOfTags(source, false, /^(?:p|div|h\d|li|tr|br|title|section)$/, /^(?:script|style|head)$/);

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

/** What a document of parts says, and who wrote it. */
export interface PackedText {
  readonly text: string;
  readonly author: string;
}

/** The text of a document of parts; null where it is of another kind, or larger than anybody writes. */
export async function textOfPacked(blob: Blob, mediaType: string): Promise<PackedText | "damaged" | null> {
  const kind = PACKED[mediaType];
  if (!kind || blob.size > MOST_BYTES) return null;
  try {
    const parts = unzipSync(new Uint8Array(await blob.arrayBuffer()), {
      filter: ({ name, originalSize }) => (name === kind.text || name === kind.about) && originalSize < MOST_XML,
    });
    const source = parts[kind.text];
    if (!source) return "damaged";
    const about = parts[kind.about];
    return {
      text: textOfTags(strFromU8(source), true, kind.endsLine, kind.passed),
      author: about ? (kind.author.exec(strFromU8(about))?.[1] ?? "") : "",
    };
  } catch {
    return "damaged";
  }
}
