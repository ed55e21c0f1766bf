import { useMemo, useState } from "react";
import { useFetcher } from "react-router";
import { assignmentsOf, rosterName, studentsOf } from "#core/model";
import { openCourse } from "../../course/open-course";
import { fromAddress, inAddress } from "../../ui/address";
import { saveAs } from "../../ui/save-as";
import { useHashText } from "../../ui/use-hash-text";
import { useSearchChoice } from "../../ui/use-search-choice";
import { counted } from "../../ui/words";
import { JOURNAL_KINDS, journalCsv, journalEntries, journalLines, type JournalLine } from "./rows";
import type { Route } from "./+types/page";

/** Lines drawn at first, and more at each asking. */
const STRETCH = 200;

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { session } = await openCourse(context, params.slot);
  return { state: session.state, entries: session.entries };
}

export default function JournalPage({ loaderData, params }: Route.ComponentProps) {
  const { state, entries } = loaderData;
  const [text, set] = useSearchChoice();
  const [find, setFind] = useHashText("find");
  const [length, setLength] = useState(STRETCH);
  const [student, assignment, kind, from, to] = [
    text("student"),
    text("assignment"),
    text("kind"),
    text("from"),
    text("to"),
  ];
  const found = useMemo(
    () =>
      journalEntries(state, entries, {
        student: student ? fromAddress("student", student) : null,
        assignment: assignment ? fromAddress("assignment", assignment) : null,
        kind,
        from,
        to,
        find,
      }),
    [state, entries, student, assignment, kind, from, to, find],
  );
  const lines = useMemo(() => journalLines(state, entries, found.slice(0, length)), [state, entries, found, length]);
  const choice = "field !w-auto max-w-40 text-[14px]";
  return (
    <main className="mx-auto w-full max-w-[1080px] px-[30px] pt-6 pb-16">
      <title>Journal · Upright Quill</title>
      <div className="flex items-baseline justify-between">
        <h1 className="page-title">Journal</h1>
        <button
          type="button"
          className="act act-quiet"
          onClick={() => {
            saveAs(new Blob([journalCsv(state, found)], { type: "text/csv" }), "journal.csv");
          }}
        >
          Save {counted(found.length, "change")} as CSV
        </button>
      </div>
      <div role="search" className="mt-3 flex flex-wrap items-end gap-3 text-[13px] text-soft">
        <input
          type="search"
          aria-label="Words in the journal"
          placeholder="Words in a line"
          className="field !w-40 text-[14px]"
          value={find}
          onChange={(event) => {
            setFind(event.target.value);
          }}
        />
        <select
          aria-label="Student"
          className={choice}
          value={student}
          onChange={(event) => {
            set("student", event.target.value);
          }}
        >
          <option value="">All students</option>
          {studentsOf(state).map((one) => (
            <option key={one.id} value={inAddress(one.id)}>
              {rosterName(state, one)}
            </option>
          ))}
        </select>
        <select
          aria-label="Assignment"
          className={choice}
          value={assignment}
          onChange={(event) => {
            set("assignment", event.target.value);
          }}
        >
          <option value="">All assignments</option>
          {assignmentsOf(state).map(({ id, name }) => (
            <option key={id} value={inAddress(id)}>
              {name}
            </option>
          ))}
        </select>
        <select
          aria-label="Kind of change"
          className={choice}
          value={kind}
          onChange={(event) => {
            set("kind", event.target.value);
          }}
        >
          <option value="">All kinds</option>
          {JOURNAL_KINDS.map(([id, words]) => (
            <option key={id} value={id}>
              {words}
            </option>
          ))}
        </select>
        <label>
          From{" "}
          <input
            type="date"
            className="field !w-36 text-[14px] text-ink"
            value={from}
            onChange={(event) => {
              set("from", event.target.value);
            }}
          />
        </label>
        <label>
          to{" "}
          <input
            type="date"
            className="field !w-36 text-[14px] text-ink"
            value={to}
            onChange={(event) => {
              set("to", event.target.value);
            }}
          />
        </label>
      </div>
      <p className="mt-2 text-sm text-soft">
        {found.length === entries.length
          ? `${counted(entries.length, "change")} on record, the newest first.`
          : `${String(found.length)} of ${counted(entries.length, "change")}, the newest first.`}
      </p>
      <table className="mt-3 w-full text-sm">
        <thead>
          <tr className="border-b border-ink text-left">
            <th className="w-14 py-1 font-semibold">No.</th>
            <th className="w-40 font-semibold">When</th>
            <th className="w-28 font-semibold">Who</th>
            <th className="font-semibold">What</th>
            <th className="w-20">
              <span className="sr-only">Undo</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {lines.map((line) => (
            <Line key={line.seq} line={line} slot={params.slot} />
          ))}
        </tbody>
      </table>
      {found.length === 0 && <p className="mt-4 text-soft">No change fits. Loosen the filters above.</p>}
      {found.length > length && (
        <button
          type="button"
          className="act act-quiet mt-4"
          onClick={() => {
            setLength(length + STRETCH);
          }}
        >
          Show older ones
        </button>
      )}
    </main>
  );
}

function Line({ line, slot }: { readonly line: JournalLine; readonly slot: string }) {
  const fetcher = useFetcher<{ trouble: string | null }>();
  return (
    <tr className="border-b border-rule align-top">
      <td className="py-1 text-soft">{line.seq}</td>
      <td className="py-1">{line.when}</td>
      <td className="py-1 text-soft">{line.who}</td>
      <td className="py-1 pe-3">
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
        {fetcher.data?.trouble && (
          <p role="alert" className="text-[13px] text-wax">
            {fetcher.data.trouble}
          </p>
        )}
      </td>
      <td className="py-1 text-right text-[13px]">
        {line.state === "undone" && <span className="text-soft">undone</span>}
        {line.state === "standing" && (
          <fetcher.Form method="post" action={`/courses/${slot}/journal/undo`}>
            <input type="hidden" name="changeId" value={line.changeId} />
            <button type="submit" className="link" disabled={fetcher.state !== "idle"}>
              Undo<span className="sr-only"> {line.line}</span>
            </button>
          </fetcher.Form>
        )}
      </td>
    </tr>
  );
}
