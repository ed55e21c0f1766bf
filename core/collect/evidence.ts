/**
 * Where evidence stands: the file's name, its folders, a line of the first page that holds a name and nothing else, elsewhere
 * on the first page, who a document says wrote it, who sent it, the code on the paper itself.
 */
export type EvidencePlace = "name" | "folder" | "byline" | "page" | "author" | "sender" | "paper";

/** One thing that speaks for a piece being a student's, at its place. `words` are those of the piece that tell of a name. */
export type Evidence = { readonly place: EvidencePlace } & (
  | /** The code of the student's cover sheet or label. */ { readonly kind: "code" }
  | /** The student's number, whole. */ { readonly kind: "number"; readonly text: string }
  | /** The student's address, as the sender's or on the page. */ { readonly kind: "address"; readonly text: string }
  | /** The part of the student's address before the at sign. */ { readonly kind: "mailName"; readonly text: string }
  | /** All of the name, in any order. */ { readonly kind: "wholeName"; readonly words: readonly string[] }
  | /** The first given name and all of the family name. */ {
      readonly kind: "firstAndFamily";
      readonly words: readonly string[];
    }
  | { readonly kind: "initials"; readonly text: string; readonly words: readonly string[] }
  | /** The name, or the family name alone, but for slips of the hand. */ {
      readonly kind: "likeness" | "familyLikeness";
      readonly text: string;
      readonly letters: number;
      readonly words: readonly string[];
    }
  | { readonly kind: "familyName" | "givenName"; readonly words: readonly string[] }
);

/** How much each kind weighs where all pieces are given their students together. */
const WEIGHT: Readonly<Record<Evidence["kind"], number>> = {
  code: 100,
  number: 100,
  address: 100,
  wholeName: 90,
  firstAndFamily: 70,
  mailName: 65,
  initials: 50,
  likeness: 50,
  familyName: 35,
  familyLikeness: 22,
  givenName: 20,
};

/** What stands in the work itself weighs less than what a person called the file. */
const PLACE_SHARE: Readonly<Record<EvidencePlace, number>> = {
  name: 1,
  folder: 1,
  sender: 1,
  paper: 1,
  byline: 0.9,
  page: 0.7,
  author: 0.5,
};

/** How much a piece of evidence weighs, from 0 to 100. */
export const weightOf = ({ kind, place }: Evidence): number => Math.round(WEIGHT[kind] * PLACE_SHARE[place]);

/**
 * Whether it can make a match sure: a code, a number, an address, or a whole name, where people put their own. A name in running text
 * may be whoever was measured with; a document's author and a sender's name are often another's computer.
 */
export function isStrong({ kind, place }: Evidence): boolean {
  if (kind === "code") return true;
  if (kind === "wholeName") return place === "name" || place === "folder" || place === "byline";
  if (kind === "number") return place === "name" || place === "folder" || place === "page";
  return kind === "address" && (place === "sender" || place === "page");
}
