import { useLayoutEffect, useRef, useState } from "react";
import type { ChangeResult } from "#core/changes";
import { levelAt } from "#core/scoring";
import { useChange } from "../../../course/use-change";
import { PointsField } from "../../../ui/fields/points-field";
import { InlineField } from "../../../ui/fields/inline-field";
import { troubleOf } from "../../../ui/hooks/use-command";
import { Ruler } from "../../../ui/parts/ruler";
import type { SecondRow, SecondRows } from "./second-rows";
import { inMark } from "../../../ui/words/figures";

/** The rulers of a second marker, or one field where there is no rubric. */
export function SecondCriteria({
  rows,
  marked,
  onMark,
}: {
  readonly rows: SecondRows;
  readonly marked: number;
  readonly onMark: (place: number) => void;
}) {
  const change = useChange();
  const { assignmentId, studentId } = rows;
  if (rows.criteria.length === 0) {
    return (
      <InlineField
        className="w-48 px-4"
        place={`second-score/${assignmentId}/${studentId}`}
        label={`Score out of ${inMark(rows.maximum)}`}
        inputMode="decimal"
        value={rows.score ?? ""}
        onKeep={async (text, again) =>
          troubleOf(await change({ type: "scoreSecond", assignmentId, studentId, text, confirmed: again }))
        }
      />
    );
  }
  return (
    <>
      {rows.criteria.map((row, at) => (
        <CriterionOfSecond
          key={row.criterion.id}
          paper={`${assignmentId}/${studentId}`}
          row={row}
          isMarked={at === marked}
          onMark={() => {
            onMark(at);
          }}
          onPoints={(text, confirmed) =>
            change({
              type: "judgeSecond",
              assignmentId,
              studentId,
              criterionId: row.criterion.id,
              verdict: { kind: "points", text },
              confirmed,
            })
          }
        />
      ))}
    </>
  );
}

function CriterionOfSecond({
  paper,
  row,
  isMarked,
  onMark,
  onPoints,
}: {
  readonly paper: string;
  readonly row: SecondRow;
  readonly isMarked: boolean;
  readonly onMark: () => void;
  readonly onPoints: (text: string, confirmed: boolean) => Promise<ChangeResult>;
}) {
  const { criterion, colour, points, notApplicable, maximum } = row;
  const [isTyping, setIsTyping] = useState(false);
  const [pointed, setPointed] = useState<string | null>(null);
  const slider = useRef<HTMLDivElement | null>(null);
  // Before the page is painted: later, the focus would take the mark back from the key that came in between.
  useLayoutEffect(() => {
    if (isMarked) slider.current?.focus();
  }, [isMarked]);
  const level = points === null ? null : levelAt(criterion, points);
  const described = criterion.levels.find(({ id }) => id === pointed) ?? level;
  return (
    <section
      aria-label={criterion.name}
      className={`border-t border-rule px-4 py-2.5 ${isMarked ? "bg-sheet shadow-[inset_3px_0_0_var(--ink)]" : ""}`}
    >
      <div className="flex items-baseline gap-2">
        <span aria-hidden="true" className="size-2.5 shrink-0 rounded-[3px]" style={{ background: colour }} />
        <h2 className="text-[15px] leading-tight font-semibold">{criterion.name}</h2>
        <span className="figures ms-auto text-[15px]">
          {isTyping ? (
            <PointsField
              place={`second-points/${paper}/${criterion.id}`}
              label={`Points for ${criterion.name}`}
              value={points ?? ""}
              onKeep={onPoints}
              onDone={() => {
                setIsTyping(false);
              }}
            />
          ) : (
            <button
              type="button"
              className="rounded px-1 hover:bg-table"
              aria-label={`Type points for ${criterion.name}`}
              onClick={() => {
                setIsTyping(true);
              }}
            >
              <strong>{notApplicable ? "n/a" : (points ?? "–")}</strong> <span className="text-soft">/ {maximum}</span>
            </button>
          )}
        </span>
      </div>
      <Ruler
        criterion={criterion}
        points={points}
        notApplicable={notApplicable}
        others={NO_OTHERS}
        onPoints={(dragged) => void onPoints(dragged, true)}
        onPointing={setPointed}
        onKeyDown={() => undefined}
        onFocus={onMark}
        sliderRef={(element) => {
          slider.current = element;
        }}
      />
      {described && <p className="mt-1 text-[13.5px] text-soft">{described.descriptor}</p>}
    </section>
  );
}

/** A second marker does not see where the rest of the class lies. */
const NO_OTHERS: readonly number[] = [];
