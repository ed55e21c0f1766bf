import { startTransition, useEffect, useMemo, useState } from "react";
import { codeSaid, type Decision, type Match, type Piece, type PieceId } from "#core/collect";
import type { Assignment, CourseState } from "#core/model";
import { matchPieces } from "../../../workers/client";
import { matchingGround } from "./rows";

const NONE: ReadonlyMap<PieceId, Match> = new Map();

/** Whom the pieces belong to, worked out away from the page; what was found before stands until there is a newer answer. */
export function useMatches(
  state: CourseState,
  assignment: Assignment | undefined,
  pieces: readonly Piece[],
): { readonly matches: ReadonlyMap<PieceId, Match>; readonly isCurrent: boolean } {
  const question = useMemo(() => {
    if (!assignment || pieces.length === 0) return null;
    const decided = pieces.flatMap(({ id, decision }) =>
      decision?.kind === "student" ? [[id, decision.studentId] as const] : [],
    );
    return {
      ...matchingGround(state, assignment),
      decided: new Map(decided),
      pieces: pieces
        .filter(({ decision, trouble }) => isSought(decision) && trouble !== "classSheet")
        .map((piece) => ({ ...traitsOf(piece), said: piece.code === "" ? null : codeSaid(state, piece.code) })),
    };
  }, [state.students, state.groups, assignment, pieces]); // oxlint-disable-line react/exhaustive-deps -- of the state, matching rests on these alone
  const [answer, setAnswer] = useState({ question: null as typeof question, matches: NONE });
  useEffect(() => {
    if (!question) return;
    let current = true;
    const isWanted = () => current;
    void matchPieces(question, isWanted).then((found) => {
      if (!current || !found) return;
      const matches = new Map(found.map((match) => [match.pieceId, match]));
      startTransition(() => {
        setAnswer({ question, matches });
      });
    });
    return () => {
      current = false;
    };
  }, [question]);
  return { matches: question ? answer.matches : NONE, isCurrent: question === null || answer.question === question };
}

const isSought = (decision: Decision | null): boolean => decision === null || decision.kind === "student";

const traitsOf = ({ id, path, letter, sum, beginning, author, senderAddress, senderName }: Piece) => ({
  id,
  path,
  letter,
  sum,
  beginning,
  author,
  senderAddress,
  senderName,
});
