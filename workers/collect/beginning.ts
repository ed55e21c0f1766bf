import { BEGINNING_LENGTH } from "#core/collect";
import { textOfPacked, textOfWebPage } from "../text/tags";

/** How a work begins, and what it says of itself. */
export interface Beginning {
  readonly beginning: string;
  readonly author: string;
  readonly words: number | null;
}

const NOTHING: Beginning = { beginning: "", author: "", words: null };
/** Characters of an author's name that are kept. */
export const AUTHOR_LENGTH = 300;

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

export const ofWebPage = (source: string): Beginning => ofText(textOfWebPage(source));

/** What a document of parts says; nothing where it is of another kind, or larger than anybody writes. */
export async function ofPacked(blob: Blob, mediaType: string): Promise<Beginning | "damaged"> {
  const read = await textOfPacked(blob, mediaType);
  if (read === null) return NOTHING;
  return read === "damaged" ? read : { ...ofText(read.text), author: read.author.slice(0, AUTHOR_LENGTH) };
}
