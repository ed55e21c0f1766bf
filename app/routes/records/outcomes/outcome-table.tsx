import { useMemo } from "react";
import { Link } from "react-router";
import type { OutcomeReport } from "#core/formats";
import { rosterName, type CourseState } from "#core/model";
import { deskAddress, studentAddress } from "../../../ui/address";
import type { RecordColumn } from "../../../ui/table/column";
import { RecordTable } from "../../../ui/table/record-table";

interface OutcomeTableProps {
  readonly slot: string;
  readonly state: CourseState;
  readonly report: OutcomeReport;
}

type Line = OutcomeReport["students"][number];

/** Students by the work that judges the outcome, with the newest and the highest level of each. */
export function OutcomeTable({ slot, state, report }: OutcomeTableProps) {
  const records = useMemo(() => report.students.filter(({ studentId }) => state.students[studentId]), [report, state]);
  const columns = useMemo(() => columnsOf({ slot, state, report }), [slot, state, report]);
  return (
    <div className="mt-6 overflow-x-auto">
      <RecordTable
        label={`${report.name}, student by student`}
        records={records}
        columns={columns}
        keyOf={({ studentId }) => studentId}
      />
    </div>
  );
}

function columnsOf({ slot, state, report }: OutcomeTableProps): readonly RecordColumn<Line>[] {
  const nameOf = ({ studentId }: Line) => {
    const student = state.students[studentId];
    return student ? rosterName(state, student) : "";
  };
  return [
    {
      id: "student",
      head: "Student",
      by: nameOf,
      cell: (line) => (
        <Link className="hover:underline" to={studentAddress(slot, line.studentId)}>
          {nameOf(line)}
        </Link>
      ),
    },
    { id: "newest", head: "Newest", cell: ({ latest }) => latest?.name ?? "–", className: "font-semibold" },
    { id: "highest", head: "Highest", cell: ({ highest }) => highest?.name ?? "–" },
    ...report.work.map(({ id, name, shortName }, place): RecordColumn<Line> => ({
      id,
      head: shortName,
      cell: ({ studentId, given }) => (
        <Link
          className={given[place] ? "hover:underline" : "text-soft hover:underline"}
          aria-label={`${name}: ${given[place]?.name ?? "open"}`}
          to={deskAddress(slot, id, studentId)}
        >
          {given[place]?.name ?? "·"}
        </Link>
      ),
    })),
  ];
}
