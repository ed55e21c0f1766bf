import { Link } from "react-router";
import type { CourseState } from "#core/model";
import { counted } from "#core/words";
import { Controls } from "./controls";
import { boundsOf, isSingle, type Selection } from "./grid/selection";
import type { GradeTable } from "./rows";
import type { Looking } from "./use-view";

interface HeadProps {
  readonly slot: string;
  readonly state: CourseState;
  readonly table: GradeTable;
  readonly looking: Looking;
  readonly selection: Selection;
}

/** What stands over the grid: what is shown, how much of it, and what its totals leave out. */
export function GradebookHead({ slot, state, table, looking, selection }: HeadProps) {
  const { chosen, find, setFind, set, hidden, setHidden } = looking;
  const { top, bottom } = boundsOf(selection);
  return (
    <>
      <Controls
        find={find}
        onFind={setFind}
        sections={state.sections}
        terms={state.terms}
        categories={state.categories}
        chosen={chosen}
        onChoose={set}
      >
        <span className="figures text-soft">
          {table.students.length === table.total
            ? counted(table.total, "student")
            : `${String(table.students.length)} of ${String(table.total)}`}
        </span>
        {hidden.size > 0 && (
          <button
            type="button"
            className="link"
            onClick={() => {
              setHidden(new Set());
            }}
          >
            Show {counted(hidden.size, "hidden column")}
          </button>
        )}
        <span className="ms-auto text-[13px] text-soft">
          {isSingle(selection)
            ? "18 l2 late · 18: comment · m missing · x excused · Space: its story"
            : `${counted(bottom - top + 1, "row")} selected`}
        </span>
      </Controls>
      {table.weightless.length > 0 && (
        <p className="mt-1 text-[14px] text-ochre">
          Totals leave out {table.weightless.join(", ")}: no weight.{" "}
          <Link className="link" to={`/courses/${slot}/plan`}>
            Give it one under Plan
          </Link>
        </p>
      )}
    </>
  );
}

/** What to do in a course with nothing to enter yet. */
export function NothingToEnter({ slot }: { readonly slot: string }) {
  return (
    <p className="mt-8 text-soft">
      There is nothing to enter yet. Begin with students and an assignment under{" "}
      <Link className="link" to={`/courses/${slot}/plan`}>
        Plan
      </Link>
      .
    </p>
  );
}
