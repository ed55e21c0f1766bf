import { plainText, type Student } from "#core/model";
import { lettersApart, slipsForgiven } from "./likeness";
import { nameWords, spellings } from "./name-words";

/** One word of a name in all its spellings. */
export type Spelt = readonly string[];

/** A student as they are looked for. */
export interface Sought {
  readonly student: Student;
  readonly number: string;
  /** The part of the address before the at sign; empty where it is no more than a word of the name. */
  readonly mailName: string;
  readonly given: readonly Spelt[];
  readonly family: readonly Spelt[];
  /** Every spelling of every word of the name. */
  readonly words: ReadonlySet<string>;
}

const spelt = (name: string): Spelt[] => nameWords(name).map(spellings);

export function soughtOf(student: Student): Sought {
  const [given, family] = [spelt(student.givenName), spelt(student.familyName)];
  const words = new Set([...given, ...family].flat());
  const mailName = plainText(student.email.split("@")[0] ?? "");
  return {
    student,
    number: plainText(student.number.trim()),
    mailName: words.has(mailName) ? "" : mailName,
    given,
    family,
    words,
  };
}

/** A part of a name written as one word, in all spellings. */
export const joinedOf = (part: readonly Spelt[]): string[] =>
  part.reduce<string[]>((joined, word) => joined.flatMap((before) => word.map((one) => before + one)), [""]);

/** The first letters of the given names: of the first one, and of all. */
export const initialsOf = ({ given }: Sought): readonly string[] => {
  const letters = given.map(([word]) => word?.slice(0, 1) ?? "");
  return [...new Set([letters[0] ?? "", letters.join("")])].filter(Boolean);
};

/** Given and family name as one word, either way round. */
export function wholeJoined({ given, family }: Sought): string[] {
  const [one, two] = [joinedOf(given), joinedOf(family)];
  return one.flatMap((before) => two.flatMap((after) => [before + after, after + before]));
}

/** Family name and initials as one word, either way round. */
export const initialsJoined = (sought: Sought): string[] =>
  joinedOf(sought.family).flatMap((name) => initialsOf(sought).flatMap((letters) => [letters + name, name + letters]));

/** Every word under which a student may be found in a text. */
export const waysToFind = (sought: Sought): ReadonlySet<string> =>
  new Set(
    [
      ...sought.words,
      ...joinedOf(sought.given),
      ...joinedOf(sought.family),
      ...wholeJoined(sought),
      ...initialsJoined(sought),
    ].filter(Boolean),
  );

/** Whether every word of one name is a word of the other's, or but a letter or two from one. */
export const isAlmost = (one: Sought, other: Sought): boolean =>
  [...one.given, ...one.family].every((word) =>
    word.some((spelling) => [...other.words].some((known) => isOneSlipAway(spelling, known))),
  );

const isOneSlipAway = (one: string, other: string): boolean =>
  lettersApart(one, other) <= Math.max(1, Math.min(slipsForgiven(one), slipsForgiven(other)));
