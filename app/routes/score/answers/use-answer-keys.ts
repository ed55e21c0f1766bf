import { useEffect } from "react";
import { isTyping } from "../../../ui/keys";
import { useLatest } from "../../../ui/hooks/use-latest";

interface AnswerKeys {
  /** Points of the question; a digit above them says nothing. */
  readonly maximum: number;
  readonly points: (digit: number) => void;
  readonly open: () => void;
  readonly move: (by: 1 | -1) => void;
  readonly type: () => void;
  readonly question: (by: 1 | -1) => void;
  readonly names: () => void;
}

/** Keys of one question over all answers: a digit gives so many points and brings the next answer. */
export function useAnswerKeys(keys: AnswerKeys): void {
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

function take(event: KeyboardEvent, keys: AnswerKeys): boolean {
  const digit = /^(?:Digit|Numpad)(\d)$/.exec(event.code)?.[1];
  const onControl = event.target instanceof HTMLElement && event.target.closest("button, select, a") !== null;
  if (digit !== undefined) {
    if (Number(digit) > keys.maximum) return false;
    keys.points(Number(digit));
  } else if (event.key === "ArrowDown") keys.move(1);
  else if (event.key === "ArrowUp") keys.move(-1);
  else if (event.key === "Backspace") keys.open();
  else if (event.key === "[") keys.question(-1);
  else if (event.key === "]") keys.question(1);
  else if (event.key.toLowerCase() === "h") keys.names();
  else if (event.key === "Enter" && !onControl) keys.type();
  else return false;
  return true;
}
