import type { Student } from "#core/model";

// How people name what they hand in: common practice, no source. Names are invented.

const GIVEN = [
  "Aldous", "Anna", "Anne", "Anna-Lena", "Björn", "Bram", "Chloë", "Clea", "Dagny", "Dov", "Esi", "Faruq", "Greta",
  "Hano", "Ilse", "İpek", "Jorun", "Jörg", "Kesi", "Lorcan", "Łukasz", "María José", "Maria", "Mei", "Mia", "Nadir",
  "Noël", "Oona", "Paz", "Rhun", "Sanna", "Søren", "Tobiah", "Ulla", "Viggo", "Wren", "Xanthe", "Yusuf", "Zelda",
  "Zoë",
]; // oxfmt-ignore
const FAMILY = [
  "Abeyra", "Amsel", "Barrow", "Berg", "Berger", "Brenn", "Brisk", "Calder", "Dufresne", "Elm", "Fenwick", "Field",
  "Halloran", "Hask", "Kvist", "Kowalczyk", "Lindqvar", "Lindqvist", "Mirelle", "Moor", "Moore", "Müller",
  "Müller-Schött", "Nakade", "O’Dowd", "Oduya", "Okonwe", "Orme", "Pell", "Quill", "Rahel", "Silva", "Silva Duarte",
  "Strand", "Tamsin", "Tarnowe", "van der Meer", "Vantor", "Verano", "Wiik", "Ångström", "Ørsted",
]; // oxfmt-ignore
/** Names of assignments, as people put them into the names of their files. */
export const TITLES = ["memo", "essay", "Flood-frequency memo", "report", "field notebook", "assignment 3"] as const;

/** A source of whole numbers below `limit`, the same for the same seed (Park and Miller, 1988). */
export function chance(seed: number): (limit: number) => number {
  let at = (seed % 2_147_483_646) + 1;
  return (limit) => {
    at = (at * 48_271) % 2_147_483_647;
    return at % limit;
  };
}

type Chance = ReturnType<typeof chance>;

const pick = <T>(from: readonly T[], next: Chance): T => from[next(from.length)] as T;

/** A class with all that makes names hard: siblings, namesakes, names a letter apart, accents, two family names. */
export function hardRoster(size: number, next: Chance): readonly Student[] {
  const people = Array.from({ length: size }, (_, index): Student => {
    const [givenName, familyName] = [pick(GIVEN, next), pick(FAMILY, next)];
    const plain = `${givenName}.${familyName}`
      .normalize("NFKD")
      .replace(/[^A-Za-z.]/g, "")
      .toLowerCase();
    return {
      id: `student:${String(index)}` as Student["id"],
      number: `L${String(26_000 + index * 7)}`,
      givenName,
      familyName,
      sectionId: null,
      note: "",
      email: next(10) < 8 ? `${plain}${next(4) === 0 ? String(next(9)) : ""}@larkmere.example` : "",
      left: false,
    };
  });
  // A brother of the first, and one who bears the same name as the second.
  return people.map((student, index) => {
    if (index === size - 1) return { ...student, familyName: people[0]?.familyName ?? "" };
    if (index === size - 2)
      return { ...student, givenName: people[1]?.givenName ?? "", familyName: people[1]?.familyName ?? "" };
    return student;
  });
}

/** What a habit makes of a student's work. */
export interface Named {
  readonly path: string;
  readonly beginning?: string;
  readonly author?: string;
  readonly senderAddress?: string;
  readonly senderName?: string;
}

const plain = (text: string) => text.normalize("NFD").replace(/\p{M}/gu, "").replace(/[Øø]/g, "o").replace(/ł/gi, "l");
const out = (text: string) =>
  plain(
    text
      .replace(/[äÄ]/g, "ae")
      .replace(/[öÖøØ]/g, "oe")
      .replace(/[üÜ]/g, "ue")
      .replace(/[åÅ]/g, "aa"),
  );
const run = (text: string) => text.replace(/[^\p{L}\p{M}]/gu, "");
const under = (text: string) => text.replace(/[\s’-]+/g, "_");

/** One letter wrong, missing, doubled or in its neighbour's place. */
function slip(word: string, next: Chance): string {
  const at = 1 + next(Math.max(1, word.length - 2));
  const letters = [...word];
  const kind = next(4);
  if (kind === 0) letters.splice(at, 1);
  else if (kind === 1) letters.splice(at, 0, letters[at] ?? "e");
  else if (kind === 2) letters[at] = pick([..."aeiourstln"], next);
  else letters.splice(at, 2, letters[at + 1] ?? "", letters[at] ?? "");
  return letters.join("");
}

type Habit = (student: Student, next: Chance, title: string) => Named;

const TEXT = "The gauge stood at forty centimetres when we came to the bridge in the morning, and the river was brown.";
const ending = (next: Chance) => pick([".pdf", ".docx", ".md", "(1).pdf", " v2.docx", "_final.pdf"], next);

/** Habits that give the whole name, the number, or the address; a class's work called so is nearly all sure. */
export const TELLING_HABITS: Readonly<Record<string, Habit>> = {
  "number and title": ({ number }, next, title) => ({ path: `${number}_${title}${ending(next)}` }),
  "title and number": ({ number }, next, title) => ({ path: `${title} ${number.toLowerCase()}${ending(next)}` }),
  "given family": ({ givenName, familyName }, next, title) => ({ path: `${givenName} ${familyName} ${title}${ending(next)}` }),
  "family, given": ({ givenName, familyName }, next) => ({ path: `${familyName}, ${givenName}${ending(next)}` }),
  "given_family": ({ givenName, familyName }, next, title) => ({ path: `${under(`${givenName} ${familyName}`)}_${title}${ending(next)}` }),
  "run together": ({ givenName, familyName }, next) => ({ path: `${run(givenName)}${run(familyName)}${ending(next)}` }),
  "small letters in one": ({ givenName, familyName }, next) => ({ path: `${run(familyName + givenName).toLowerCase()}${ending(next)}` }),
  "without accents": ({ givenName, familyName }, next, title) => ({ path: plain(`${title}_${givenName}-${familyName}${ending(next)}`) }),
  "umlauts written out": ({ givenName, familyName }, next) => ({ path: out(`${givenName}_${familyName}${ending(next)}`) }),
  "folder of a student": ({ givenName, familyName }, next, title) => ({ path: `Heron/${familyName}, ${givenName}/${title}${ending(next)}` }),
  "number and name": ({ number, givenName, familyName }, next, title) => ({ path: `${number} ${givenName} ${familyName}/${title}${ending(next)}` }),
  "name on page 1": ({ givenName, familyName }, next, title) => ({ path: `${title}${ending(next)}`, beginning: `${givenName} ${familyName}\n${title}\n${TEXT}` }),
  "number on page 1": ({ number, familyName }, next, title) => ({ path: `scan${String(next(999))}.pdf`, beginning: `${title} ${familyName} (${number}) ${TEXT}` }),
}; // oxfmt-ignore

/** Habits that leave something open. */
export const VAGUE_HABITS: Readonly<Record<string, Habit>> = {
  "family alone": ({ familyName }, next, title) => ({ path: `${title}_${familyName}${ending(next)}` }),
  "given alone": ({ givenName }, next, title) => ({ path: `${givenName}s ${title}${ending(next)}`.replace("s ", " ") }),
  "initial and family": ({ givenName, familyName }, next) => ({ path: `${givenName[0] ?? ""}. ${familyName}${ending(next)}` }),
  "initials run together": ({ givenName, familyName }, next) => ({ path: `${(givenName[0] ?? "").toLowerCase()}${run(familyName).toLowerCase()}${ending(next)}` }),
  "first of two names": ({ givenName, familyName }, next) => ({ path: `${givenName.split(/[ -]/)[0] ?? ""} ${familyName}${ending(next)}` }),
  "slip in the family name": ({ givenName, familyName }, next) => ({ path: `${givenName}_${slip(familyName, next)}${ending(next)}` }),
  "slip in the given name": ({ givenName, familyName }, next) => ({ path: `${slip(givenName, next)} ${familyName}${ending(next)}` }),
  "author of the document": ({ givenName, familyName }, next, title) => ({ path: `${title}${ending(next)}`, author: `${givenName} ${familyName}` }),
  "address's local part": ({ email, givenName }, next, title) => ({ path: `${email.split("@")[0] ?? givenName}_${title}${ending(next)}` }),
  "number with a slip, and name": ({ number, givenName, familyName }, next) => ({ path: `${number.slice(0, -1)}${String(next(10))} ${givenName} ${familyName}${ending(next)}` }),
  "nothing at all": (_, next, title) => ({ path: pick([`essay_final_v2${ending(next)}`, `scan${String(next(9_999))}.pdf`, `Untitled ${String(next(9))}.docx`, `${title}${ending(next)}`], next) }),
}; // oxfmt-ignore

/** Habits in which another person of the class, or of none, stands in the work too. */
export const MISLEADING_HABITS: Readonly<Record<string, (student: Student, other: Student, next: Chance, title: string) => Named>> = {
  "another's computer": (student, other, next, title) => ({ ...vague(student, next, title), author: `${other.givenName} ${other.familyName}` }),
  "another named on page 1": (student, other, next, title) => ({ ...vague(student, next, title), beginning: `With ${other.givenName} ${other.familyName} we measured. ${TEXT}` }),
  "two names in the file": (student, other, next) => ({ path: `${student.givenName} ${student.familyName} and ${other.givenName} ${other.familyName}${ending(next)}` }),
  "sent by another": (student, other, next, title) => ({ ...vague(student, next, title), senderAddress: other.email, senderName: `${other.givenName} ${other.familyName}` }),
}; // oxfmt-ignore

const vague: Habit = (student, next, title) => pick(Object.values(TELLING_HABITS), next)(student, next, title);
