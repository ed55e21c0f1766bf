import type { StudentId } from "#core/kernel";
import { firstSight, isElsewhere, type FirstSight } from "./first-sight";
import { nothingFound, type Doubt, type Match, type MatchingGround } from "./match-types";
import type { PieceId, PieceTraits } from "./piece";
import { areTogether, rate, tellingNothing } from "./rate";
import { shareOut } from "./share-out";
import { SoughtRoster } from "./sought-roster";

/**
 * Finds for all pieces together the students they belong to. Sure is what a number, an address or a whole name says that
 * fits nobody else, with nothing that speaks against it; the rest shares out who is left, so that all evidence together
 * weighs most; a student whom two pieces want is for a person to decide. The answer has the order of the pieces; those a
 * person has decided are not in it.
 */
export function matchPieces(pieces: readonly PieceTraits[], ground: MatchingGround): readonly Match[] {
  const roster = new SoughtRoster(ground.students);
  const nothing = tellingNothing(pieces, ground.title);
  const seen = pieces
    .filter(({ id }) => !ground.decided.has(id))
    .map((piece) => firstSight(rate(piece, roster, nothing), roster, ground));
  const holders = holdersOf(seen, ground);
  const weak = shareOut(
    seen
      .filter(({ verdict, rated }) => verdict === null && !isElsewhere(rated.piece, ground))
      .map(({ rated }) => rated),
    holders,
    ground,
  );
  const undecided = new Map(seen.map((one) => [one.rated.piece.id, one]));
  const found = seen.map((one): Match => {
    const { id } = one.rated.piece;
    if (one.verdict === null || !one.best) return weak.get(id) ?? nothingFound(one.rated);
    const rivals = (holders.get(one.best.studentId) ?? []).filter((other) => {
      const rival = undecided.get(other);
      // Whoever put another piece to the same student has seen both.
      if (!rival || other === id || areTogether(rival.rated, one.rated)) return false;
      // One that speaks against itself takes nothing from another that does not.
      return rival.verdict !== "open" || one.verdict === "open";
    });
    const isWanted = rivals.length > 0;
    const doubts: readonly Doubt[] = isWanted ? [...one.doubts, { kind: "wantedToo", pieceIds: rivals }] : one.doubts;
    const { studentId, evidence } = one.best;
    const { bundle } = one.rated;
    return { pieceId: id, bundle, verdict: isWanted ? "open" : one.verdict, studentId, evidence, doubts };
  });
  return found.map((match, place) => withCodeDoubt(match, seen[place]?.rated.piece, ground));
}

/** A code of another assignment, of another course, or of a blank sheet is for a person to look at. */
function withCodeDoubt(match: Match, piece: PieceTraits | undefined, ground: MatchingGround): Match {
  if (!piece?.said || !isElsewhere(piece, ground)) return match;
  const others = match.doubts.filter(({ kind }) => kind !== "namesNobody");
  return { ...match, verdict: "open", doubts: [{ kind: "codeElsewhere", said: piece.said }, ...others] };
}

/** Who has which pieces for good reasons: decided by a person, or by what a piece says by itself. */
function holdersOf(
  seen: readonly FirstSight[],
  { decided }: MatchingGround,
): ReadonlyMap<StudentId, readonly PieceId[]> {
  const holders = new Map<StudentId, PieceId[]>();
  const hold = (studentId: StudentId, pieceId: PieceId) =>
    holders.set(studentId, [...(holders.get(studentId) ?? []), pieceId]);
  for (const [pieceId, studentId] of decided) hold(studentId, pieceId);
  for (const { rated, best, verdict } of seen) if (best && verdict) hold(best.studentId, rated.piece.id);
  return holders;
}
