import { plainText } from "#core/model";

/** Letters that are often written out as two where a keyboard lacks them. */
const WRITTEN_OUT: Readonly<Record<string, string>> = { ä: "ae", ö: "oe", ü: "ue", ø: "oe", å: "aa", æ: "ae", þ: "th" };

const writtenOut = (word: string): string =>
  plainText(
    word
      .normalize("NFC")
      .toLowerCase()
      .replace(/[äöüøåæþ]/g, (letter) => WRITTEN_OUT[letter] ?? letter),
  );

/** The ways in which a word of a name may be spelt: without accents, and with its letters written out. */
export const spellings = (word: string): readonly string[] => [...new Set([plainText(word), writtenOut(word)])];

/** Cuts a name into its words: `Anna-Lena O’Dowd` is Anna, Lena, O, Dowd. */
export const nameWords = (name: string): string[] => name.split(/[^\p{L}\p{M}]+/u).filter(Boolean);

/** Adjacent words of a text that may be one word of a name: `o neill`, `van der Berg`. */
const MOST_JOINED = 3;

/**
 * The words of a path or a text as names are looked for in it: cut at everything that is no letter and where a capital
 * follows a small letter, in every spelling, and with their neighbours joined. `IlseTarnowe_memo2.pdf` holds `ilse`,
 * `tarnowe`, `ilsetarnowe`. Words of `but` are passed over, and are no neighbours.
 */
export function wordsOf(text: string, but: ReadonlySet<string> = new Set()): ReadonlySet<string> {
  const found = new Set<string>();
  const take = (word: string) => {
    for (const spelling of spellings(word)) found.add(spelling);
  };
  const told = (word: string) => !but.has(plainText(word));
  for (const run of nameWords(text).filter(told)) take(run);
  const words = nameWords(text.replace(/(\p{Ll}\p{M}*)(\p{Lu})/gu, "$1 $2")).filter(told);
  words.forEach((word, index) => {
    let joined = "";
    for (const next of words.slice(index, index + MOST_JOINED)) {
      joined += next;
      take(joined);
    }
    take(word);
  });
  return found;
}

/** The last part of a path is the file's name, without its ending; what stands before are folders. */
export function partsOfPath(path: string): { readonly folder: string; readonly name: string } {
  const parts = path.split("/");
  const last = parts.at(-1) ?? "";
  return { folder: parts.slice(0, -1).join("/"), name: last.replace(/\.[A-Za-z0-9]{1,8}$/, "") };
}
