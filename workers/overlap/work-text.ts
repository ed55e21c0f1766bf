import { workKindOf } from "#core/model";
import { decodedText } from "../decoded-text";
import { textOfPacked, textOfWebPage } from "../text/tags";
import type { PdfText } from "../text/pdf";
import type { WorkText } from "./messages";

/** Reads the pages of a PDF; handed in, because it needs a browser. */
export type ReadPdf = (blob: Blob, mostPages: number) => Promise<PdfText | "locked" | "damaged">;

/** Pages of one PDF that are read: a thesis has fewer. */
const MOST_PAGES = 400;
/** Characters of one work that are looked at: some 300,000 words. */
const MOST_CHARACTERS = 2_000_000;

/** The text of a work, file after file, and how many of its files hold none that can be read. */
export async function textOfWork(
  { text, files }: WorkText,
  readPdf: ReadPdf,
): Promise<{ readonly text: string; readonly unread: number }> {
  const parts = [text];
  let unread = 0;
  for (const { blob, mediaType } of files) {
    const read = await textOfFile(blob, mediaType, readPdf);
    if (read === null || read.trim() === "") unread += 1;
    else parts.push(read);
  }
  return { text: parts.filter(Boolean).join("\n\n").slice(0, MOST_CHARACTERS), unread };
}

/** The text of a file; null where it has none, or cannot be read. */
async function textOfFile(blob: Blob, mediaType: string, readPdf: ReadPdf): Promise<string | null> {
  switch (workKindOf({ mediaType })) {
    case "pdf": {
      const read = await readPdf(blob, MOST_PAGES);
      return typeof read === "string" ? null : read.text;
    }
    case "word":
    case "openText": {
      const read = await textOfPacked(blob, mediaType);
      return read === null || read === "damaged" ? null : read.text;
    }
    case "webPage":
      return textOfWebPage(await plain(blob));
    case "notebook":
      return textOfNotebook(await plain(blob));
    case "markdown":
    case "text":
    case "code":
      return plain(blob);
    default:
      return null;
  }
}

const plain = async (blob: Blob): Promise<string> => decodedText(await blob.arrayBuffer());

/** What was written in the cells of a notebook (nbformat 4); null where it is none. */
function textOfNotebook(source: string): string | null {
  try {
    const { cells } = JSON.parse(source) as { readonly cells?: readonly { readonly source?: unknown }[] };
    const lines = (cells ?? []).map((cell) =>
      Array.isArray(cell.source) ? cell.source.join("") : typeof cell.source === "string" ? cell.source : "",
    );
    return lines.join("\n\n");
  } catch {
    return null;
  }
}
