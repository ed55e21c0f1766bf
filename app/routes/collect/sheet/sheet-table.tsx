import { useMemo, useState } from "react";
import { Tick } from "../../../ui/fields/tick";
import type { RecordColumn } from "../../../ui/table/column";
import { RecordTable } from "../../../ui/table/record-table";
import type { SheetLine } from "./rows";

const LOOK: Readonly<Record<SheetLine["what"], string>> = {
  new: "text-green",
  changed: "text-green",
  same: "text-soft",
  asks: "text-ochre",
  refused: "text-wax",
  "changed here": "text-plum",
  nobody: "text-ochre",
};

/** What a sheet would do, line by line; what stays the same is shown when asked for. */
export function SheetTable({
  lines,
  theirs,
  onTheirs,
}: {
  readonly lines: readonly SheetLine[];
  /** Of what changed here too, those for which the sheet's value is taken. */
  readonly theirs: ReadonlySet<string>;
  readonly onTheirs: (theirs: ReadonlySet<string>) => void;
}) {
  const [all, setAll] = useState(false);
  const same = lines.filter(({ what }) => what === "same").length;
  const shown = useMemo(() => (all ? lines : lines.filter(({ what }) => what !== "same")), [all, lines]);
  const columns = useMemo(() => columnsOf(theirs, onTheirs), [theirs, onTheirs]);
  return (
    <>
      {same > 0 && (
        <Tick checked={all} onChange={setAll}>
          Show what stays the same ({same})
        </Tick>
      )}
      {shown.length > 0 && (
        <RecordTable
          className="mt-2"
          label="What the sheet would do"
          records={shown}
          columns={columns}
          keyOf={({ key }) => key}
        />
      )}
    </>
  );
}

const columnsOf = (
  theirs: ReadonlySet<string>,
  onTheirs: (theirs: ReadonlySet<string>) => void,
): readonly RecordColumn<SheetLine>[] => [
  { id: "row", head: "Row", by: ({ place }) => place, cell: ({ place }) => place, figures: true },
  {
    id: "student",
    head: "Student",
    by: ({ student }) => student,
    cell: ({ student }) => student || "–",
    className: "ps-4",
    headClassName: "ps-4",
  },
  {
    id: "assignment",
    head: "Assignment",
    by: ({ assignment }) => assignment,
    cell: ({ assignment }) => assignment,
    className: "text-soft",
  },
  { id: "before", head: "Here", by: ({ before }) => before, cell: ({ before }) => before || "–", figures: true },
  { id: "after", head: "In the sheet", by: ({ after }) => after, cell: ({ after }) => after, figures: true },
  {
    id: "comment",
    head: "Comment",
    by: ({ comment }) => comment,
    cell: ({ comment }) => comment,
    className: "ps-4",
    headClassName: "ps-4",
  },
  {
    id: "what",
    head: "What it does",
    by: ({ what }) => what,
    cell: (line) => (
      <>
        <span className={LOOK[line.what]}>{line.what}</span>
        {line.why !== "" && <span className="text-soft"> {line.why}</span>}
        {line.what === "changed here" && (
          <Tick
            checked={theirs.has(line.key)}
            onChange={(ticked) => {
              const next = new Set(theirs);
              if (ticked) next.add(line.key);
              else next.delete(line.key);
              onTheirs(next);
            }}
          >
            Take the sheet’s {line.after}
          </Tick>
        )}
      </>
    ),
  },
];
