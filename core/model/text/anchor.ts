import search from "approx-string-match";
import type { Passage } from "../records/work";

/** Characters of context kept before and after a quote. */
const CONTEXT = 32;

/**
 * Makes the selectors of a passage of a page's text. `start` and `end` count code points, as the W3C model asks.
 * @throws RangeError when the range is empty or outside the text.
 */
export function makePassage(text: string, page: number, start: number, end: number): Passage {
  const points = [...text];
  if (start < 0 || end <= start || end > points.length)
    throw new RangeError(`no passage ${String(start)}-${String(end)}`);
  const cut = (from: number, to: number) => points.slice(Math.max(0, from), to).join("");
  return {
    kind: "passage",
    page,
    start,
    end,
    exact: cut(start, end),
    prefix: cut(start - CONTEXT, start),
    suffix: cut(end, end + CONTEXT),
  };
}

const commonEnd = (a: readonly string[], b: readonly string[]): number => {
  let count = 0;
  while (count < a.length && count < b.length && a[a.length - 1 - count] === b[b.length - 1 - count]) count += 1;
  return count;
};

const commonStart = (a: readonly string[], b: readonly string[]): number => {
  let count = 0;
  while (count < a.length && count < b.length && a[count] === b[count]) count += 1;
  return count;
};

/**
 * Finds a passage again in a page's text: at its position when the quote still stands there, else at the place where
 * the quote stands with the most of its context, the nearest of equals, else where words so close to it stand that they
 * must be the same, as after a slip was put right. Null when the quote is gone: it is then shown as lost, never dropped.
 */
export function findPassage(text: string, passage: Passage): { start: number; end: number } | null {
  const points = [...text];
  const quote = [...passage.exact];
  const standsAt = (start: number) => quote.every((character, index) => points[start + index] === character);
  if (standsAt(passage.start)) return { start: passage.start, end: passage.start + quote.length };
  const prefix = [...passage.prefix];
  const suffix = [...passage.suffix];
  let best: { start: number; context: number; distance: number } | null = null;
  for (let start = 0; start + quote.length <= points.length; start += 1) {
    if (!standsAt(start)) continue;
    const end = start + quote.length;
    const context =
      commonEnd(points.slice(Math.max(0, start - prefix.length), start), prefix) +
      commonStart(points.slice(end, end + suffix.length), suffix);
    const distance = Math.abs(start - passage.start);
    if (!best || context > best.context || (context === best.context && distance < best.distance)) {
      best = { start, context, distance };
    }
  }
  return best ? { start: best.start, end: best.start + quote.length } : findChanged(text, passage);
}

/** Share of a quote's characters that may have changed, and the shortest quote that is looked for so. */
const MOST_CHANGED = 0.2;
const SHORTEST = 12;

/** The words of a page that differ least from a quote, the nearest of equals; null where too much has changed. */
function findChanged(text: string, { exact, start }: Passage): { start: number; end: number } | null {
  if (exact.length < SHORTEST) return null;
  const matches = search(text, exact, Math.floor(exact.length * MOST_CHANGED));
  const fewest = Math.min(...matches.map(({ errors }) => errors));
  const places = matches
    .filter(({ errors }) => errors === fewest)
    .map((match) => ({ start: codePointOffset(text, match.start), end: codePointOffset(text, match.end) }));
  const nearest = places.sort((a, b) => Math.abs(a.start - start) - Math.abs(b.start - start))[0];
  return nearest ?? null;
}

/** Code points before a UTF-16 offset, as browsers count, and back. */
export const codePointOffset = (text: string, utf16: number): number => [...text.slice(0, utf16)].length;
/** The place of a code point in UTF-16 units, for the browser. */
export const utf16Offset = (text: string, codePoints: number): number => [...text].slice(0, codePoints).join("").length;
