import { useMemo } from "react";
import { Link } from "react-router";
import type { SpreadGroup } from "#core/statistics";
import { deskAddress } from "../../../ui/address";
import type { RecordColumn } from "../../../ui/table/column";
import { RecordTable } from "../../../ui/table/record-table";
import { short, told } from "../figure-words";

interface GroupRow {
  readonly name: string;
  readonly group: SpreadGroup;
}
interface PaperRow {
  readonly id: string;
  readonly name: string;
  readonly points: number;
}

const figureOf = (
  head: string,
  of: (described: Extract<SpreadGroup["described"], { ok: true }>["value"]) => number,
): RecordColumn<GroupRow> => ({
  id: head,
  head,
  figures: true,
  by: ({ group }) => (group.described.ok ? of(group.described.value) : null),
  cell: ({ group }) => (group.described.ok ? short(of(group.described.value), 2) : "–"),
});

const GROUP_COLUMNS: readonly RecordColumn<GroupRow>[] = [
  { id: "name", head: "Papers of", by: ({ name }) => name, cell: ({ name }) => name },
  figureOf("papers", ({ count }) => count),
  figureOf("mean", ({ mean }) => mean),
  figureOf("median", ({ median }) => median),
  {
    id: "SD",
    head: "SD",
    figures: true,
    by: ({ group }) =>
      group.described.ok && group.described.value.deviation.ok ? group.described.value.deviation.value : null,
    cell: ({ group }) => (group.described.ok ? told(group.described.value.deviation, 2) : "–"),
  },
  figureOf("lowest", ({ lowest }) => lowest),
  figureOf("quarter", ({ lowerQuartile }) => lowerQuartile),
  figureOf("three quarters", ({ upperQuartile }) => upperQuartile),
  figureOf("highest", ({ highest }) => highest),
];

/** The figures of the spread: each group of papers, and every paper with its score. */
export function SpreadTable({
  slot,
  assignmentId,
  rows,
  nameOf,
}: {
  readonly slot: string;
  readonly assignmentId: string;
  readonly rows: readonly GroupRow[];
  readonly nameOf: (studentId: string) => string;
}) {
  const papers = useMemo(
    () =>
      (rows[0]?.group.papers ?? []).map(({ studentId, points }): PaperRow => ({
        id: studentId,
        name: nameOf(studentId),
        points,
      })),
    [rows, nameOf],
  );
  const columns = useMemo(
    (): readonly RecordColumn<PaperRow>[] => [
      {
        id: "name",
        head: "Student",
        by: ({ name }) => name,
        cell: ({ id, name }) => (
          <Link className="link" to={deskAddress(slot, assignmentId, id)}>
            {name}
          </Link>
        ),
      },
      {
        id: "points",
        head: "Points",
        figures: true,
        by: ({ points }) => points,
        cell: ({ points }) => short(points, 2),
      },
    ],
    [slot, assignmentId],
  );
  return (
    <div className="mt-2 grid gap-6">
      <RecordTable
        label="Groups of papers"
        records={rows}
        columns={GROUP_COLUMNS}
        keyOf={({ name, group }) => `${group.kind} ${name}`}
      />
      <RecordTable
        className="max-w-[420px]"
        label="Papers and scores"
        records={papers}
        columns={columns}
        keyOf={({ id }) => id}
      />
    </div>
  );
}
