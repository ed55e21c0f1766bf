import { useKeys } from "../../keys/use-keys";
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

/** The pen a person takes up first. */
export const FIRST_PEN: Pen = { tool: "draw", colour: "wax" };

/**
 * Keys of the work. While something is held they come first, so that a digit means evidence and not a level; they are
 * listened to before the desk hears them.
 */
export function useWorkKeys(keys: WorkKeys): void {
  const { held, enabled, criteria, tools, pen, setPen } = keys;
  const put = (mark: HeldMark) => () => {
    const fits = held !== null && MARK_TOOLS[held.kind].some((tool) => tool.mark === mark);
    if (fits) tools.onMark(mark);
    return fits;
  };
  const movePin = (across: number, down: number) => () => {
    if (held?.kind !== "pin") return false;
    const moved = (value: number, step: number) => clampShare(value + step * PIN_STEP);
    keys.setHeld({ kind: "pin", pin: { ...held.pin, x: moved(held.pin.x, across), y: moved(held.pin.y, down) } });
    return true;
  };
  const whileFree = (act: () => void) => () => {
    if (held !== null) return false;
    act();
    return true;
  };
  const onPaper = (act: () => void) => () => enabled && whileFree(act)();
  /** The open remark hears them itself. */
  const ofRemark = () => false;
  useKeys(
    "work",
    {
      highlight: put("highlight"),
      strikeout: put("strikeout"),
      insertion: put("insertion"),
      tick: put("tick"),
      query: put("query"),
      pin: put("pin"),
      text: put("text"),
      evidence: (digit) => {
        const criterion = held && criteria[digit - 1];
        if (criterion) tools.onEvidence(criterion);
        return Boolean(criterion);
      },
      left: movePin(-1, 0),
      right: movePin(1, 0),
      up: movePin(0, -1),
      down: movePin(0, 1),
      find: onPaper(keys.openFind),
      point: onPaper(keys.startPin),
      pen: onPaper(() => {
        setPen(pen?.tool === "draw" ? null : pen ? { ...pen, tool: "draw" } : FIRST_PEN);
      }),
      eraser: () =>
        pen !== null &&
        onPaper(() => {
          setPen({ ...pen, tool: pen.tool === "erase" ? "draw" : "erase" });
        })(),
      putDown: () => {
        if (held) tools.onDrop();
        else if (pen && enabled) setPen(null);
        else return false;
        return true;
      },
      turn: whileFree(keys.turnPage),
      larger: whileFree(() => {
        keys.zoomBy(1);
      }),
      smaller: whileFree(() => {
        keys.zoomBy(-1);
      }),
      remarkLeft: ofRemark,
      remarkRight: ofRemark,
      remarkUp: ofRemark,
      remarkDown: ofRemark,
    },
    { first: true },
  );
}
