/** A stretch of a text, in UTF-16 units; `end` outside. */
export interface TextRange {
  readonly start: number;
  readonly end: number;
}

/** Pairs of marks that open and close a quotation, as they are set in English, German and French. */
const PAIRS = [
  ["“", "”"],
  ["„", "“"],
  ["«", "»"],
  ["»", "«"],
  ['"', '"'],
] as const;

/** Longer than this a quotation is no quotation any more but somebody's text between two stray marks, in characters. */
const LONGEST = 1_200;
/** A line of Markdown that begins so is quoted. */
const QUOTED_LINE = /^ {0,3}>.*$/gm;

/** What a text marks as quoted: between quotation marks, and in Markdown behind `>`. In order, may touch. */
export function quotationsIn(text: string): TextRange[] {
  const found: TextRange[] = [];
  for (const [opens, closes] of PAIRS) {
    for (let start = text.indexOf(opens); start >= 0;) {
      const end = text.indexOf(closes, start + 1);
      if (end < 0) break;
      const isOne = end - start <= LONGEST && !text.slice(start, end).includes("\n\n");
      if (isOne) found.push({ start, end: end + 1 });
      start = text.indexOf(opens, isOne ? end + 1 : start + 1);
    }
  }
  for (const match of text.matchAll(QUOTED_LINE))
    found.push({ start: match.index, end: match.index + match[0].length });
  return found.sort((a, b) => a.start - b.start);
}
