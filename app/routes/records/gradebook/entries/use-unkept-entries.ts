import { use, useCallback, useEffect, useMemo, useState } from "react";
import { entryAndComment, entryText, type Command } from "#core/changes";
import { resultOf, type CourseState } from "#core/model";
import type { SendChange } from "../../../../course/use-change";
import { DraftsContext } from "../../../../ui/fields/drafts";
import { useUnkept } from "../../../../ui/fields/use-unkept";
import { unusualWords } from "../../../../ui/words/words";
import type { CellPlace } from "../grid/selection";
import { draftPlace, leftEntries, outrunDrafts, withUnkept, type UnkeptEntries } from "./unkept";
import { useCurrent } from "../../../../ui/hooks/use-latest";

/** Entering of scores, with what was typed and could not be kept: it lies among the drafts until it is kept or let go. */
export interface Entering {
  readonly unkept: UnkeptEntries;
  /** Every letter typed into a cell. */
  readonly type: (place: CellPlace, text: string, seen: string) => void;
  readonly enter: (place: CellPlace, text: string, seen: string, confirmed: boolean) => void;
  /** A cell was left with what cannot be kept as it is. */
  readonly leave: (place: CellPlace, text: string, words: string | null) => void;
  readonly letGo: (places: readonly CellPlace[]) => void;
}

/** A score, a score with a comment behind a colon, or a comment alone, which changes no score. */
function commandOf(state: CourseState, place: CellPlace, text: string, seen: string, confirmed: boolean): Command {
  const { entry, comment } = entryAndComment(text);
  if (comment === null) return { type: "setScore", ...place, text, seen, confirmed };
  if (entry !== "") return { type: "setScore", ...place, text: entry, seen, confirmed, comment };
  const before = resultOf(state, place.assignmentId, place.studentId).overallComment;
  const words = [before, comment].filter(Boolean).join("\n");
  return { type: "setComment", ...place, facing: "student", text: words, seen: before };
}

const presentIn =
  (state: CourseState) =>
  ({ assignmentId, studentId }: CellPlace): string | null =>
    state.assignments[assignmentId] && state.students[studentId] ? entryText(state, assignmentId, studentId) : null;

export function useUnkeptEntries(state: CourseState, change: SendChange): Entering {
  const drafts = use(DraftsContext);
  const [unkept, setUnkept] = useState(() => leftEntries(drafts, presentIn(state)));
  const [outrun] = useState(() => outrunDrafts(drafts, presentIn(state)));
  useEffect(() => {
    for (const key of outrun) drafts.drop(key);
  }, [drafts, outrun]);
  const [unsafe, setUnsafe] = useState(false);
  useUnkept(unsafe);

  const type = useCallback(
    (place: CellPlace, text: string, seen: string) => {
      const key = draftPlace(place);
      if (text.trim() === seen) {
        drafts.drop(key);
        return;
      }
      void drafts.put(key, { value: text, seen }).then((isSafe) => {
        setUnsafe(!isSafe && drafts.at(key) !== null);
      });
    },
    [drafts],
  );
  const letGo = useCallback(
    (places: readonly CellPlace[]) => {
      for (const place of places) drafts.drop(draftPlace(place));
      setUnsafe(false);
      setUnkept((before) => places.reduce((entries, place) => withUnkept(entries, place, null), before));
    },
    [drafts],
  );
  const leave = useCallback((place: CellPlace, text: string, words: string | null) => {
    setUnkept((before) => withUnkept(before, place, { text, words }));
  }, []);
  const latest = useCurrent(state);
  const enter = useCallback(
    (place: CellPlace, text: string, seen: string, confirmed: boolean) => {
      void change(commandOf(latest.current, place, text, seen, confirmed)).then((outcome) => {
        if (outcome.ok || outcome.issue.code === "nothing_to_change") letGo([place]);
        else leave(place, text, unusualWords(outcome.issue));
      });
    },
    [change, letGo, leave, latest],
  );
  return useMemo(() => ({ unkept, type, enter, leave, letGo }), [unkept, type, enter, leave, letGo]);
}
