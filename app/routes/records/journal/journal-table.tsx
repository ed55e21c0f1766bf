import { useMemo } from "react";
import { useFetcher } from "react-router";
import type { Entry } from "#core/changes";
import type { CourseState } from "#core/model";
import { counted } from "#core/words";
import type { RecordColumn } from "../../../ui/table/column";
import { RecordTable } from "../../../ui/table/record-table";
import { journalLine, type JournalLine } from "./rows";

interface JournalTableProps {
  readonly slot: string;
  readonly state: CourseState;
  /** All entries, and those that are shown, the newest first. */
  readonly entries: readonly Entry[];
  readonly found: readonly Entry[];
}

/** Changes as lines, each with what it changed and a way to undo it alone. */
export function JournalTable({ slot, state, entries, found }: JournalTableProps) {
  const columns = useMemo(
    () =>
      columnsOf(
        slot,
        ({ change }) => state.markers[change.by]?.name ?? "",
        (entry) => journalLine(state, entries, entry),
      ),
    [slot, state, entries],
  );
  return (
    <RecordTable className="mt-3" label="Changes" records={found} columns={columns} keyOf={({ seq }) => String(seq)} />
  );
}

function columnsOf(
  slot: string,
  whoOf: (entry: Entry) => string,
  lineOf: (entry: Entry) => JournalLine,
): readonly RecordColumn<Entry>[] {
  return [
    {
      id: "seq",
      head: "No.",
      by: ({ seq }) => seq,
      cell: ({ seq }) => seq,
      className: "text-soft",
      headClassName: "w-16",
    },
    {
      id: "when",
      head: "When",
      by: ({ change }) => change.at,
      cell: (entry) => lineOf(entry).when,
      headClassName: "w-48",
    },
    {
      id: "who",
      head: "Who",
      by: whoOf,
      cell: whoOf,
      className: "text-soft",
      headClassName: "w-28",
    },
    { id: "what", head: "What", cell: (entry) => <What line={lineOf(entry)} /> },
    {
      id: "undo",
      head: "Undo",
      quiet: true,
      cell: (entry) => <Undo slot={slot} line={lineOf(entry)} />,
      className: "text-right text-[13px]",
      headClassName: "w-20",
    },
  ];
}

/** What came of undoing one change: its line and its button read the same answer. */
const useUndoing = ({ changeId }: JournalLine) =>
  useFetcher<{ readonly trouble: string | null }>({ key: `undo/${changeId}` });

function What({ line }: { readonly line: JournalLine }) {
  const { data } = useUndoing(line);
  return (
    <>
      <details>
        <summary className={line.state === "undone" ? "text-soft line-through" : ""}>{line.line}</summary>
        <dl className="my-1 border-s-2 border-rule ps-3 text-[13px]">
          {line.fields.map(({ what, before, after }, index) => (
            <div key={`${what}-${String(index)}`}>
              <dt className="inline text-soft">{what}: </dt>
              <dd className="figures inline">
                {before} → {after}
              </dd>
            </div>
          ))}
          {line.more > 0 && <p className="text-soft">and {counted(line.more, "more field")}</p>}
        </dl>
      </details>
      {line.reason && <p className="text-[13px] text-soft">Reason: {line.reason}</p>}
      {data?.trouble && (
        <p role="alert" className="text-[13px] text-wax">
          {data.trouble}
        </p>
      )}
    </>
  );
}

function Undo({ slot, line }: { readonly slot: string; readonly line: JournalLine }) {
  const fetcher = useUndoing(line);
  if (line.state === "undone") return <span className="text-soft">undone</span>;
  if (line.state === "step") return null;
  return (
    <fetcher.Form method="post" action={`/courses/${slot}/journal/undo`}>
      <input type="hidden" name="changeId" value={line.changeId} />
      <button type="submit" className="link" disabled={fetcher.state !== "idle"}>
        Undo<span className="sr-only"> {line.line}</span>
      </button>
    </fetcher.Form>
  );
}
