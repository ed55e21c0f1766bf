import { distance } from "fastest-levenshtein";
import { keptBy } from "#core/kernel";
import type { Student } from "../records/people";

/** Letters that Unicode does not take apart into a plain one and an accent. */
const PLAIN: Readonly<Record<string, string>> = {
  ø: "o",
  ł: "l",
  đ: "d",
  ð: "d",
  ß: "ss",
  æ: "ae",
  œ: "oe",
  þ: "th",
  ı: "i",
};

/** Lower case without accents, for comparing names as they are typed: `Łukasz Ångström` is `lukasz angstrom`. */
export const plainText = (text: string): string =>
  text
    .normalize("NFD")
    .replace(/\p{M}/gu, "")
    .toLowerCase()
    .replace(/[øłđðßæœþı]/g, (letter) => PLAIN[letter] ?? letter);

/** How well a text finds a student; lower is better. */
type Fit = 0 | 1 | 2 | 3 | 4;

/** Typed letters from which one slip, and from which two slips, are forgiven. */
const ONE_SLIP = 3;
const TWO_SLIPS = 6;

interface Known {
  readonly number: string;
  readonly words: readonly string[];
  readonly name: string;
}

const knownOf = keptBy({
  owner: (student: Student) => student,
  make: (_, student): Known => {
    const name = plainText(`${student.givenName} ${student.familyName}`).trim();
    return { number: plainText(student.number), words: name.split(/[\s'’-]+/).filter(Boolean), name };
  },
});

/**
 * 0 the number or the whole name; 1 every word typed is a whole word of the name; 2 begins one; 3 stands anywhere in the
 * name or number; 4 begins one but for a slip of the hand. Null: another student.
 */
function fitOf(student: Student, typed: string): Fit | null {
  const { number, words, name } = knownOf(student);
  if (typed === number || typed === name) return 0;
  const parts = typed.split(/[\s'’-]+/).filter(Boolean);
  if (parts.every((part) => words.includes(part))) return 1;
  if (parts.every((part) => words.some((word) => word.startsWith(part)))) return 2;
  if (name.includes(typed) || number.includes(typed)) return 3;
  return parts.every((part) => words.some((word) => isSlip(word, part))) ? 4 : null;
}

function isSlip(word: string, typed: string): boolean {
  if (word.startsWith(typed)) return true;
  const allowed = typed.length >= TWO_SLIPS ? 2 : typed.length >= ONE_SLIP ? 1 : 0;
  if (allowed === 0) return false;
  // A letter too few or too many shifts where the typed part ends in the word.
  return [-1, 0, 1].some((more) => distance(word.slice(0, typed.length + more), typed) <= allowed);
}

/** Students found by part of their name or number, best first, then in the order given. */
export interface FoundStudents {
  readonly students: readonly Student[];
  /** How many of the first fit equally well: more than 1 asks which one is meant. */
  readonly best: number;
}

/** Finds students by part of a name or number: accents, case and a slip of the hand do not matter. */
export function findStudents(roster: readonly Student[], text: string): FoundStudents {
  const typed = plainText(text.trim()).replace(/\s+/g, " ");
  if (typed === "") return { students: [], best: 0 };
  const fits = roster.flatMap((student) => {
    const fit = fitOf(student, typed);
    return fit === null ? [] : [{ student, fit }];
  });
  const sorted = fits.sort((a, b) => a.fit - b.fit);
  const first = sorted[0]?.fit;
  return { students: sorted.map(({ student }) => student), best: sorted.filter(({ fit }) => fit === first).length };
}
