import type { Student } from "#core/model";

/** Stands for each letter of a name that is covered; as long as the name, so that places in the text stay what they are. */
const COVER = "█";

const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, "\\$&");

/** How a work may name its writers: whole names in both orders, given names, numbers and addresses. */
export function namesOfWriters(writers: readonly Student[]): readonly string[] {
  const names = writers.flatMap(({ givenName, familyName, number, email }) => [
    ...(familyName === ""
      ? []
      : [`${givenName} ${familyName}`, `${familyName}, ${givenName}`, `${familyName} ${givenName}`]),
    email,
    number,
    givenName,
  ]);
  // The longest first: a whole name is covered as one.
  return [...new Set(names.map((name) => name.trim()).filter((name) => name.length > 1))].sort(
    (a, b) => b.length - a.length,
  );
}

/** A letter with its accent may stand as one character or as two (Unicode normalization forms C and D). */
const bothForms = (name: string): readonly string[] => [...new Set([name.normalize("NFC"), name.normalize("NFD")])];

/** Where names stand as words of their own, whatever is written large in them or lies between their parts. */
const namesIn = (names: readonly string[]): RegExp | null =>
  names.length === 0
    ? null
    : new RegExp(
        `(?<![\\p{L}\\p{N}])(?:${names
          .flatMap(bothForms)
          .map((name) => escaped(name).replace(/ /g, "\\s+"))
          .join("|")})(?![\\p{L}\\p{N}\\p{M}])`,
        "giu",
      );

/** A text with names covered, letter for letter. */
export function covered(text: string, names: readonly string[]): string {
  const pattern = namesIn(names);
  return pattern ? text.replace(pattern, (name) => name.replace(/\S/gu, COVER)) : text;
}

/** Where a text names one of them: offsets in UTF-16 units, the second the first outside. */
export function placesOfNames(text: string, names: readonly string[]): (readonly [start: number, end: number])[] {
  const pattern = namesIn(names);
  return pattern
    ? Array.from(text.matchAll(pattern), ({ index, 0: name }) => [index, index + name.length] as const)
    : [];
}

/** Whether a text names one of them. */
export const namesOne = (text: string, names: readonly string[]): boolean => namesIn(names)?.test(text) ?? false;
