import { useRef, type KeyboardEvent, type PointerEvent } from "react";
import { pointsText, ratio, type Decimal } from "#core/kernel";
import type { Band } from "#core/model";
import { inMark } from "../../../ui/words/figures";

interface BoundScaleProps {
  /** From the highest to the lowest. */
  readonly bands: readonly Band[];
  /** Totals in percent. */
  readonly totals: ReadonlyMap<string, number>;
  readonly onMove: (letter: string, from: Decimal) => void;
}

/** Steps of a bound in percentage points: dragged, by arrow, and by arrow with Shift. */
const [DRAGGED, STEP, FINE] = [0.5, 0.5, 0.1] as const;
/** The least that lies between two bounds, in percentage points. */
const APART = 0.1;

/** The scale from 0 to 100 %: every dot a student, every line a bound that can be dragged or moved by the arrows. */
export function BoundScale({ bands, totals, onMove }: BoundScaleProps) {
  const scale = useRef<HTMLDivElement>(null);
  const values = [...totals.values()];
  const lowest = Math.max(0, Math.min(40, Math.floor((Math.min(...values) - 4) / 10) * 10));
  const highest = Math.max(100, ...values);
  const at = (percent: number) => `${String((100 * (percent - lowest)) / (highest - lowest))}%`;
  const movable = bands.filter(({ from }) => Number(from) > 0);
  const place = (letter: string, wanted: number) => {
    const index = bands.findIndex((band) => band.letter === letter);
    const above = index > 0 ? Number(bands[index - 1]?.from ?? 100) - APART : 100;
    const below = Number(bands[index + 1]?.from ?? 0) + APART;
    const tenths = Math.round(Math.min(above, Math.max(below, wanted)) * 10);
    onMove(letter, pointsText(ratio(BigInt(tenths), 10n)));
  };
  const drag = (letter: string) => (event: PointerEvent<HTMLElement>) => {
    const frame = scale.current?.getBoundingClientRect();
    if (!frame || !event.currentTarget.hasPointerCapture(event.pointerId)) return;
    const percent = lowest + ((event.clientX - frame.left) / frame.width) * (highest - lowest);
    place(letter, Math.round(percent / DRAGGED) * DRAGGED);
  };
  const byKey = (band: Band) => (event: KeyboardEvent<HTMLElement>) => {
    const direction = event.key === "ArrowLeft" ? -1 : event.key === "ArrowRight" ? 1 : 0;
    if (direction === 0) return;
    event.preventDefault();
    place(band.letter, Number(band.from) + direction * (event.shiftKey ? FINE : STEP));
  };
  return (
    <div className="relative mt-8 h-[86px]">
      <div ref={scale} className="absolute inset-x-0 top-0 h-[60px] border-b border-soft">
        {values.map((percent, index) => (
          <span
            key={index}
            aria-hidden="true"
            className="absolute bottom-1.5 size-[9px] -translate-x-1/2 rounded-full border border-green bg-green-mid"
            style={{ left: at(percent), bottom: `${String(6 + (index % 3) * 9)}px` }}
          />
        ))}
        {movable.map((band) => (
          <span
            key={band.letter}
            role="slider"
            tabIndex={0}
            aria-label={`Lower bound of ${band.letter}`}
            aria-valuenow={Number(band.from)}
            aria-valuemin={0}
            aria-valuemax={100}
            aria-valuetext={`${inMark(band.from)} percent`}
            className="absolute -top-6 bottom-0 w-14 -translate-x-1/2 cursor-ew-resize touch-none"
            style={{ left: at(Number(band.from)) }}
            onPointerDown={(event) => {
              event.currentTarget.setPointerCapture(event.pointerId);
            }}
            onPointerMove={drag(band.letter)}
            onKeyDown={byKey(band)}
          >
            <span aria-hidden="true" className="absolute top-6 bottom-0 left-1/2 w-0.5 -translate-x-1/2 bg-ink" />
            <span
              aria-hidden="true"
              className="figures absolute top-0 left-1/2 -translate-x-1/2 text-[13px] whitespace-nowrap"
            >
              <strong>{band.letter}</strong> {band.from}
            </span>
          </span>
        ))}
      </div>
      <div aria-hidden="true" className="figures absolute inset-x-0 bottom-0 text-[12px] text-soft">
        {ticks(lowest, highest).map((percent) => (
          <span key={percent} className="absolute bottom-0 -translate-x-1/2" style={{ left: at(percent) }}>
            {percent}
          </span>
        ))}
      </div>
    </div>
  );
}

/** Every tenth from the lowest to the highest. */
const ticks = (lowest: number, highest: number): number[] =>
  Array.from({ length: Math.floor((highest - lowest) / 10) + 1 }, (_, at) => lowest + at * 10);
