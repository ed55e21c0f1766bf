import { useMemo } from "react";
import { rosterName, type CourseState } from "#core/model";
import type { ScaledPaper, ScalingPreview } from "#core/statistics";
import type { RecordColumn } from "../../../ui/table/column";
import { RecordTable } from "../../../ui/table/record-table";
import { short } from "../figure-words";

interface Row extends ScaledPaper {
  readonly name: string;
}

const COLUMNS: readonly RecordColumn<Row>[] = [
  { id: "name", head: "Student", by: ({ name }) => name, cell: ({ name }) => name },
  { id: "before", head: "Before", figures: true, by: ({ before }) => before, cell: ({ before }) => short(before, 2) },
  { id: "after", head: "After", figures: true, by: ({ after }) => after, cell: ({ after }) => short(after, 2) },
  {
    id: "change",
    head: "Change",
    figures: true,
    by: ({ before, after }) => after - before,
    cell: ({ before, after }) => `${after >= before ? "+" : "−"}${short(Math.abs(after - before), 2)}`,
  },
];

/** Every score before and after. */
export function ScalingTable({ state, preview }: { readonly state: CourseState; readonly preview: ScalingPreview }) {
  const rows = useMemo(
    () =>
      preview.papers.map((paper): Row => {
        const student = state.students[paper.studentId];
        return { ...paper, name: student ? rosterName(state, student) : "" };
      }),
    [state, preview],
  );
  return (
    <RecordTable
      className="mt-2 max-w-[560px]"
      label="Scores before and after"
      records={rows}
      columns={COLUMNS}
      keyOf={({ studentId }) => studentId}
    />
  );
}
