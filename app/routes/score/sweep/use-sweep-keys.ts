import { useEffect } from "react";
import { isTyping } from "../../../ui/keys";
import { useLatest } from "../../../ui/hooks/use-latest";

interface SweepKeys {
  readonly levels: number;
  readonly level: (digit: number) => void;
  readonly open: () => void;
  readonly notApplicable: () => void;
  readonly move: (by: number) => void;
  readonly type: () => void;
  readonly compare: () => void;
  readonly criterion: (by: number) => void;
  readonly names: () => void;
  readonly close: () => void;
}

/** Keys of the sweep: one digit judges a paper and brings the next. */
export function useSweepKeys(keys: SweepKeys): void {
  const onKey = useLatest((event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
    if (take(event, keys)) event.preventDefault();
  });
  useEffect(() => {
    window.addEventListener("keydown", onKey);
    return () => {
      window.removeEventListener("keydown", onKey);
    };
  }, [onKey]);
}

function take(event: KeyboardEvent, keys: SweepKeys): boolean {
  const digit = /^(?:Digit|Numpad)([1-9])$/.exec(event.code)?.[1];
  const onControl = event.target instanceof HTMLElement && event.target.closest("button, select, a") !== null;
  if (digit) {
    if (Number(digit) > keys.levels) return false;
    keys.level(Number(digit));
    return true;
  }
  const actions: Readonly<Record<string, () => void>> = {
    ArrowDown: () => {
      keys.move(1);
    },
    ArrowUp: () => {
      keys.move(-1);
    },
    Backspace: keys.open,
    Escape: keys.close,
    a: keys.notApplicable,
    b: keys.compare,
    h: keys.names,
    "[": () => {
      keys.criterion(-1);
    },
    "]": () => {
      keys.criterion(1);
    },
    ...(onControl ? {} : { Enter: keys.type }),
  };
  const act = actions[event.key.length === 1 ? event.key.toLowerCase() : event.key];
  act?.();
  return act !== undefined;
}
