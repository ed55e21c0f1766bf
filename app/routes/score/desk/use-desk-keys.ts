import { useCallback, useLayoutEffect, useRef, useState, type KeyboardEvent as ReactKeyboardEvent } from "react";
import type { ChangeResult, Command } from "#core/changes";
import { isTyping } from "../../../ui/keys";
import type { DeskRows } from "./rows";

/** What stands open for typing: a criterion by its place, or the whole score. */
export type Typing = number | "score" | null;

export interface DeskKeys {
  /** Place of the marked criterion. */
  readonly marked: number;
  readonly typing: Typing;
  readonly commenting: number | null;
  readonly mark: (place: number) => void;
  readonly type: (what: Exclude<Typing, null>) => void;
  readonly typingDone: (kept: boolean) => void;
  readonly comment: (place: number | null) => void;
  readonly onRulerKey: (event: ReactKeyboardEvent) => void;
  readonly sliderRef: (place: number) => (element: HTMLDivElement | null) => void;
}

export interface DeskMoves {
  readonly next: () => void;
  readonly before: () => void;
  readonly nextWaiting: () => void;
  readonly togglePile: () => void;
  readonly focusOverall: () => void;
  readonly focusPrivate: () => void;
  readonly wholeRubric: () => void;
  readonly focusOutcomes: () => void;
  readonly focusLate: () => void;
  readonly focusDone: () => void;
  /** Papers at the level of the marked criterion, beside this one. */
  readonly compare: (criterion: number) => void;
}

/**
 * Judging by keys. A digit chooses the level of the marked criterion and goes on to the next, so that a paper takes one
 * key per criterion and one to go on.
 */
export function useDeskKeys(
  rows: DeskRows,
  send: (command: Command) => Promise<ChangeResult>,
  moves: DeskMoves,
  wholeGroup: boolean,
): DeskKeys {
  const firstOpen = rows.criteria.findIndex((row) => row.points === null && !row.notApplicable);
  const [marked, setMarked] = useState(Math.max(0, firstOpen));
  const [typing, setTyping] = useState<Typing>(null);
  const [commenting, setCommenting] = useState<number | null>(null);
  const sliders = useRef<(HTMLDivElement | null)[]>([]);
  const place = { assignmentId: rows.assignment.id, studentId: rows.student.id };

  const goTo = (index: number) => {
    if (index >= rows.criteria.length) {
      moves.focusDone();
      return;
    }
    setMarked(Math.max(0, index));
    sliders.current[Math.max(0, index)]?.focus({ preventScroll: false });
  };

  const judge = (verdict: Extract<Command, { type: "judge" }>["verdict"]) => {
    const row = rows.criteria[marked];
    if (row)
      void send({ type: "judge", ...place, ...(wholeGroup && { wholeGroup }), criterionId: row.criterion.id, verdict });
  };

  const onDigit = (digit: number, stay: boolean): boolean => {
    if (!rows.criteria[marked]?.criterion.levels[digit - 1]) return false;
    judge({ kind: "level", digit });
    if (!stay) goTo(marked + 1);
    return true;
  };

  const onJudgingKey = (event: KeyboardEvent | ReactKeyboardEvent): boolean => {
    if (/^(Digit|Numpad)[1-9]$/.test(event.code)) return onDigit(Number(event.code.slice(-1)), event.shiftKey);
    switch (event.key) {
      case "ArrowRight":
        judge({ kind: "step", direction: 1 });
        return true;
      case "ArrowLeft":
        judge({ kind: "step", direction: -1 });
        return true;
      case "ArrowDown":
        goTo(marked + 1);
        return true;
      case "ArrowUp":
        goTo(marked - 1);
        return true;
      case "Enter":
        setTyping(rows.criteria.length === 0 ? "score" : marked);
        return true;
      case "Backspace":
        judge({ kind: "open" });
        return true;
      default:
        return false;
    }
  };

  const onLetter = (event: KeyboardEvent): boolean => {
    const decide = (decision: "missing" | "excused") =>
      void send({ type: "setStanding", ...place, decision, toggle: true });
    const letters: Readonly<Record<string, () => void>> = {
      a: () => {
        judge({ kind: "notApplicable", toggle: true });
      },
      b: () => {
        moves.compare(marked);
      },
      c: moves.focusOverall,
      k: () => {
        setCommenting(marked);
      },
      l: moves.focusLate,
      m: () => {
        decide("missing");
      },
      o: moves.focusOutcomes,
      p: moves.togglePile,
      u: moves.wholeRubric,
      v: moves.focusPrivate,
      w: moves.nextWaiting,
      x: () => {
        decide("excused");
      },
    };
    const perform = letters[event.key.toLowerCase()];
    perform?.();
    return perform !== undefined;
  };

  const onDeskKey = (event: KeyboardEvent) => {
    if (event.defaultPrevented) return;
    if (event.altKey && (event.key === "ArrowRight" || event.key === "ArrowLeft")) {
      event.preventDefault();
      if (event.key === "ArrowRight") moves.next();
      else moves.before();
      return;
    }
    if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
    const inRuler = event.target instanceof HTMLElement && event.target.getAttribute("role") === "slider";
    const free = event.target === document.body || inRuler;
    // Elsewhere arrows scroll and Enter presses; digits and letters mean the same everywhere on the desk.
    const taken = /^(Digit|Numpad)/.test(event.code) || (free && !inRuler) ? onJudgingKey(event) : false;
    if (taken || onLetter(event)) event.preventDefault();
  };
  const latest = useRef(onDeskKey);
  // Before the paper is painted: no key that is pressed on what can be seen may be lost.
  useLayoutEffect(() => {
    latest.current = onDeskKey;
  });
  useLayoutEffect(() => {
    const listen = (event: KeyboardEvent) => {
      latest.current(event);
    };
    window.addEventListener("keydown", listen);
    return () => {
      window.removeEventListener("keydown", listen);
    };
  }, []);

  const sliderRef = useCallback(
    (index: number) => (element: HTMLDivElement | null) => {
      sliders.current[index] = element;
    },
    [],
  );

  return {
    marked,
    typing,
    commenting,
    mark: setMarked,
    type: setTyping,
    typingDone: (kept) => {
      const wasCriterion = typeof typing === "number";
      setTyping(null);
      if (wasCriterion) goTo(kept ? marked + 1 : marked);
    },
    comment: setCommenting,
    onRulerKey: (event) => {
      if (event.ctrlKey || event.metaKey || event.altKey) return;
      if (onJudgingKey(event)) event.preventDefault();
    },
    sliderRef,
  };
}
