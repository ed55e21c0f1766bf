import { diff_match_patch as DiffMatchPatch, DIFF_DELETE, DIFF_INSERT } from "diff-match-patch";

/** A stretch of a text in code points; `end` is the first outside. */
export interface Stretch {
  readonly start: number;
  readonly end: number;
}

/** What differs between two texts, word by word. */
export interface Differences {
  /** Stretches of the first text that the second has no more. */
  readonly removed: readonly Stretch[];
  /** Stretches of the second text that the first did not have. */
  readonly added: readonly Stretch[];
  readonly wordsRemoved: number;
  readonly wordsAdded: number;
}

/** First code unit that stands for a word; below lies nothing that a comparison could take for a line's end. */
const FIRST_CODE = 0x100;
/** Code units that may stand for words; those of surrogates are left out. */
const MOST_WORDS = 0xd800 - FIRST_CODE;

/**
 * Compares two texts word by word (Myers 1986, by diff-match-patch); words are what stands between white space. Words
 * beyond the 55,040 different ones that can be told apart are taken as one and the same.
 */
export function differencesOf(before: string, after: string): Differences {
  const codes = new Map<string, string>();
  const encode = (words: readonly Word[]): string =>
    words
      .map(({ text }) => {
        let code = codes.get(text);
        if (code === undefined) {
          code = String.fromCharCode(FIRST_CODE + Math.min(codes.size, MOST_WORDS - 1));
          codes.set(text, code);
        }
        return code;
      })
      .join("");
  const [first, second] = [wordsOf(before), wordsOf(after)];
  const comparer = new DiffMatchPatch();
  const pieces = comparer.diff_main(encode(first), encode(second), false);
  comparer.diff_cleanupSemantic(pieces);
  const removed: Stretch[] = [];
  const added: Stretch[] = [];
  let [wordsRemoved, wordsAdded, at, to] = [0, 0, 0, 0];
  for (const [kind, text] of pieces) {
    const count = text.length;
    if (kind !== DIFF_INSERT) {
      if (kind === DIFF_DELETE) {
        removed.push(across(first.slice(at, at + count)));
        wordsRemoved += count;
      }
      at += count;
    }
    if (kind !== DIFF_DELETE) {
      if (kind === DIFF_INSERT) {
        added.push(across(second.slice(to, to + count)));
        wordsAdded += count;
      }
      to += count;
    }
  }
  return { removed, added, wordsRemoved, wordsAdded };
}

interface Word extends Stretch {
  readonly text: string;
}

function wordsOf(text: string): Word[] {
  const words: Word[] = [];
  let start = 0;
  for (const part of text.split(/(\s+)/u)) {
    const end = start + [...part].length;
    if (part.trim() !== "") words.push({ text: part, start, end });
    start = end;
  }
  return words;
}

const across = (words: readonly Word[]): Stretch => ({ start: words[0]?.start ?? 0, end: words.at(-1)?.end ?? 0 });
