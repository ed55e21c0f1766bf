import type { Piece } from "#core/collect";
import { isSheetType } from "#core/formats";
import { workKindOf } from "#core/model";
import { counted } from "#core/words";
import { sizeWords } from "../../../ui/words/size-words";

const LABELS = {
  pdf: "PDF",
  markdown: "TEXT",
  text: "TEXT",
  word: "WORD",
  openText: "TEXT",
  code: "CODE",
  notebook: "CODE",
  sheet: "SHEET",
  image: "IMAGE",
  tiff: "IMAGE",
  webPage: "PAGE",
  sound: "SOUND",
  video: "VIDEO",
  other: "FILE",
} as const;

/** What kind of file a piece is, in one word; an attachment is told by its letter. */
export function kindLabel({ file, letter }: Piece): string {
  if (letter !== null) return "MAIL";
  return isSheetType(file.mediaType) ? "SHEET" : LABELS[workKindOf(file)];
}

/** A piece as it is called in the list: its folders and name, without what was dropped as a whole. */
export function pieceName({ path, source, letter, senderName, senderAddress }: Piece): string {
  if (letter !== null) return `${path.split("/")[0] ?? path} — ${senderName || senderAddress}`;
  return path.startsWith(`${source}/`) ? path.slice(source.length + 1) : path;
}

/** How much there is of it: pages, words, or bytes. */
export function extentWords({ pages, words, file }: Piece): string {
  if (pages !== null) return counted(pages, "page");
  if (words !== null && words > 0) return counted(words, "word");
  return sizeWords(file.size);
}
