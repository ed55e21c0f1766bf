import type { StudentId } from "#core/kernel";
import { bestAssignment } from "./assign";
import { nothingFound, type Doubt, type Match, type MatchingGround } from "./match-types";
import type { PieceId } from "./piece";
import { areTogether, type Candidate, type Rated } from "./rate";

/** How far the best must lead, and how much it must weigh, to be likely. */
const LEAD = 15;
const LIKELY = 35;

/** Those for whom nothing strong speaks, with who is given to them of the students that are left. */
interface Sharing {
  readonly rated: readonly Rated[];
  readonly given: ReadonlyMap<Rated, StudentId>;
  /** Pieces that have their student for good reasons. */
  readonly holders: ReadonlyMap<StudentId, readonly PieceId[]>;
  readonly ground: MatchingGround;
}

/** Gives those for whom nothing strong speaks the students that are left, so that all evidence together weighs most. */
export function shareOut(
  rated: readonly Rated[],
  holders: ReadonlyMap<StudentId, readonly PieceId[]>,
  ground: MatchingGround,
): ReadonlyMap<PieceId, Match> {
  const pairs = rated.flatMap((left) =>
    left.candidates
      .filter(({ studentId }) => !holders.has(studentId))
      .map(({ studentId, weight }) => ({ left, right: studentId, weight })),
  );
  const sharing = { rated, given: bestAssignment(pairs), holders, ground };
  return new Map(rated.map((one) => [one.piece.id, matchOf(one, sharing)]));
}

function matchOf(one: Rated, sharing: Sharing): Match {
  const [wanted] = one.candidates;
  if (!wanted) return nothingFound(one);
  const got = gotBy(one, sharing);
  const mine = got && got.weight + LEAD > wanted.weight ? got : wanted;
  const rivals = rivalsFor(mine.studentId, one, sharing);
  const others = othersThan(mine.studentId, one, sharing);
  const second = others[0]?.weight ?? 0;
  const isClear = second === 0 || (mine.weight >= LIKELY && mine.weight - second >= LEAD);
  const doubts: Doubt[] = [
    ...(rivals.length > 0 ? [{ kind: "wantedToo" as const, pieceIds: rivals }] : []),
    ...(isClear ? [] : [{ kind: "alsoFits" as const, studentIds: others.map(({ studentId }) => studentId) }]),
  ];
  return {
    pieceId: one.piece.id,
    bundle: one.bundle,
    verdict: doubts.length === 0 && mine === got ? "likely" : "open",
    studentId: mine.studentId,
    evidence: mine.evidence,
    doubts,
  };
}

const gotBy = (one: Rated, { given }: Sharing): Candidate | undefined =>
  one.candidates.find(({ studentId }) => studentId === given.get(one));

/** Those who are left and for whom it speaks too. */
const othersThan = (studentId: StudentId, one: Rated, { holders, ground }: Sharing): readonly Candidate[] => {
  const group = ground.groupOf(studentId);
  return one.candidates.filter(
    (other) =>
      other.studentId !== studentId &&
      !holders.has(other.studentId) &&
      (group === null || ground.groupOf(other.studentId) !== group),
  );
};

/** Pieces that have this student, or want them first and were given nobody they want as much. */
function rivalsFor(studentId: StudentId, one: Rated, sharing: Sharing): PieceId[] {
  const wanting = sharing.rated.filter((other) => {
    const [first] = other.candidates;
    if (other === one || areTogether(other, one) || first?.studentId !== studentId) return false;
    const got = gotBy(other, sharing);
    return !got || got.studentId === studentId || got.weight + LEAD <= first.weight;
  });
  return [...(sharing.holders.get(studentId) ?? []), ...wanting.map(({ piece }) => piece.id)];
}
