import { useMemo, useState } from "react";
import { useFetcher } from "react-router";
import { assignmentsOf, rosterName, studentsOf } from "#core/model";
import { counted } from "#core/words";
import { openCourse } from "../../../course/open-course";
import { fromAddress, inAddress } from "../../../ui/address";
import { saveAs } from "../../../ui/save-as";
import { useHashText } from "../../../ui/hooks/use-hash-text";
import { useSearchChoice } from "../../../ui/hooks/use-search-choice";
import { JOURNAL_KINDS, journalCsv, journalEntries, journalLines, type JournalLine } from "./rows";
import type { Route } from "./+types/page";
import { DateField } from "../../../ui/time/date-field";

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
  const [student, assignment, kind, who, from, to] = [
    text("student"),
    text("assignment"),
    text("kind"),
    text("who"),
    text("from"),
    text("to"),
  ];
  const found = useMemo(
    () =>
      journalEntries(state, entries, {
        student: student ? fromAddress("student", student) : null,
        assignment: assignment ? fromAddress("assignment", assignment) : null,
        kind,
        who: who ? fromAddress("marker", who) : null,
        from,
        to,
        find,
      }),
    [state, entries, student, assignment, kind, who, from, to, find],
  );
  const lines = useMemo(() => journalLines(state, entries, found.slice(0, length)), [state, entries, found, length]);
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
          placeholder="Words or a name"
          className="field !w-40 text-[14px]"
          value={find}
          onChange={(event) => {
            setFind(event.target.value);
          }}
        />
        <FilterChoice
          label="Student"
          all="All students"
          value={student}
          options={studentsOf(state).map((one) => [inAddress(one.id), rosterName(state, one)])}
          onChoose={(value) => {
            set("student", value);
          }}
        />
        <FilterChoice
          label="Assignment"
          all="All assignments"
          value={assignment}
          options={assignmentsOf(state).map(({ id, name }) => [inAddress(id), name])}
          onChoose={(value) => {
            set("assignment", value);
          }}
        />
        <FilterChoice
          label="Kind of change"
          all="All kinds"
          value={kind}
          options={JOURNAL_KINDS.map(([id, words]) => [id, words])}
          onChoose={(value) => {
            set("kind", value);
          }}
        />
        <FilterChoice
          label="Who made the change"
          all="Everybody"
          value={who}
          options={Object.values(state.markers).map(({ id, name }) => [inAddress(id), name])}
          onChoose={(value) => {
            set("who", value);
          }}
        />
        <span className="flex items-center gap-3">
          <DateField
            label="From"
            labelled="before"
            precision="day"
            value={from}
            onChange={(day) => {
              set("from", day);
            }}
          />
          <DateField
            label="to"
            labelled="before"
            precision="day"
            value={to}
            onChange={(day) => {
              set("to", day);
            }}
          />
        </span>
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
            <th className="w-48 font-semibold">When</th>
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

/** One filter of the journal; its first choice lets everything through. */
function FilterChoice({
  label,
  all,
  value,
  options,
  onChoose,
}: {
  readonly label: string;
  readonly all: string;
  readonly value: string;
  readonly options: readonly (readonly [value: string, words: string])[];
  readonly onChoose: (value: string) => void;
}) {
  return (
    <select
      aria-label={label}
      className="field !w-auto max-w-40 text-[14px]"
      value={value}
      onChange={(event) => {
        onChoose(event.target.value);
      }}
    >
      <option value="">{all}</option>
      {options.map(([option, words]) => (
        <option key={option} value={option}>
          {words}
        </option>
      ))}
    </select>
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
