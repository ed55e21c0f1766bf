import type { StudentId } from "#core/kernel";
import { isStrong, weightOf, type Evidence } from "./evidence";
import { partsOfPath, wordsOf } from "./name-words";
import type { PieceTraits } from "./piece";
import type { SoughtRoster, TellingNothing } from "./sought-roster";

/** A word in more than this share of at least so many pieces tells nobody apart. */
const COMMON_SHARE = 0.3;
const COMMON_FROM = 5;

/** A student for whom something in a piece speaks. */
export interface Candidate {
  readonly studentId: StudentId;
  /** The weightiest first. */
  readonly evidence: readonly Evidence[];
  readonly weight: number;
}

/** A piece with all for whom it speaks. */
export interface Rated {
  readonly piece: PieceTraits;
  /** Pieces of one letter, or of a folder that names a student, are one hand-in. */
  readonly bundle: string;
  /** The best first. */
  readonly candidates: readonly Candidate[];
}

/** Words of the title, and with them those that many pieces have in their paths. */
export function tellingNothing(pieces: readonly PieceTraits[], title: string): TellingNothing {
  const counts = new Map<string, number>();
  for (const { path } of pieces) for (const word of wordsOf(path)) counts.set(word, (counts.get(word) ?? 0) + 1);
  const many = Math.max(COMMON_FROM, pieces.length * COMMON_SHARE);
  const often = [...counts].flatMap(([word, count]) => (count >= many ? [word] : []));
  return { title: wordsOf(title), common: new Set([...wordsOf(title), ...often]) };
}

/** Whom the code on a piece says it is of; null where it says nothing of anybody. */
const codedStudent = ({ said }: PieceTraits): StudentId | null => (said?.kind === "student" ? said.studentId : null);

export function rate(piece: PieceTraits, roster: SoughtRoster, nothing: TellingNothing): Rated {
  const found = new Map(roster.evidenceOf(piece, nothing));
  const coded = codedStudent(piece);
  if (coded) found.set(coded, [{ kind: "code", place: "paper" }, ...(found.get(coded) ?? [])]);
  const candidates = [...found]
    .map(([studentId, evidence]) => ({
      studentId,
      evidence: [...evidence].sort((a, b) => weightOf(b) - weightOf(a)),
      weight: evidence.reduce((sum, one) => sum + weightOf(one), 0),
    }))
    .sort((a, b) => b.weight - a.weight || (a.studentId < b.studentId ? -1 : 1));
  const named = candidates.filter(({ evidence }) => evidence.some((one) => one.place === "folder" && isStrong(one)));
  const folder = named.length === 1 ? partsOfPath(piece.path).folder : null;
  return { piece, bundle: piece.letter ?? folder ?? piece.id, candidates };
}

/** Whether both may go to one student without a question: parts of one hand-in, or the same file again. */
export const areTogether = (one: Rated, other: Rated): boolean =>
  one.bundle === other.bundle || one.piece.sum === other.piece.sum;
