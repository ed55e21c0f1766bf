import { useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import type { Zone } from "#core/model";
import { keyOf } from "../../keys/key-of";
import { actOn } from "../../keys/use-keys";
import { clampShare } from "../marks/turn";

/** A part of a page, in shares of it. */
export type ZoneBox = Pick<Zone, "x" | "y" | "width" | "height">;

/** A zone as it is drawn on a page. */
export interface DrawnZone extends ZoneBox {
  readonly key: string;
  /** What is answered there. */
  readonly name: string;
  readonly colour: string;
  /** One of those that can be moved now. */
  readonly isOwn: boolean;
}

interface ZoneLayerProps {
  readonly page: number;
  readonly zones: readonly DrawnZone[];
  readonly onDraw: (box: ZoneBox) => void;
  readonly onChange: (key: string, box: ZoneBox) => void;
  readonly onRemove: (key: string) => void;
}

/** Smaller than this share of a page, a stroke was a slip of the hand. */
const SMALLEST = 0.01;
const STEP = 0.01;
/** A zone that begins this far down has its name above it, where it covers no words of it. */
const ROOM_ABOVE = 0.03;

/** The zones of a page: a stroke over the page draws one, arrows move and size the one in focus. */
export function ZoneLayer({ page, zones, onDraw, onChange, onRemove }: ZoneLayerProps) {
  const layer = useRef<HTMLDivElement>(null);
  const [stroke, setStroke] = useState<Stroke | null>(null);
  const at = (event: PointerEvent): Place => {
    const box = layer.current?.getBoundingClientRect();
    if (!box || box.width === 0 || box.height === 0) return { x: 0, y: 0 };
    return {
      x: clampShare((event.clientX - box.left) / box.width),
      y: clampShare((event.clientY - box.top) / box.height),
    };
  };
  return (
    <div
      ref={layer}
      className="absolute inset-0 z-10 cursor-crosshair touch-none"
      onPointerDown={(event) => {
        if (event.button !== 0) return;
        // A stroke may begin inside another zone; what is only pressed takes the focus when it is let go.
        event.preventDefault();
        event.currentTarget.setPointerCapture(event.pointerId);
        const zone = event.target instanceof Element ? event.target.closest("button") : null;
        setStroke({ from: at(event), to: at(event), zone });
      }}
      onPointerMove={(event) => {
        if (stroke) setStroke({ ...stroke, to: at(event) });
      }}
      onPointerUp={(event) => {
        if (!stroke) return;
        const box = boxOf(stroke.from, at(event));
        setStroke(null);
        if (box.width > SMALLEST && box.height > SMALLEST) onDraw(box);
        else stroke.zone?.focus();
      }}
      onPointerCancel={() => {
        setStroke(null);
      }}
    >
      {zones.map((zone) => (
        <button
          key={zone.key}
          type="button"
          disabled={!zone.isOwn}
          aria-label={`Zone of ${zone.name}, page ${String(page)}`}
          className={`absolute cursor-default border-2 bg-sheet/10 text-start ${zone.isOwn ? "" : "pointer-events-none border-dashed opacity-70"}`}
          style={{ ...percents(zone), borderColor: zone.colour }}
          onKeyDown={(event) => {
            const next = moved(event, zone);
            if (next === null) return;
            event.preventDefault();
            event.stopPropagation();
            if (next === "remove") onRemove(zone.key);
            else onChange(zone.key, next);
          }}
        >
          <span
            className={`absolute -left-0.5 max-w-full truncate bg-sheet/90 px-1 text-[12.5px] font-semibold text-ink ${zone.y > ROOM_ABOVE ? "bottom-full" : "top-0"}`}
          >
            {zone.name}
          </span>
        </button>
      ))}
      {stroke && (
        <span
          aria-hidden="true"
          className="absolute border-2 border-dashed border-ink bg-sheet/20"
          style={percents(boxOf(stroke.from, stroke.to))}
        />
      )}
    </div>
  );
}

interface Place {
  readonly x: number;
  readonly y: number;
}

/** A stroke over the page, and the zone that it began in. */
interface Stroke {
  readonly from: Place;
  readonly to: Place;
  readonly zone: HTMLElement | null;
}

const boxOf = (from: Place, to: Place): ZoneBox => ({
  x: Math.min(from.x, to.x),
  y: Math.min(from.y, to.y),
  width: Math.abs(to.x - from.x),
  height: Math.abs(to.y - from.y),
});

const percent = (share: number): string => `${String(share * 100)}%`;

/** Where a box lies over its page. */
const percents = ({ x, y, width, height }: ZoneBox) => ({
  left: percent(x),
  top: percent(y),
  width: percent(width),
  height: percent(height),
});

/** What a key makes of a zone; null for a key that is not its. */
function moved(event: KeyboardEvent, { x, y, width, height }: ZoneBox): ZoneBox | "remove" | null {
  let next: ZoneBox | "remove" = { x, y, width, height };
  const shift = (by: Partial<ZoneBox>) => {
    const at = { x: x + (by.x ?? 0), y: y + (by.y ?? 0) };
    const size = { width: width + (by.width ?? 0), height: height + (by.height ?? 0) };
    const wide = Math.min(1, Math.max(STEP, size.width));
    const high = Math.min(1, Math.max(STEP, size.height));
    next = {
      width: wide,
      height: high,
      x: Math.min(1 - wide, Math.max(0, at.x)),
      y: Math.min(1 - high, Math.max(0, at.y)),
    };
  };
  const done = actOn(keyOf("zones", event.nativeEvent), {
    left: () => {
      shift({ x: -STEP });
    },
    right: () => {
      shift({ x: STEP });
    },
    up: () => {
      shift({ y: -STEP });
    },
    down: () => {
      shift({ y: STEP });
    },
    narrower: () => {
      shift({ width: -STEP });
    },
    wider: () => {
      shift({ width: STEP });
    },
    lower: () => {
      shift({ height: -STEP });
    },
    higher: () => {
      shift({ height: STEP });
    },
    remove: () => {
      next = "remove";
    },
  });
  return done ? next : null;
}
