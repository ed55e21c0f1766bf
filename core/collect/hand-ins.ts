import { milliseconds, type AssignmentId, type Instant, type StudentId } from "#core/kernel";
import { dueFor, ownHandInOf, type Assignment, type CourseState, type WorkFile } from "#core/model";
import type { Match } from "./match-types";
import type { Piece } from "./piece";

/** What the time of a hand-in is taken from: what the pieces tell, or the due time where all came in time. */
export type TimeTaken = "dated" | "inTime";

/** A piece with the student it goes to. */
export interface PlacedPiece {
  readonly piece: Piece;
  readonly studentId: StudentId;
  /** Decided as one more file of the hand-in before it. */
  readonly joins: boolean;
  readonly bundle: string;
}

/** What would be taken in for one student: a hand-in of one or more files. */
export interface HandInToTake {
  readonly assignmentId: AssignmentId;
  readonly studentId: StudentId;
  readonly at: Instant | null;
  readonly files: readonly WorkFile[];
  /** Added to what the student handed in last. */
  readonly joins: boolean;
  readonly pieces: readonly Piece[];
}

/** Pieces that have their student, and those that a student has handed in before, byte for byte. */
export interface Placing {
  readonly placed: readonly PlacedPiece[];
  readonly again: ReadonlySet<Piece["id"]>;
}

/**
 * Puts pieces to students: as a person decided, else by a match that is sure or likely. What cannot be read waits for a person. A file that the student handed in
 * before, or that lies in the tray twice for them, is left out, unless a person put it there. `kept` holds the sums of
 * files handed in before.
 */
export function placePieces(
  pieces: readonly Piece[],
  matches: ReadonlyMap<Piece["id"], Match>,
  kept: ReadonlyMap<StudentId, ReadonlySet<string>>,
): Placing {
  const placed: PlacedPiece[] = [];
  const again = new Set<Piece["id"]>();
  const seen = new Set<string>();
  for (const piece of pieces) {
    const one = placeOf(piece, matches.get(piece.id));
    if (!one) continue;
    const key = `${one.studentId} ${piece.sum}`;
    const isAgain = seen.has(key) || kept.get(one.studentId)?.has(piece.sum);
    if (isAgain && !piece.decision) again.add(piece.id);
    else placed.push(one);
    seen.add(key);
  }
  return { placed, again };
}

function placeOf(piece: Piece, match: Match | undefined): PlacedPiece | null {
  const { decision } = piece;
  const bundle = match?.bundle ?? piece.letter ?? piece.id;
  if (decision?.kind === "student") return { piece, studentId: decision.studentId, joins: decision.joins, bundle };
  if (decision || piece.trouble || !match?.studentId || match.verdict === "open") return null;
  return { piece, studentId: match.studentId, joins: false, bundle };
}

/**
 * What taking these pieces in would make: for each student the hand-ins in the order of their times; pieces of one bundle,
 * and those that join, are one hand-in, whose time is its latest piece's.
 */
export function handInsOf(
  state: CourseState,
  assignment: Assignment,
  placed: readonly PlacedPiece[],
  time: TimeTaken,
): HandInToTake[] {
  const made = new Map<StudentId, { readonly handIn: HandInToTake; readonly bundle: string }[]>();
  for (const one of [...placed].sort(byTime)) {
    const own = made.get(one.studentId) ?? [];
    const last = own.at(-1);
    const at = timeOf(one.piece, dueFor(state, assignment, one.studentId), time);
    if (last && (one.joins || last.bundle === one.bundle)) {
      const { handIn } = last;
      const grown = {
        ...handIn,
        at: at ?? handIn.at,
        files: [...handIn.files, one.piece.file],
        pieces: [...handIn.pieces, one.piece],
      };
      made.set(one.studentId, [...own.slice(0, -1), { ...last, handIn: grown }]);
    } else {
      const joins = one.joins && ownHandInOf(state, assignment.id, one.studentId) !== undefined;
      const handIn: HandInToTake = {
        assignmentId: assignment.id,
        studentId: one.studentId,
        at,
        files: [one.piece.file],
        joins,
        pieces: [one.piece],
      };
      made.set(one.studentId, [...own, { handIn, bundle: one.bundle }]);
    }
  }
  return [...made.values()].flat().map(({ handIn }) => handIn);
}

const byTime = (one: PlacedPiece, other: PlacedPiece): number =>
  (one.piece.at ?? "").localeCompare(other.piece.at ?? "") || one.piece.order - other.piece.order;

function timeOf({ at }: Piece, dueAt: Instant | null, time: TimeTaken): Instant | null {
  if (time === "dated" || !at || !dueAt) return at;
  return milliseconds(at) > milliseconds(dueAt) ? dueAt : at;
}
