import { useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import { fromDecimal, toNumber, type Decimal } from "#core/kernel";
import type { Criterion } from "#core/model";
import { levelAt, pointsAtShare, rulerEnds } from "#core/scoring";
import { inMark } from "../words/figures";

interface RulerProps {
  readonly criterion: Criterion;
  readonly points: Decimal | null;
  readonly notApplicable: boolean;
  /** Places of other papers from 0 to 1. */
  readonly others: readonly number[];
  readonly onPoints: (points: Decimal) => void;
  readonly onPointing: (levelId: string | null) => void;
  readonly onKeyDown: (event: KeyboardEvent) => void;
  readonly onFocus: () => void;
  readonly sliderRef: (element: HTMLDivElement | null) => void;
}

const number = (points: Decimal) => toNumber(fromDecimal(points));

/**
 * The point scale of a criterion with its levels as segments. The nib marks the score, dots the rest of the class.
 * Dragging moves the nib over allowed points only; the score is sent when it is let go.
 */
export function Ruler({
  criterion,
  points,
  notApplicable,
  others,
  onPoints,
  onPointing,
  onKeyDown,
  onFocus,
  sliderRef,
}: RulerProps) {
  const scale = useRef<HTMLDivElement>(null);
  const [dragged, setDragged] = useState<Decimal | null>(null);
  const { minimum, maximum } = rulerEnds(criterion);
  const top = number(maximum) || 1;
  const shown = dragged ?? points;
  const level = shown === null ? null : levelAt(criterion, shown);

  const pointsUnder = (event: PointerEvent): Decimal => {
    const box = scale.current?.getBoundingClientRect();
    return pointsAtShare(criterion, box ? (event.clientX - box.left) / box.width : 0);
  };
  const end = () => {
    if (dragged !== null && dragged !== points) onPoints(dragged);
    setDragged(null);
  };

  return (
    <div
      ref={sliderRef}
      role="slider"
      tabIndex={0}
      aria-label={criterion.name}
      aria-valuemin={number(minimum)}
      aria-valuemax={number(maximum)}
      aria-valuenow={shown === null ? number(minimum) : number(shown)}
      aria-valuetext={
        notApplicable
          ? "does not apply"
          : shown === null
            ? "open"
            : `${inMark(shown)} points${level ? `, ${level.name}` : ""}`
      }
      className="touch-none pt-0.5 select-none"
      onKeyDown={onKeyDown}
      onFocus={onFocus}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        setDragged(pointsUnder(event));
      }}
      onPointerMove={(event) => {
        if (dragged !== null) setDragged(pointsUnder(event));
        else onPointing(levelAt(criterion, pointsUnder(event))?.id ?? null);
      }}
      onPointerUp={end}
      onPointerCancel={() => {
        setDragged(null);
      }}
      onPointerLeave={() => {
        onPointing(null);
      }}
    >
      <Dots others={others} nib={shown === null || notApplicable ? null : number(shown) / top} />
      <div ref={scale} className={`relative flex h-4 pointer-coarse:h-10 ${notApplicable ? "opacity-45" : ""}`}>
        {criterion.levels.map((item, index) => {
          const from = index === 0 ? 0 : number(criterion.levels[index - 1]?.max ?? item.min);
          const chosen = item.id === level?.id && !notApplicable;
          return (
            <span
              key={item.id}
              data-hint={`${item.name}, ${inMark(`${item.min} to ${item.max}`)}`}
              className={`overflow-hidden border px-1.5 text-[12px] leading-[14px] whitespace-nowrap pointer-coarse:leading-[38px] ${chosen ? "z-10 border-green bg-green-wash font-semibold text-ink" : "border-rule bg-sheet text-soft"}`}
              style={{ width: `${String(Math.max(6, ((number(item.max) - from) / top) * 100))}%`, flexShrink: 1 }}
            >
              {item.name}
            </span>
          );
        })}
      </div>
    </div>
  );
}

/** Dots that fall on the same place stand on each other, three high at most. */
function Dots({ others, nib }: { readonly others: readonly number[]; readonly nib: number | null }) {
  const stacks = new Map<number, number>();
  for (const share of others) {
    const place = Math.round(share * 60) / 60;
    stacks.set(place, (stacks.get(place) ?? 0) + 1);
  }
  return (
    <div aria-hidden="true" className="relative mx-px h-[13px]">
      {[...stacks].flatMap(([share, count]) =>
        Array.from({ length: Math.min(count, 3) }, (_, height) => (
          <span
            key={`${String(share)}-${String(height)}`}
            className="absolute size-1 -translate-x-1/2 rounded-full bg-[#b9ad93]"
            style={{ left: `${String(share * 100)}%`, bottom: `${String(1 + height * 4.5)}px` }}
          />
        )),
      )}
      {nib !== null && (
        <svg
          viewBox="0 0 12 10"
          className="absolute -bottom-px z-20 h-[10px] w-3 -translate-x-1/2 fill-ink"
          style={{ left: `${String(nib * 100)}%` }}
        >
          <path d="M0 0h12L6 10z" />
        </svg>
      )}
    </div>
  );
}
