import { useLayoutEffect, useRef } from "react";
import { isTyping } from "../keys";
import type { EvidenceTarget, Held } from "./types";

interface WorkKeys {
  readonly held: Held | null;
  readonly setHeld: (held: Held) => void;
  readonly enabled: boolean;
  readonly criteria: readonly EvidenceTarget[];
  readonly tools: {
    readonly onEvidence: (criterion: EvidenceTarget) => void;
    readonly onNote: () => void;
    readonly onStrike: () => void;
    readonly onDrop: () => void;
  };
  readonly zoomBy: (direction: 1 | -1) => void;
  readonly openFind: () => void;
  readonly startPin: () => void;
}

/** How far an arrow moves a pin, in shares of the page. */
const PIN_STEP = 0.01;

/**
 * Keys of the work. While something is held they come first, so that a digit means evidence and not a level; they are
 * listened to before the desk hears them.
 */
export function useWorkKeys(keys: WorkKeys): void {
  const latest = useRef(keys);
  useLayoutEffect(() => {
    latest.current = keys;
  });
  useLayoutEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
      const now = latest.current;
      const taken = now.held ? whileHolding(event, now, now.held) : whileFree(event, now);
      if (!taken) return;
      event.preventDefault();
      event.stopPropagation();
    };
    window.addEventListener("keydown", onKey, { capture: true });
    return () => {
      window.removeEventListener("keydown", onKey, { capture: true });
    };
  }, []);
}

function whileHolding(event: KeyboardEvent, { criteria, tools, setHeld }: WorkKeys, held: Held): boolean {
  const criterion = /^Digit[1-9]$/.test(event.code) ? criteria[Number(event.code.slice(5)) - 1] : undefined;
  if (criterion) tools.onEvidence(criterion);
  else if (event.key === "Escape") tools.onDrop();
  else if (held.kind === "passage" && event.key.toLowerCase() === "n") tools.onNote();
  else if (held.kind === "passage" && event.key.toLowerCase() === "s") tools.onStrike();
  else if (held.kind === "pin" && event.key === "Enter") tools.onNote();
  else if (held.kind === "pin" && event.key.startsWith("Arrow")) {
    const { x, y } = held.pin;
    const move = (value: number, step: number) => Math.min(1, Math.max(0, value + step * PIN_STEP));
    const across = event.key === "ArrowLeft" ? -1 : event.key === "ArrowRight" ? 1 : 0;
    const down = event.key === "ArrowUp" ? -1 : event.key === "ArrowDown" ? 1 : 0;
    setHeld({ kind: "pin", pin: { ...held.pin, x: move(x, across), y: move(y, down) } });
  } else return false;
  return true;
}

function whileFree(event: KeyboardEvent, { enabled, zoomBy, openFind, startPin }: WorkKeys): boolean {
  if (event.key === "+") zoomBy(1);
  else if (event.key === "-") zoomBy(-1);
  else if (enabled && event.key === "/") openFind();
  else if (enabled && event.key.toLowerCase() === "t") startPin();
  else return false;
  return true;
}
