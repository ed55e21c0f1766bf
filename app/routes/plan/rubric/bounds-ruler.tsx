import { useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import { add, decimal, fromDecimal, pointsText, subtract, toNumber, type Decimal } from "#core/kernel";
import type { Criterion } from "#core/model";
import { inMark } from "../../../ui/words/figures";

interface BoundsRulerProps {
  readonly criterion: Criterion;
  /** Moves the upper bound of a level; it comes to rest on a step. */
  readonly onBound: (level: number, points: Decimal) => void;
}

const number = (points: Decimal) => toNumber(fromDecimal(points));
/** Room right of the highest level, as a share of the scale, so that its top can be dragged further. */
const ROOM = 1.12;

/** The ruler as an editor: each bound between two levels is a handle that is dragged, or moved by the arrows. */
export function BoundsRuler({ criterion, onBound }: BoundsRulerProps) {
  const scale = useRef<HTMLDivElement>(null);
  const [dragged, setDragged] = useState<number | null>(null);
  // While a bound is dragged the scale keeps its length, so that the handle stays under the pointer.
  const [held, setHeld] = useState<number | null>(null);
  const { levels } = criterion;
  const highest = Math.max(0.5, ...levels.map(({ max }) => number(max)));
  const length = held ?? highest * ROOM;
  const share = (points: number) => `${String(Math.max(0, Math.min(100, (points / length) * 100)))}%`;

  const pointsUnder = (event: PointerEvent): Decimal => {
    const box = scale.current?.getBoundingClientRect();
    const points = box ? ((event.clientX - box.left) / box.width) * length : 0;
    return decimal(Math.max(0, points).toFixed(2));
  };
  const onKeyDown = (index: number) => (event: KeyboardEvent) => {
    const level = levels[index];
    const step = fromDecimal(criterion.step);
    if (!level || (event.key !== "ArrowLeft" && event.key !== "ArrowRight")) return;
    event.preventDefault();
    const from = fromDecimal(level.max);
    onBound(index, pointsText(event.key === "ArrowRight" ? add(from, step) : subtract(from, step)));
  };

  return (
    <div ref={scale} className="relative mt-2 h-7 touch-none border-b border-rule print:hidden">
      {levels.map((level, index) => {
        const from = index === 0 ? number(level.min) : number(levels[index - 1]?.max ?? level.min);
        return (
          <span
            key={level.id}
            className="absolute top-1 h-5 overflow-hidden border border-rule bg-sheet px-1.5 text-[12.5px] leading-[18px] whitespace-nowrap"
            style={{ left: share(from), width: `calc(${share(number(level.max))} - ${share(from)})` }}
          >
            {level.name}
          </span>
        );
      })}
      {levels.map((level, index) => (
        <span
          key={level.id}
          role="slider"
          tabIndex={0}
          aria-label={`Upper bound of ${level.name}, ${criterion.name}`}
          aria-valuemin={number(level.min)}
          aria-valuemax={number(levels[index + 1]?.max ?? level.max)}
          aria-valuenow={number(level.max)}
          aria-valuetext={`${inMark(level.max)} points`}
          data-hint={`${level.name} ends at ${inMark(level.max)}`}
          className={`absolute top-0 z-10 h-7 w-3 -translate-x-1/2 cursor-ew-resize after:absolute after:inset-y-0 after:left-[5px] after:w-[3px] after:rounded ${dragged === index ? "after:bg-green" : "after:bg-ink"}`}
          style={{ left: share(number(level.max)) }}
          onKeyDown={onKeyDown(index)}
          onPointerDown={(event) => {
            event.currentTarget.setPointerCapture(event.pointerId);
            setDragged(index);
            setHeld(length);
          }}
          onPointerMove={(event) => {
            if (dragged === index) onBound(index, pointsUnder(event));
          }}
          onPointerUp={() => {
            setDragged(null);
            setHeld(null);
          }}
          onPointerCancel={() => {
            setDragged(null);
            setHeld(null);
          }}
        />
      ))}
      {dragged !== null && (
        <span
          className="figures absolute -top-6 z-20 -translate-x-1/2 rounded bg-tip px-1.5 text-[13px] text-on-tip"
          style={{ left: share(number(levels[dragged]?.max ?? decimal("0"))) }}
        >
          {levels[dragged]?.max}
        </span>
      )}
    </div>
  );
}
