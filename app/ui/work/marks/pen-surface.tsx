import { useRef, useState, type PointerEvent } from "react";
import type { Stroke } from "#core/model";
import { NOTE_COLOUR } from "../../colours";
import { strokePath, touches, withPoint } from "./strokes";
import { clampShare, unturned, type Turn } from "./turn";
import type { Pen, ShownNote } from "../types";

interface PenSurfaceProps {
  readonly pen: Pen;
  readonly turn: Turn;
  /** Remarks by pen that stand on this page. */
  readonly drawn: readonly ShownNote[];
  readonly onStroke: (stroke: Stroke) => void;
  readonly onErase: (note: ShownNote, left: readonly Stroke[]) => void;
}

/** Lies over a page while the pen is in hand and follows it with its pressure; the eraser takes away whole strokes. */
export function PenSurface({ pen, turn, drawn, onStroke, onErase }: PenSurfaceProps) {
  const [stroke, setStroke] = useState<Stroke>([]);
  const [size, setSize] = useState({ width: 1, height: 1 });
  // What the pen wrote so far; many movements may come between two drawings of the page.
  const line = useRef<Stroke>([]);
  const active = useRef<number | null>(null);
  const erased = useRef(new Set<string>());

  const placeOf = (event: { clientX: number; clientY: number }, element: Element) => {
    const box = element.getBoundingClientRect();
    const share = {
      x: clampShare((event.clientX - box.left) / box.width),
      y: clampShare((event.clientY - box.top) / box.height),
    };
    return unturned(share, turn);
  };
  const follow = (event: PointerEvent, from: Stroke): Stroke => {
    const parts = event.nativeEvent.getCoalescedEvents();
    return (parts.length > 0 ? parts : [event.nativeEvent]).reduce((line, part) => {
      const { x, y } = placeOf(part, event.currentTarget);
      // A mouse has no pressure of its own: the platform reports a half while it is pressed.
      return withPoint(line, x, y, part.pressure || 0.5);
    }, from);
  };
  const erase = (event: PointerEvent) => {
    const box = event.currentTarget.getBoundingClientRect();
    const shape = turn % 2 === 1 ? box.width / box.height : box.height / box.width;
    const { x, y } = placeOf(event, event.currentTarget);
    for (const note of drawn) {
      if (note.target.kind !== "strokes") continue;
      const left = note.target.strokes.filter((line) => !touches(line, x, y, shape));
      const key = `${note.id} ${String(left.length)}`;
      if (left.length === note.target.strokes.length || erased.current.has(key)) continue;
      // The course takes a moment to take it in; the pointer may touch the same stroke again before that.
      erased.current.add(key);
      onErase(note, left);
    }
  };
  const end = () => {
    active.current = null;
    if (line.current.length > 0) onStroke(line.current);
    line.current = [];
    setStroke([]);
  };
  return (
    <div
      data-pen-surface=""
      className={`absolute inset-0 z-10 touch-none ${pen.tool === "erase" ? "cursor-cell" : "cursor-crosshair"}`}
      onPointerDown={(event) => {
        if (event.button > 0 || active.current !== null) return;
        event.preventDefault();
        event.stopPropagation();
        event.currentTarget.setPointerCapture(event.pointerId);
        active.current = event.pointerId;
        erased.current.clear();
        const { offsetWidth: width, offsetHeight: height } = event.currentTarget;
        setSize({ width, height });
        if (pen.tool === "erase") erase(event);
        else setStroke((line.current = follow(event, [])));
      }}
      onPointerMove={(event) => {
        if (active.current !== event.pointerId) return;
        if (pen.tool === "erase") erase(event);
        else setStroke((line.current = follow(event, line.current)));
      }}
      onPointerUp={(event) => {
        event.stopPropagation();
        if (active.current === event.pointerId) end();
      }}
      onPointerCancel={end}
    >
      {stroke.length > 0 && (
        <svg aria-hidden="true" className="pointer-events-none absolute inset-0 size-full">
          <path d={strokePath(stroke, size.width, size.height, turn)} fill={NOTE_COLOUR[pen.colour]} />
        </svg>
      )}
    </div>
  );
}
