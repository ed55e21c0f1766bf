import type { CodeSaid, Doubt, Evidence, EvidencePlace, Outlook, Piece } from "#core/collect";
import type { AssignmentId, StudentId } from "#core/kernel";
import { counted, latenessWords } from "#core/words";

/** Where it stands; in the file's own name, which is read beside it, needs no word. */
const PLACES: Readonly<Record<EvidencePlace, string>> = {
  name: "",
  folder: " in the folder",
  byline: " on page 1",
  page: " on page 1",
  author: " as the document's author",
  sender: " as the sender",
  paper: " on the paper",
};

/** Why a piece seems to be a student's, in words: the very evidence it was matched by. */
export function evidenceWords(evidence: Evidence): string {
  const place = PLACES[evidence.place];
  switch (evidence.kind) {
    case "code":
      return `code${place}`;
    case "number":
      return `number ${evidence.text}${place}`;
    case "address":
      return evidence.place === "sender" ? "sender's address" : "address on page 1";
    case "mailName":
      return `begins the address${place}`;
    case "wholeName":
      return evidence.place === "byline" || evidence.place === "page" ? "named on page 1" : `whole name${place}`;
    case "firstAndFamily":
      return `first and family name${place}`;
    case "initials":
      return `initials and family name${place}`;
    case "likeness":
    case "familyLikeness":
      return `"${evidence.text}" is ${counted(evidence.letters, "letter")} off`;
    case "familyName":
      return `family name${place}`;
    case "givenName":
      return `given name${place}`;
  }
}

/** Names of students of whom there is more than this many are counted. */
const NAMED = 3;

const namesOf = (ids: readonly StudentId[], nameOf: (id: StudentId) => string): string =>
  ids.length > NAMED ? counted(ids.length, "other") : ids.map(nameOf).join(", ");

/** How those that a doubt speaks of are called. */
interface Called {
  readonly nameOf: (id: StudentId) => string;
  readonly fileOf: (id: Piece["id"]) => string;
  readonly workOf: (id: AssignmentId) => string;
}

/** What a code says that is of no student for the assignment. */
function codeWords(said: CodeSaid, { nameOf, workOf }: Called): string {
  switch (said.kind) {
    case "student":
      return `its code is of ${workOf(said.assignmentId)}, ${nameOf(said.studentId)}`;
    case "guest":
      return "a blank cover: whose name stands on it?";
    case "gone":
      return "its code is of a student or a piece of work that this course has no longer";
    case "otherCourse":
      return "its code is of another course";
  }
}

/** What keeps a match from being sure, in words. */
export function doubtWords(doubt: Doubt, called: Called): string {
  const { nameOf, fileOf } = called;
  switch (doubt.kind) {
    case "codeElsewhere":
      return codeWords(doubt.said, called);
    case "namesNobody":
      return "names nobody";
    case "alsoFits":
      return `fits ${namesOf(doubt.studentIds, nameOf)} too`;
    case "almostNamed":
      return `nearly the name of ${namesOf(doubt.studentIds, nameOf)}`;
    case "wantedToo": {
      const [first] = doubt.pieceIds;
      const more = doubt.pieceIds.length - 1;
      return `also wanted by ${first ? fileOf(first) : ""}${more > 0 ? ` and ${String(more)} more` : ""}: newer, or a second part?`;
    }
  }
}

/** What taking it in would mean beside a first hand-in in time; empty where it is no more than that. */
export function outlookWords(outlook: Outlook, unitHours: number): string[] {
  return [
    outlook.joins ? `one more file of attempt ${String(outlook.attempt)}` : "",
    !outlook.joins && outlook.attempt > 1 ? `attempt ${String(outlook.attempt)}` : "",
    outlook.isOlder ? "older than what is there" : "",
    outlook.isBeyondAllowed ? "more attempts than allowed" : "",
    outlook.unitsLate > 0 ? `${latenessWords(outlook.unitsLate, unitHours)} late` : "",
    outlook.decision === "excused" ? "is excused" : "",
    outlook.decision === "missing" ? (outlook.attempt > 1 ? "is marked missing" : "no longer missing then") : "",
    outlook.isScored ? "scored already" : "",
  ].filter(Boolean);
}

/** What stands in a piece's way. */
export const TROUBLE_WORDS = {
  locked: "asks for a password: unlock it, or take it in as it is",
  damaged: "cannot be read: ask for it again, or take it in as it is",
  letterAlone: "no attachment: what the letter says would be the work",
  classSheet: "a class stands in it",
  empty: "is empty (0 bytes): ask for it again",
} as const satisfies Readonly<Record<NonNullable<Piece["trouble"]>, string>>;
