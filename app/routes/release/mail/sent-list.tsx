import { useMemo } from "react";
import type { Mail } from "#core/model";
import { counted, momentText } from "#core/words";
import type { RecordColumn } from "../../../ui/table/column";
import { RecordTable } from "../../../ui/table/record-table";

/** What the post office has delivered: to whom, when, and whether it was opened. */
export function SentList({
  mails,
  timeZone,
  nameOf,
}: {
  readonly mails: readonly Mail[];
  readonly timeZone: string;
  readonly nameOf: (id: string) => string;
}) {
  const columns = useMemo(() => columnsOf(timeZone, nameOf), [timeZone, nameOf]);
  if (mails.length === 0) return <p className="mt-6 text-soft">Nothing has been sent yet.</p>;
  const opened = mails.filter(({ openedAt }) => openedAt !== null).length;
  return (
    <section aria-label="Sent" className="mt-6 border-t-2 border-ink pt-2">
      <h2 className="figures text-[16px] font-semibold">
        Sent: {counted(mails.length, "letter")}, {opened} opened
      </h2>
      <RecordTable
        className="mt-1"
        label="Letters that were sent"
        records={mails}
        columns={columns}
        keyOf={({ id }) => id}
      />
    </section>
  );
}

const columnsOf = (timeZone: string, nameOf: (id: string) => string): readonly RecordColumn<Mail>[] => [
  {
    id: "when",
    head: "When",
    by: ({ at }) => at,
    cell: ({ at }) => momentText(at, timeZone),
    className: "figures whitespace-nowrap",
  },
  { id: "to", head: "To", by: ({ studentId }) => nameOf(studentId), cell: ({ studentId }) => nameOf(studentId) },
  {
    id: "subject",
    head: "Subject",
    by: ({ subject }) => subject,
    cell: ({ subject, body }) => (
      <details>
        <summary className="cursor-pointer">{subject}</summary>
        <p className="mt-1 font-serif text-[15px] whitespace-pre-wrap">{body}</p>
      </details>
    ),
  },
  { id: "kind", head: "Kind", by: kindWords, cell: kindWords, className: "text-soft" },
  {
    id: "opened",
    head: "Opened",
    by: ({ openedAt }) => openedAt,
    cell: ({ openedAt }) => (
      <span className={openedAt ? "text-green" : "text-soft"}>
        {openedAt ? `✓ ${momentText(openedAt, timeZone)}` : "not yet"}
      </span>
    ),
    className: "figures",
  },
];

const kindWords = ({ kind }: Mail): string => (kind === "reminder" ? "reminder" : "results");
