import type { Evidence, EvidencePlace } from "./evidence";
import { initialsJoined, initialsOf, joinedOf, wholeJoined, type Sought, type Spelt } from "./sought";

/** A word of a text that is almost one of a student's name. */
export interface Slip {
  readonly sought: Sought;
  /** The word of the name. */
  readonly word: string;
  /** The word of the text. */
  readonly text: string;
  readonly apart: number;
}

/** What a text offers to whoever looks for names in it. */
export interface Text {
  readonly place: EvidencePlace;
  readonly words: ReadonlySet<string>;
  /** Words as they stand, none joined with its neighbours. */
  readonly single: ReadonlySet<string>;
  readonly slips: readonly Slip[];
  /** Words that say nothing by themselves: of the assignment's name, or of nearly every piece. */
  readonly common: ReadonlySet<string>;
}

/** Letters from which a single word of a name is looked for by itself. */
const SHORTEST_ALONE = 3;

const found = (words: ReadonlySet<string>, part: readonly Spelt[]): string[] =>
  part.flatMap((word) => word.find((one) => words.has(one)) ?? []);

/** The words of a part of a name that stand in the text, each by itself or all in one; null where one is not there. */
function allOf(words: ReadonlySet<string>, part: readonly Spelt[]): readonly string[] | null {
  if (part.length === 0) return null;
  const each = found(words, part);
  if (each.length === part.length) return each;
  return joinedOf(part).some((one) => words.has(one)) ? part.map(([plain]) => plain ?? "") : null;
}

/** The whole name in a text, or the first given name with the family name. A single name is none that tells enough. */
export function nameIn(one: Sought, { words, place }: Pick<Text, "words" | "place">): Evidence | null {
  const first = one.given.slice(0, 1);
  const family = allOf(words, one.family);
  const given = allOf(words, one.given);
  if (family && given) return { kind: "wholeName", place, words: [...given, ...family] };
  if (one.family.length > 0 && one.given.length > 0 && wholeJoined(one).some((whole) => words.has(whole)))
    return { kind: "wholeName", place, words: [...one.words] };
  const known = found(words, first);
  return family && known.length > 0 ? { kind: "firstAndFamily", place, words: [...known, ...family] } : null;
}

/** The best that the name of a file or folder says of a student, by their name; null where it says nothing. */
export const bestNameIn = (one: Sought, text: Text): Evidence | null =>
  nameIn(one, text) ?? initialsIn(one, text) ?? slipIn(one, text) ?? aloneIn(one, text);

function initialsIn(one: Sought, { words, single, place }: Text): Evidence | null {
  if (one.family.length === 0 || one.given.length === 0) return null;
  const names = joinedOf(one.family);
  const joined = initialsJoined(one).find((word) => words.has(word) && !names.includes(word));
  if (joined) return { kind: "initials", place, text: joined, words: [joined] };
  const family = allOf(words, one.family);
  const apart = family && initialsOf(one).find((letters) => single.has(letters));
  return apart ? { kind: "initials", place, text: `${apart} ${family.join(" ")}`, words: [apart, ...family] } : null;
}

/** The name with slips, at least one of its words as it is; or the family name alone with one. */
function slipIn(one: Sought, { words, slips, place }: Text): Evidence | null {
  const own = slips.filter(({ sought }) => sought === one);
  if (own.length === 0 || one.family.length === 0) return null;
  const slipOf = (word: Spelt) => own.find((slip) => word.includes(slip.word));
  const needed = [...one.given.slice(0, 1), ...one.family];
  const missed = needed.filter((word) => found(words, [word]).length === 0).flatMap((word) => slipOf(word) ?? []);
  const right = found(words, needed);
  const [slip] = missed;
  if (slip && right.length > 0 && right.length + missed.length === needed.length) {
    const letters = missed.reduce((sum, { apart }) => sum + apart, 0);
    return { kind: "likeness", place, text: slip.text, letters, words: [...right, ...missed.map(({ text }) => text)] };
  }
  const family = one.family.flatMap((word) => slipOf(word) ?? [])[0];
  if (!family || right.length > 0) return null;
  return { kind: "familyLikeness", place, text: family.text, letters: family.apart, words: [family.text] };
}

function aloneIn(one: Sought, { words, common, place }: Text): Evidence | null {
  const tells = (word: string) => word.length >= SHORTEST_ALONE && !common.has(word);
  const family = allOf(words, one.family);
  if (family?.some(tells)) return { kind: "familyName", place, words: family };
  const given = found(words, one.given).filter(tells);
  return given.length > 0 ? { kind: "givenName", place, words: given } : null;
}
