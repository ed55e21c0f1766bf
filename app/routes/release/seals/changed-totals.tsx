import { useMemo } from "react";
import type { Command } from "#core/changes";
import type { Student } from "#core/model";
import { counted } from "#core/words";
import { useLatest } from "../../../ui/hooks/use-latest";
import type { RecordColumn } from "../../../ui/table/column";
import { RecordTable } from "../../../ui/table/record-table";
import type { TotalRow } from "../rows";

type Changed = TotalRow["changed"][number];

/** Totals that are not any more what students were given, to go out again one by one or together. */
export function ChangedTotals({
  total: { changed },
  send,
}: {
  readonly total: TotalRow;
  readonly send: (command: Command, words: string) => Promise<string | null>;
}) {
  const release = useLatest((students: readonly Student[], to: string) => {
    void send({ type: "releaseTotals", studentIds: students.map(({ id }) => id) }, `Released again to ${to}.`);
  });
  const columns = useMemo(() => columnsOf(release), [release]);
  if (changed.length === 0) return null;
  return (
    <section aria-label="Changed since it was given" className="mt-2">
      <div className="flex items-center justify-between">
        <h3 className="font-semibold">Changed since it was given</h3>
        <button
          type="button"
          className="act"
          onClick={() => {
            release(
              changed.map(({ student }) => student),
              counted(changed.length, "student"),
            );
          }}
        >
          Release {counted(changed.length, "total")} again
        </button>
      </div>
      <RecordTable
        className="mt-1"
        label="Totals changed since they were given"
        records={changed}
        columns={columns}
        keyOf={({ student }) => student.id}
      />
    </section>
  );
}

const columnsOf = (release: (students: readonly Student[], to: string) => void): readonly RecordColumn<Changed>[] => [
  { id: "student", head: "Student", by: ({ studentName }) => studentName, cell: ({ studentName }) => studentName },
  { id: "old", head: "They see", cell: ({ old }) => old ?? "nothing", className: "figures text-soft" },
  { id: "present", head: "You have", cell: ({ present }) => present ?? "nothing", className: "figures font-semibold" },
  {
    id: "release",
    head: "Action",
    quiet: true,
    className: "text-right",
    cell: ({ student }) => (
      <button
        type="button"
        className="link"
        onClick={() => {
          release([student], student.givenName);
        }}
      >
        Release<span className="sr-only"> to {student.givenName}</span>
      </button>
    ),
  },
];
