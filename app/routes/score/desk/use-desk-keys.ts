import { useCallback, useMemo, useRef, type KeyboardEvent as ReactKeyboardEvent } from "react";
import type { ChangeResult, Command } from "#core/changes";
import { useLatest } from "../../../ui/hooks/use-latest";
import { useStateOf } from "../../../ui/hooks/use-state-of";
import { keyOf } from "../../../ui/keys/key-of";
import { actOn, useKeys } from "../../../ui/keys/use-keys";
import { paperOf, type DeskRows } from "./rows";

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
  /** Lets go of the open remark and of the papers beside. */
  readonly letGo: () => false;
}

type Verdict = Extract<Command, { type: "judge" }>["verdict"];

/** Beside the rulers arrows scroll and Enter presses; digits and letters mean the same everywhere on the desk. */
function onPage(event: KeyboardEvent, act: () => void): boolean {
  if (event.target !== document.body) return false;
  act();
  return true;
}

interface RulerWays {
  readonly giveLevel: (digit: number, stay: boolean) => boolean;
  readonly judge: (verdict: Verdict) => void;
  readonly step: (by: 1 | -1) => void;
  readonly type: () => void;
}

/** Keys of the ruler that has the focus; on the page they act as long as nothing else has it. */
const rulerActs = ({ giveLevel, judge, step, type }: RulerWays) => ({
  level: (digit: number) => giveLevel(digit, false),
  levelAndStay: (digit: number) => giveLevel(digit, true),
  stepUp: () => {
    judge({ kind: "step", direction: 1 });
  },
  stepDown: () => {
    judge({ kind: "step", direction: -1 });
  },
  criterionAfter: () => {
    step(1);
  },
  criterionBefore: () => {
    step(-1);
  },
  typePoints: type,
  openAgain: () => {
    judge({ kind: "open" });
  },
});

type PageAct = (digit: number, event: KeyboardEvent) => boolean;

const onPageActs = (onRuler: ReturnType<typeof rulerActs>) => ({
  level: onRuler.level,
  levelAndStay: onRuler.levelAndStay,
  stepUp: ((_, event) => onPage(event, onRuler.stepUp)) satisfies PageAct,
  stepDown: ((_, event) => onPage(event, onRuler.stepDown)) satisfies PageAct,
  criterionAfter: ((_, event) => onPage(event, onRuler.criterionAfter)) satisfies PageAct,
  criterionBefore: ((_, event) => onPage(event, onRuler.criterionBefore)) satisfies PageAct,
  typePoints: ((_, event) => onPage(event, onRuler.typePoints)) satisfies PageAct,
  openAgain: ((_, event) => onPage(event, onRuler.openAgain)) satisfies PageAct,
});

/** Keys that lead to other papers or into another field. */
const moveActs = (moves: DeskMoves) => ({
  nextPaper: moves.next,
  paperBefore: moves.before,
  nextWaiting: moves.nextWaiting,
  late: moves.focusLate,
  overallComment: moves.focusOverall,
  privateNote: moves.focusPrivate,
  wholeRubric: moves.wholeRubric,
  outcomes: moves.focusOutcomes,
  pile: moves.togglePile,
  letGo: moves.letGo,
});

/** Which criterion is marked, from the first that is open; past the last one it is the end that gets the focus. */
function useMarkedCriterion(rows: DeskRows, onEnd: () => void) {
  const [marked, setMarked] = useStateOf(paperOf(rows), () => {
    const firstOpen = rows.criteria.findIndex((row) => row.points === null && !row.notApplicable);
    return Math.max(0, firstOpen);
  });
  const sliders = useRef<(HTMLDivElement | null)[]>([]);
  const goTo = (index: number) => {
    if (index >= rows.criteria.length) {
      onEnd();
      return;
    }
    setMarked(Math.max(0, index));
    sliders.current[Math.max(0, index)]?.focus({ preventScroll: false });
  };

  const sliderRef = useCallback(
    (index: number) => (element: HTMLDivElement | null) => {
      sliders.current[index] = element;
    },
    [],
  );

  return { marked, setMarked, goTo, sliderRef };
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
  const { marked, setMarked, goTo, sliderRef } = useMarkedCriterion(rows, moves.focusDone);
  const paper = paperOf(rows);
  const [typing, setTyping] = useStateOf<Typing>(paper, () => null);
  const [commenting, setCommenting] = useStateOf<number | null>(paper, () => null);
  const place = { assignmentId: rows.assignment.id, studentId: rows.student.id };

  const judge = (verdict: Verdict) => {
    const row = rows.criteria[marked];
    if (row)
      void send({ type: "judge", ...place, ...(wholeGroup && { wholeGroup }), criterionId: row.criterion.id, verdict });
  };

  const giveLevel = (digit: number, stay: boolean): boolean => {
    if (!rows.criteria[marked]?.criterion.levels[digit - 1]) return false;
    judge({ kind: "level", digit });
    if (!stay) goTo(marked + 1);
    return true;
  };
  const decide = (decision: "missing" | "excused") =>
    void send({ type: "setStanding", ...place, decision, toggle: true });

  const onRuler = rulerActs({
    giveLevel,
    judge,
    step: (by) => {
      goTo(marked + by);
    },
    type: () => {
      setTyping(rows.criteria.length === 0 ? "score" : marked);
    },
  });
  useKeys(
    "judging",
    {
      ...onPageActs(onRuler),
      ...moveActs(moves),
      notApplicable: () => {
        judge({ kind: "notApplicable", toggle: true });
      },
      missing: () => {
        decide("missing");
      },
      excused: () => {
        decide("excused");
      },
      criterionComment: () => {
        setCommenting(marked);
      },
      compare: () => {
        moves.compare(marked);
      },
    },
    { whileTyping: ["nextPaper", "paperBefore", "letGo"] },
  );

  const typingDone = useLatest((kept: boolean) => {
    const wasCriterion = typeof typing === "number";
    setTyping(null);
    if (wasCriterion) goTo(kept ? marked + 1 : marked);
  });
  const onRulerKey = useLatest((event: ReactKeyboardEvent) => {
    if (actOn(keyOf("judging", event.nativeEvent), onRuler)) event.preventDefault();
  });
  return useMemo(
    () => ({
      ...{ marked, typing, commenting, typingDone, onRulerKey, sliderRef },
      ...{ mark: setMarked, type: setTyping, comment: setCommenting },
    }),
    [marked, typing, commenting, typingDone, onRulerKey, sliderRef, setMarked, setTyping, setCommenting],
  );
}
