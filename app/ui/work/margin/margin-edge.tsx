import { useState } from "react";

/** Bounds of the margin's width, in pixels. */
const NARROWEST = 180;
const WIDEST = 420;
const STEP = 20;

const within = (width: number) => Math.round(Math.min(WIDEST, Math.max(NARROWEST, width)));

interface MarginEdgeProps {
  readonly width: number;
  readonly onWidth: (width: number) => void;
  /** The person has let go: the width is to be remembered. */
  readonly onDone: (width: number) => void;
}

/** The edge between work and margin; dragged, or moved by arrows, it sets the margin's width. */
export function MarginEdge({ width, onWidth, onDone }: MarginEdgeProps) {
  const [from, setFrom] = useState<{ readonly x: number; readonly width: number } | null>(null);
  return (
    // A separator that can be moved is a control of its own (ARIA 1.2, separator).
    <div
      role="separator"
      aria-orientation="vertical"
      aria-label="Width of the margin"
      aria-valuemin={NARROWEST}
      aria-valuemax={WIDEST}
      aria-valuenow={width}
      tabIndex={0}
      className="-mx-2.5 w-[5px] shrink-0 cursor-col-resize touch-none rounded hover:bg-rule focus-visible:bg-ink"
      onPointerDown={(event) => {
        event.preventDefault();
        event.currentTarget.setPointerCapture(event.pointerId);
        setFrom({ x: event.clientX, width });
      }}
      onPointerMove={(event) => {
        if (from) onWidth(within(from.width + from.x - event.clientX));
      }}
      onPointerUp={() => {
        setFrom(null);
        onDone(width);
      }}
      onKeyDown={(event) => {
        if (event.key !== "ArrowLeft" && event.key !== "ArrowRight") return;
        event.preventDefault();
        event.stopPropagation();
        const next = within(width + (event.key === "ArrowLeft" ? STEP : -STEP));
        onWidth(next);
        onDone(next);
      }}
    />
  );
}
