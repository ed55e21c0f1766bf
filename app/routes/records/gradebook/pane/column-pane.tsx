import { Link } from "react-router";
import type { AssignmentId } from "#core/kernel";
import type { CourseState } from "#core/model";
import { inAddress } from "../../../../ui/address";
import { columnSummary } from "./column-summary";
import { Pane } from "./pane";
import type { GradeTable } from "../rows";
import { inMark } from "../../../../ui/words/figures";

/** One assignment over the students shown: how many stand where, mean and spread, and a strip of the scores. */
export function ColumnPane({
  slot,
  state,
  table,
  assignmentId,
  onClose,
  onBack,
}: {
  readonly slot: string;
  readonly state: CourseState;
  readonly table: GradeTable;
  readonly assignmentId: AssignmentId;
  readonly onClose: () => void;
  readonly onBack: () => void;
}) {
  const assignment = state.assignments[assignmentId];
  if (!assignment) return null;
  const { counts, figures, bars } = columnSummary(
    state,
    assignment,
    table.students.map(({ studentId }) => studentId),
  );
  const most = Math.max(1, ...bars.map(({ count }) => count));
  return (
    <Pane
      label="This assignment"
      title={assignment.name}
      subtitle={`${String(table.students.length)} students shown`}
      onClose={onClose}
      onBack={onBack}
    >
      <p className="mt-1 flex gap-4 text-[13.5px]">
        <Link className="link" to={`/courses/${slot}/plan/assignments/${inAddress(assignmentId)}`}>
          Open its plan
        </Link>
        <Link className="link" to={`/courses/${slot}/pile/${inAddress(assignmentId)}`}>
          From the pile
        </Link>
      </p>
      {bars.length > 0 && (
        <div
          role="img"
          aria-label={`Scores: ${bars.map(({ from, to, count }) => `${inMark(`${from} to ${to}`)}: ${String(count)}`).join(", ")}`}
          className="mt-4 flex h-20 items-end gap-0.5 border-b border-ink"
        >
          {bars.map(({ from, to, count }) => (
            <span
              key={from}
              data-hint={`${inMark(`${from} to ${to}`)}: ${String(count)}`}
              className="flex-1 bg-green-mid"
              style={{ height: `${String((count / most) * 100)}%` }}
            />
          ))}
        </div>
      )}
      {bars.length > 0 && (
        <p className="figures flex justify-between text-[12.5px] text-soft">
          <span>{bars[0]?.from}</span>
          <span>{bars.at(-1)?.to}</span>
        </p>
      )}
      <List title="Scores" rows={figures} />
      <List title="Students" rows={counts} />
    </Pane>
  );
}

function List({ title, rows }: { readonly title: string; readonly rows: readonly (readonly [string, string])[] }) {
  return (
    <>
      <h3 className="mt-4 border-t-2 border-ink pt-1.5 text-sm font-semibold">{title}</h3>
      <dl className="mt-1 text-[14px]">
        {rows.map(([name, value]) => (
          <div key={name} className="flex justify-between border-b border-rule py-0.5">
            <dt className="text-soft">{name}</dt>
            <dd className="figures">{value}</dd>
          </div>
        ))}
      </dl>
    </>
  );
}
