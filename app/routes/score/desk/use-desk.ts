import { useRef } from "react";
import { useGoTo } from "../../../ui/ways/use-go-to";
import { useStateOf } from "../../../ui/hooks/use-state-of";
import type { ChangeResult, Command } from "#core/changes";
import { deskAddress } from "../../../ui/address";
import type { TextHandle } from "../../../ui/fields/text-handle";
import { paperOf, type DeskRows } from "./rows";
import { useDeskKeys, type DeskMoves } from "./use-desk-keys";

/** Fields of the desk that a key goes to. */
function useDeskFields() {
  const overall = useRef<TextHandle>(null);
  const privateNote = useRef<TextHandle>(null);
  const outcomes = useRef<HTMLDivElement>(null);
  const late = useRef<HTMLInputElement>(null);
  const done = useRef<HTMLButtonElement>(null);
  return { overall, privateNote, outcomes, late, done };
}

/** What is open on the desk, where its keys go, and the way to other papers. */
export function useDesk(
  slot: string,
  rows: DeskRows,
  send: (command: Command) => Promise<ChangeResult>,
  showRubric: (open: boolean) => void,
) {
  const go = useGoTo();
  const fields = useDeskFields();
  const paper = paperOf(rows);
  const [chosen, setChosen] = useStateOf<string | null>(paper, () => null);
  const [comparing, setComparing] = useStateOf<number | null>(paper, () => null);
  const [wholeGroup, setWholeGroup] = useStateOf<boolean>(paper, () => true);
  const [pileShown, setPileShown] = useStateOf<boolean>(paper, () => true);
  const goTo = (studentId: string | null) => {
    const to = studentId ? deskAddress(slot, rows.assignment.id, studentId) : `/courses/${slot}`;
    go(to);
  };
  const next = () => {
    goTo(rows.after);
  };
  const moves: DeskMoves = {
    next,
    before: () => {
      if (rows.before) goTo(rows.before);
    },
    nextWaiting: () => {
      goTo(rows.nextWaiting);
    },
    togglePile: () => {
      setPileShown((shown) => !shown);
    },
    focusOverall: () => fields.overall.current?.focus(),
    focusPrivate: () => fields.privateNote.current?.focus(),
    wholeRubric: () => {
      showRubric(true);
    },
    focusOutcomes: () => fields.outcomes.current?.focus(),
    focusLate: () => fields.late.current?.focus(),
    focusDone: () => fields.done.current?.focus(),
    compare: (place) => {
      setComparing((now) => (now === null ? place : null));
    },
    letGo: () => {
      setChosen(null);
      setComparing(null);
      return false;
    },
  };
  const judgesGroup = rows.group !== null && wholeGroup;
  const keys = useDeskKeys(rows, send, moves, judgesGroup);
  return {
    fields,
    keys,
    next,
    chosen,
    setChosen,
    /** The criterion whose papers at one level stand beside this one. */
    compared: comparing === null ? undefined : rows.criteria[keys.marked],
    endComparing: () => {
      setComparing(null);
    },
    wholeGroup,
    setWholeGroup,
    judgesGroup,
    pileShown,
  };
}
