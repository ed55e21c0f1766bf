import { isStrong, weightOf, type Evidence } from "./evidence";
import type { Doubt, Match, MatchingGround } from "./match-types";
import type { PieceTraits } from "./piece";
import type { Candidate, Rated } from "./rate";
import type { SoughtRoster } from "./sought-roster";

/** Weight from which what speaks for another makes a match by number or address only likely; one by name any does. */
const GIVES_PAUSE = 35;

/** A piece with what it says by itself. */
export interface FirstSight {
  readonly rated: Rated;
  readonly best: Candidate | null;
  /** Null where nothing strong speaks for anybody: what the others leave over decides. */
  readonly verdict: Match["verdict"] | null;
  readonly doubts: readonly Doubt[];
}

/** What a piece says by itself. */
export function firstSight(rated: Rated, roster: SoughtRoster, ground: MatchingGround): FirstSight {
  const strong = rated.candidates.filter(({ evidence }) => evidence.some(isStrong));
  const best = strong.find((one) => strong.every((other) => isOvershadowed(other, one, roster))) ?? strong[0] ?? null;
  if (!best) return { rated, best, verdict: null, doubts: [] };
  const group = ground.groupOf(best.studentId);
  const others = rated.candidates
    .filter(({ studentId }) => studentId !== best.studentId && (group === null || ground.groupOf(studentId) !== group))
    .map(({ studentId, evidence }) => ({ studentId, evidence: unexplained(evidence, best, roster) }))
    .filter(({ evidence }) => evidence.length > 0);
  const against = others.flatMap(({ evidence }) => evidence);
  const byNameAlone = !best.evidence.some(isBeyondNames);
  const almost = byNameAlone ? roster.almostNamed(best.studentId) : [];
  const doubts: Doubt[] = [
    ...(others.length > 0 ? [{ kind: "alsoFits" as const, studentIds: others.map(({ studentId }) => studentId) }] : []),
    ...(almost.length > 0 ? [{ kind: "almostNamed" as const, studentIds: almost }] : []),
  ];
  if (isElsewhere(rated.piece, ground) || against.some(isStrong)) return { rated, best, verdict: "open", doubts };
  const pause = byNameAlone
    ? against.length > 0 || almost.length > 0
    : against.some((one) => weightOf(one) >= GIVES_PAUSE);
  return { rated, best, verdict: pause ? "likely" : "sure", doubts: pause ? doubts : [] };
}

/** Whether its code says that it is no student's paper for what the pieces are put to. */
export const isElsewhere = ({ said }: PieceTraits, { assignmentId }: Pick<MatchingGround, "assignmentId">): boolean =>
  said !== null && (said.kind !== "student" || said.assignmentId !== assignmentId);

const isFull = ({ kind }: Evidence): boolean => kind === "wholeName" || kind === "firstAndFamily";
const isBeyondNames = (evidence: Evidence): boolean => isStrong(evidence) && evidence.kind !== "wholeName";

/** Whether all that speaks for one is part of what speaks more fully for another: `Maria Silva` in `Maria José Silva`. */
const isOvershadowed = (one: Candidate, by: Candidate, roster: SoughtRoster): boolean =>
  one === by || unexplained(one.evidence, by, roster).length === 0;

/** What speaks for one student beside another: words that are the other's own, where their name stands, do not. */
function unexplained(evidence: readonly Evidence[], beside: Candidate, roster: SoughtRoster): readonly Evidence[] {
  const own = roster.wordsOf(beside.studentId);
  // Of two who share a name, a number tells which one.
  const hasMore = beside.evidence.some(isBeyondNames);
  const isExplained = (one: Evidence): boolean =>
    "words" in one &&
    beside.evidence.some(
      (other) =>
        other.place === one.place &&
        "words" in other &&
        (!isFull(one) || hasMore || other.words.length > one.words.length) &&
        one.words.every((word) => own.has(word) || other.words.includes(word)),
    );
  return evidence.filter((one) => !isExplained(one));
}
