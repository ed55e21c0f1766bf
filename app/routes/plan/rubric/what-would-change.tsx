import type { rubricEffects } from "#core/changes";
import { pointsText } from "#core/kernel";
import { rosterName, type CourseState } from "#core/model";
import { counted } from "#core/words";
import { inMark } from "../../../ui/words/figures";

/** What a changed rubric would do to the papers judged by it, before it is applied. */
export function WhatWouldChange({
  state,
  judged,
  effects,
  valid,
  onBack,
  onApply,
}: {
  readonly state: CourseState;
  /** Papers that are judged by it. */
  readonly judged: number;
  readonly effects: ReturnType<typeof rubricEffects>;
  readonly valid: boolean;
  readonly onBack: () => void;
  readonly onApply: () => void;
}) {
  return (
    <section
      aria-label="What would change"
      className="fixed inset-x-0 bottom-0 z-20 border-t-2 border-ink bg-sheet px-[30px] py-3 print:hidden"
    >
      <div className="mx-auto flex max-w-[1180px] items-center gap-6">
        <div className="min-w-0 flex-1 text-[14.5px]" aria-live="polite">
          <strong>
            {counted(judged, "paper is", "papers are")} judged by it.{" "}
            {effects.length === 0 ? "No score would change." : `${counted(effects.length, "score")} would change.`}
          </strong>
          <p className="figures truncate text-[13.5px] text-soft">
            {effects
              .slice(0, SHOWN)
              .map(({ studentId, before, after }) => {
                const student = state.students[studentId];
                const text = (value: typeof before) => (value ? inMark(pointsText(value)) : "open");
                return `${student ? rosterName(state, student) : ""} ${text(before)} → ${text(after)}`;
              })
              .join(" · ")}
          </p>
        </div>
        <button type="button" className="act act-quiet" onClick={onBack}>
          Put it back
        </button>
        <button type="button" className="act act-first" disabled={!valid} onClick={onApply}>
          Change the rubric
        </button>
      </div>
    </section>
  );
}

/** Papers named in the list of what changes. */
const SHOWN = 6;
