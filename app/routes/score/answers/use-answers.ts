import { useMemo, useRef, useState } from "react";
import type { Assignment } from "#core/model";
import type { Repository } from "#storage";
import { keep } from "../../../course/choices";
import { useChange } from "../../../course/use-change";
import { fromAddress, inAddress } from "../../../ui/address";
import { useAsking } from "../../../ui/dialogs/use-asking";
import { useSearchChoice } from "../../../ui/ways/use-search-choice";
import { freshShuffle } from "../fresh-shuffle";
import { togetherAlike, type AlikeAnswers, type answerSheets } from "./rows";
import { useAnswerKeys } from "./use-answer-keys";

/** The sheets of one question, equal answers together where that is wished, and which of them is in hand. */
function useSheetInHand(rows: ReturnType<typeof answerSheets>, isTogether: boolean) {
  const [current, setCurrent] = useState(() =>
    Math.max(
      0,
      togetherAlike(rows?.sheets ?? [], new Set()).findIndex(({ points }) => points === null),
    ),
  );
  const [typing, setTyping] = useState(false);
  const [takenApart, setTakenApart] = useState<ReadonlySet<string>>(() => new Set());
  const sheets = useMemo(
    () => togetherAlike(rows?.sheets ?? [], isTogether ? takenApart : "all"),
    [rows, isTogether, takenApart],
  );
  const list = useRef<HTMLOListElement>(null);
  const goTo = (place: number) => {
    if (!rows) return;
    const next = Math.min(sheets.length - 1, Math.max(0, place));
    setCurrent(next);
    setTyping(false);
    list.current?.children[next]?.scrollIntoView({ block: "nearest" });
  };
  return { sheets, list, current, setCurrent, typing, setTyping, takenApart, setTakenApart, goTo };
}

/** How the answers are looked at: which question, with names or without, in which order, equal ones together. */
function useLookingAtAnswers(rows: ReturnType<typeof answerSheets>, repository: Repository, toFirst: () => void) {
  const [text, set] = useSearchChoice();
  return {
    /** The question that the address asks for, also while its answers are still on their way. */
    chosen: rows?.questions.find(({ id }) => inAddress(id) === text("question"))?.id,
    isShuffled: text("shuffle") !== "",
    showNames: (shown: boolean) => {
      keep(repository, "names-hidden", !shown);
      set("names", shown ? "shown" : "hidden");
    },
    shuffle: (on: boolean) => {
      set("shuffle", on ? freshShuffle() : "");
      toFirst();
    },
    putTogether: (on: boolean) => {
      set("equal", on ? "" : "apart");
      toFirst();
    },
    choose: (questionId: string) => {
      set("question", inAddress(questionId));
      toFirst();
    },
    /** The question so many places further, round and round. */
    step: (by: number) => {
      if (!rows) return;
      const next = rows.questions[(rows.place + by + rows.questions.length) % rows.questions.length];
      if (next) set("question", inAddress(next.id));
      toFirst();
    },
  };
}

/** One question over all answers, with its keys: a digit gives the points and goes on to the next answer. */
export function useAnswers(
  rows: ReturnType<typeof answerSheets>,
  assignment: Assignment,
  { isNameless, repository }: { readonly isNameless: boolean; readonly repository: Repository },
) {
  const [text] = useSearchChoice();
  const isTogether = text("equal") !== "apart";
  const inHand = useSheetInHand(rows, isTogether);
  const { sheets, current, goTo } = inHand;
  const looking = useLookingAtAnswers(rows, repository, () => {
    inHand.setCurrent(0);
  });
  const { send, sendTyped, notice } = useAsking(useChange());
  const where = ({ studentId, alike }: AlikeAnswers) => ({
    assignmentId: assignment.id,
    studentId,
    ...(alike.length > 0 && { alike: alike.map((one) => one.studentId) }),
    questionId: rows?.question.id ?? fromAddress("question", ""),
  });
  const sheet = sheets[current];
  useAnswerKeys({
    maximum: Number(rows?.question.points ?? 0),
    points: (digit) => {
      if (!sheet) return;
      // On at once: the next key is for the next answer, however long this one takes to be kept. A refusal leads back.
      const place = current;
      goTo(place + 1);
      void send({ type: "judgeAnswer", ...where(sheet), text: String(digit) }).then((outcome) => {
        if (!outcome.ok && outcome.issue.code !== "nothing_to_change") goTo(place);
      });
    },
    open: () => sheet && void send({ type: "judgeAnswer", ...where(sheet), text: "-" }),
    move: (by) => {
      goTo(current + by);
    },
    type: () => {
      inHand.setTyping(true);
    },
    question: looking.step,
    names: () => {
      looking.showNames(isNameless);
    },
  });
  return { ...inHand, looking, isTogether, where, sendTyped, notice };
}
