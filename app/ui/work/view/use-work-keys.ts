import { useLayoutEffect, useRef } from "react";
import { isTyping } from "../../keys";
import { MARK_TOOLS } from "../marks/mark-tools";
import { clampShare } from "../marks/turn";
import type { EvidenceTarget, Held, HeldMark, Pen } from "../types";

interface WorkKeys {
  readonly held: Held | null;
  readonly setHeld: (held: Held) => void;
  readonly enabled: boolean;
  readonly criteria: readonly EvidenceTarget[];
  readonly tools: {
    readonly onEvidence: (criterion: EvidenceTarget) => void;
    readonly onMark: (mark: HeldMark) => void;
    readonly onDrop: () => void;
  };
  readonly zoomBy: (direction: 1 | -1) => void;
  readonly openFind: () => void;
  readonly startPin: () => void;
  readonly turnPage: () => void;
  readonly pen: Pen | null;
  readonly setPen: (pen: Pen | null) => void;
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
  const tool = MARK_TOOLS[held.kind].find(({ key }) => key.toLowerCase() === event.key.toLowerCase());
  if (criterion) tools.onEvidence(criterion);
  else if (event.key === "Escape") tools.onDrop();
  else if (tool) tools.onMark(tool.mark);
  else if (held.kind === "pin" && event.key.startsWith("Arrow")) {
    const { x, y } = held.pin;
    const move = (value: number, step: number) => clampShare(value + step * PIN_STEP);
    const across = event.key === "ArrowLeft" ? -1 : event.key === "ArrowRight" ? 1 : 0;
    const down = event.key === "ArrowUp" ? -1 : event.key === "ArrowDown" ? 1 : 0;
    setHeld({ kind: "pin", pin: { ...held.pin, x: move(x, across), y: move(y, down) } });
  } else return false;
  return true;
}

/** The pen a person takes up first. */
export const FIRST_PEN: Pen = { tool: "draw", colour: "wax" };

function whileFree(event: KeyboardEvent, keys: WorkKeys): boolean {
  const { enabled, pen, setPen } = keys;
  const letter = event.key.toLowerCase();
  if (event.key === "+") keys.zoomBy(1);
  else if (event.key === "-") keys.zoomBy(-1);
  else if (letter === "r") keys.turnPage();
  else if (!enabled) return false;
  else if (event.key === "/") keys.openFind();
  else if (letter === "t") keys.startPin();
  else if (letter === "d") setPen(pen?.tool === "draw" ? null : ((pen && { ...pen, tool: "draw" }) ?? FIRST_PEN));
  else if (pen && letter === "e") setPen({ ...pen, tool: pen.tool === "erase" ? "draw" : "erase" });
  else if (pen && event.key === "Escape") setPen(null);
  else return false;
  return true;
}
