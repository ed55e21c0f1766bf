import { textSum, type AssignmentId, type Id, type StudentId } from "#core/kernel";
import { checkCharacters } from "./check-characters";

/** What a code says, as marks that stand for ids: no name and no number of a student is in it. */
export interface PaperCode {
  /** Printed on a cover sheet, which is no page of the work, or on a label or the printed task, which is. */
  readonly kind: "cover" | "page";
  readonly course: string;
  readonly assignment: string;
  /** A student's mark, or that of a guest's sheet. */
  readonly student: string;
}

/** Figures and capitals that are not taken for one another: without I, L, O, U. */
const LETTERS = "0123456789ABCDEFGHJKMNPQRSTVWXYZ";
const BITS = 5;

const BEGINS = { cover: "QC", page: "QP" } as const;
const PLACE_MARK = 4;
const STUDENT_MARK = 8;
/** Guests' marks hold a U, which no student's does. */
const GUEST = "GUEST";

const PATTERN = /^(Q[CP])([0-9A-Z]{4})([0-9A-Z]{4})([0-9A-Z]{8})([0-9A-Z]{2})$/;

/** So many letters that stand for an id: the first bits of its SHA-256, five to a letter. */
function markOf(id: string, letters: number): string {
  const bits = BigInt(`0x${textSum(id)}`);
  const from = 256 - letters * BITS;
  return Array.from({ length: letters }, (_, place) => {
    const letter = (bits >> BigInt(from + (letters - 1 - place) * BITS)) & 31n;
    return LETTERS[Number(letter)] ?? "";
  }).join("");
}

export const courseMark = (id: Id<"course">): string => markOf(id, PLACE_MARK);
export const assignmentMark = (id: AssignmentId): string => markOf(id, PLACE_MARK);
export const studentMark = (id: StudentId): string => markOf(id, STUDENT_MARK);

/** The mark of the nth blank sheet. @throws RangeError beyond 999 */
export function guestMark(place: number): string {
  if (!Number.isInteger(place) || place < 1 || place > 999) throw new RangeError(`guest ${String(place)}`);
  return `${GUEST}${String(place).padStart(3, "0")}`;
}

export const isGuestMark = (mark: string): boolean => mark.startsWith(GUEST);

/** The text of a code: 20 figures and capital letters, the last two of them its check characters. */
export function paperCodeText({ kind, course, assignment, student }: PaperCode): string {
  const said = `${BEGINS[kind]}${course}${assignment}${student}`;
  return said + checkCharacters(said);
}

/** Reads a code, also where it was typed in small letters or parted by spaces; null for any other text. */
export function readPaperCode(text: string): PaperCode | null {
  const plain = text.replace(/[\s-]/g, "").toUpperCase();
  const found = PATTERN.exec(plain);
  if (!found || checkCharacters(plain.slice(0, -2)) !== found[5]) return null;
  const [, begins, course = "", assignment = "", student = ""] = found;
  return { kind: begins === BEGINS.cover ? "cover" : "page", course, assignment, student };
}

/** A code as it is printed below its pattern, in parts that can be read out: `QC7K 3M9P Q2R8 X4T1 V6W3`. */
export const codeInClear = (text: string): string => text.replace(/(.{4})(?=.)/g, "$1 ");
