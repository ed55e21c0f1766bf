import { PDFDict, PDFDocument, PDFName } from "@cantoo/pdf-lib";
import { strFromU8, strToU8, unzipSync, zipSync, type Zippable } from "fflate";
import { withoutMetadata } from "#core/formats";
import { covered, namesOne } from "#core/packets";
import { decodedText } from "../decoded-text";
import type { NamedFile, Nameless } from "../protocol";
import { textOfPacked, textOfWebPage } from "../text/tags";
import type { readPdf } from "../text/pdf";
import type { coveredPdf } from "./covered-pdf";

type Bytes = Uint8Array<ArrayBuffer>;
/** How PDF files are read and drawn; handed in, because that needs a worker of its own. */
export interface PdfTools {
  readonly read: typeof readPdf;
  readonly cover: typeof coveredPdf;
}

/** Pages of a PDF that are looked through for names. */
const MOST_PAGES = 200;
/** Bytes to which a document of parts may unpack. */
const MOST_UNPACKED = 200_000_000;
/** Texts by their media type. */
const TEXT = /^text\/|^application\/(?:json|xml|x-ipynb\+json)$|\+xml$/;
/** Office Open XML and OpenDocument. */
const PACKED = /^application\/vnd\.(?:openxmlformats-officedocument|oasis\.opendocument)\./;

/**
 * A file without what tells who wrote it. Of its properties: PDF (ISO 32000, document information and metadata streams),
 * Office Open XML and OpenDocument (their parts about the document, and who commented or changed), JPEG and PNG. Of its
 * words: names are covered in texts, web pages, code, Word and OpenDocument files, and on the pages of a PDF.
 */
export async function nameless(file: NamedFile, tools: PdfTools): Promise<Nameless> {
  const { bytes, mediaType, names } = file;
  try {
    if (mediaType === "application/pdf") {
      const unsigned = await namelessPdf(bytes);
      const clean = await tools.cover(unsigned, names);
      return { bytes: clean ?? unsigned, left: await leftInPdf(clean ?? unsigned, names, clean !== null, tools.read) };
    }
    if (PACKED.test(mediaType)) {
      const clean = namelessDocument(bytes, names);
      const text = await textOfPacked(new Blob([clean]), mediaType);
      if (text === "damaged") return { bytes, left: "unread" };
      return { bytes: clean, left: text && namesOne(text.text, names) ? "named" : "nothing" };
    }
    if (mediaType.startsWith("image/") && !TEXT.test(mediaType)) {
      return { bytes: withoutMetadata(bytes) as Bytes, left: "unread" };
    }
    if (TEXT.test(mediaType)) {
      const clean = coveredBytes(bytes, names);
      // In a page a name may stand in pieces, or spelled with character references.
      const isNamed = mediaType === "text/html" && namesOne(textOfWebPage(decodedText(clean.slice().buffer)), names);
      return { bytes: clean, left: isNamed ? "named" : "nothing" };
    }
    return { bytes, left: "unread" };
  } catch {
    // Locked or damaged: it goes as it came, and the person is told.
    return { bytes, left: "unread" };
  }
}

/** A text with its names covered; one that names nobody keeps its very bytes. */
function coveredBytes(bytes: Bytes, names: readonly string[]): Bytes {
  const text = decodedText(bytes.slice().buffer);
  const clean = covered(text, names);
  return clean === text ? bytes : strToU8(clean);
}

async function leftInPdf(
  bytes: Bytes,
  names: readonly string[],
  isCovered: boolean,
  read: PdfTools["read"],
): Promise<Nameless["left"]> {
  const found = await read(new Blob([bytes]), MOST_PAGES);
  if (typeof found === "string") return "unread";
  // What was covered had words; without any, it is a scan.
  if (found.text.trim() === "") return isCovered ? "nothing" : "unread";
  return namesOne(found.text, names) ? "named" : "nothing";
}

async function namelessPdf(bytes: Bytes): Promise<Bytes> {
  const from = await PDFDocument.load(bytes, { updateMetadata: false });
  // What was filled in becomes part of its page, where it is looked through like all words.
  if (from.catalog.getAcroForm()) from.getForm().flatten();
  for (const { node } of from.getPages()) {
    for (const key of ["Metadata", "PieceInfo"]) node.delete(PDFName.of(key));
    const remarks = node.Annots();
    for (let at = 0; at < (remarks?.size() ?? 0); at += 1) {
      remarks?.lookupMaybe(at, PDFDict)?.delete(PDFName.of("T"));
    }
  }
  // The pages alone go into a new document: of an old one everything is written that was ever in it.
  const made = await PDFDocument.create({ updateMetadata: false });
  for (const page of await made.copyPages(from, from.getPageIndices())) made.addPage(page);
  return await made.save();
}

/** Parts that tell about a document and nothing of what is in it. */
const ABOUT = /^(?:docProps\/(?:core|app|custom)\.xml|meta\.xml)$/;
/** Who commented or changed a word: attributes in Office Open XML, elements in OpenDocument. */
const WHO_ATTRIBUTE = / (w:author|w:initials|w15:author|w15:userId|w15:providerId|userId|displayName)="[^"]*"/g;
const WHO_ELEMENT = /<(dc:creator|meta:creator-initials|meta:initial-creator)(?: [^>]*)?>[^<]*<\/\1>/g;
/** What a part about the document says from now on: nothing, in its own root element. */
const ROOT = /^(?:<\?xml[^>]*\?>)?\s*<([\w:-]+)((?:\s[^>]*?)?)\/?>[\s\S]*$/;

function namelessDocument(bytes: Bytes, names: readonly string[]): Bytes {
  let unpacked = 0;
  const filter = ({ originalSize }: { readonly originalSize: number }) => {
    unpacked += originalSize;
    if (unpacked > MOST_UNPACKED) throw new RangeError("larger than anybody writes");
    return true;
  };
  const cleaned = (name: string, part: Uint8Array): Uint8Array => {
    if (!name.endsWith(".xml")) return part;
    const text = strFromU8(part);
    if (ABOUT.test(name)) return strToU8(emptied(text));
    return strToU8(covered(text.replace(WHO_ATTRIBUTE, ' $1=""').replace(WHO_ELEMENT, "<$1></$1>"), names));
  };
  const parts = Object.entries(unzipSync(bytes, { filter })).map(
    // OpenDocument (ISO/IEC 26300, part 3) wants its first part as it is.
    ([name, part]) => [name, [cleaned(name, part), { level: name === "mimetype" ? 0 : 6 }]] as const,
  );
  return zipSync(Object.fromEntries(parts) as Zippable, { mtime: new Date(1980, 0, 2) });
}

function emptied(xml: string): string {
  const [, root = "nothing", attributes = ""] = ROOT.exec(xml) ?? [];
  return `<?xml version="1.0" encoding="UTF-8"?><${root}${attributes}></${root}>`;
}
