import type { StudentId } from "#core/kernel";
import { rosterName, type CourseState } from "#core/model";
import type { ChangedTotal } from "#core/totals";
import { counted } from "#core/words";
import { AsYouLeftIt } from "../../../ui/fields/as-you-left-it";

interface WhatWouldChangeProps {
  readonly state: CourseState;
  /** Totals that would change, of those looked at so far. */
  readonly found: readonly ChangedTotal[];
  readonly done: number;
  readonly of: number;
  /** The rules stand as they were left at another showing. */
  readonly isLeft: boolean;
  readonly trouble: string | null;
  readonly onBack: () => void;
  readonly onApply: () => void;
}

/** What other rules would do to totals, before they are applied. */
export function WhatWouldChange({ state, found, done, of, isLeft, trouble, onBack, onApply }: WhatWouldChangeProps) {
  const nameOf = (id: StudentId) => {
    const student = state.students[id];
    return student ? rosterName(state, student) : "";
  };
  return (
    <section
      aria-label="What would change"
      className="fixed inset-x-0 bottom-0 z-20 border-t-2 border-ink bg-sheet px-[30px] py-3"
    >
      <div className="mx-auto flex max-w-[1020px] items-center gap-6">
        <div className="min-w-0 flex-1 text-[14.5px]" aria-live="polite">
          <strong>
            {done < of
              ? `Looking at ${String(done)} of ${counted(of, "total")} …`
              : found.length === 0
                ? "No existing total would change."
                : `${String(found.length)} of ${counted(of, "total")} would change.`}
          </strong>
          <p className="figures truncate text-[13.5px] text-soft">
            {found
              .slice(0, SHOWN)
              .map((one) => totalWords(nameOf(one.studentId), one))
              .join(" · ")}
          </p>
          {isLeft && <AsYouLeftIt />}
          {trouble && (
            <p role="alert" className="text-[13.5px] text-wax">
              {trouble}
            </p>
          )}
        </div>
        <button type="button" className="act act-quiet" onClick={onBack}>
          Put them back
        </button>
        <button type="button" className="act act-first" onClick={onApply}>
          Apply the rules
        </button>
      </div>
    </section>
  );
}

/** Students named in the list of changed totals. */
const SHOWN = 8;

function totalWords(name: string, { before, after, letterBefore, letterAfter }: ChangedTotal): string {
  const letters = letterBefore === letterAfter ? "" : ` (${letterBefore ?? "none"} → ${letterAfter ?? "none"})`;
  return `${name} ${before ?? "–"} → ${after ?? "–"}${letters}`;
}
