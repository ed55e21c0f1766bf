import { useMemo } from "react";
import { sealDigits } from "#core/changes";
import { assignmentsOf, rosterName, studentsOf, type CourseState } from "#core/model";
import { counted } from "#core/words";
import { live, useLive } from "../../../course/live";
import { openCourse } from "../../../course/open-course";
import { fromAddress, inAddress } from "../../../ui/address";
import { saveAs } from "../../../ui/save-as";
import { useHashText } from "../../../ui/hooks/use-hash-text";
import { useSearchChoice } from "../../../ui/hooks/use-search-choice";
import { JournalSeal } from "./journal-seal";
import { JournalTable } from "./journal-table";
import { JOURNAL_KINDS, journalCsv, journalEntries } from "./rows";
import type { Route } from "./+types/page";
import { DateField } from "../../../ui/time/date-field";
import { Choice } from "../../../ui/fields/choice";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { session } = await openCourse(context, params.slot);
  return {
    session,
    shown: live(session, (state) => ({ state, entries: session.entries, seal: sealDigits(session.seal) })),
  };
}

export default function JournalPage({ loaderData, params }: Route.ComponentProps) {
  const { state, entries, seal } = useLive(loaderData.shown);
  const [text, set] = useSearchChoice();
  const [find, setFind] = useHashText("find");
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
      <JournalSeal session={loaderData.session} seal={seal} />
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
        <Filters state={state} {...{ student, assignment, kind, who }} set={set} />
        <Days from={from} to={to} set={set} />
      </div>
      <p className="mt-2 text-sm text-soft">
        {found.length === entries.length
          ? `${counted(entries.length, "change")} on record, the newest first.`
          : `${String(found.length)} of ${counted(entries.length, "change")}, the newest first.`}
      </p>
      <JournalTable slot={params.slot} state={state} entries={entries} found={found} />
      {found.length === 0 && <p className="mt-4 text-soft">No change fits. Loosen the filters above.</p>}
    </main>
  );
}

/** What the journal is filtered by, chosen from lists. */
function Filters({
  state,
  student,
  assignment,
  kind,
  who,
  set,
}: Readonly<Record<"student" | "assignment" | "kind" | "who", string>> & {
  readonly state: CourseState;
  readonly set: (name: string, value: string) => void;
}) {
  return (
    <>
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
    </>
  );
}

/** The days between which changes are shown. */
function Days({
  from,
  to,
  set,
}: {
  readonly from: string;
  readonly to: string;
  readonly set: (name: string, value: string) => void;
}) {
  return (
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
    <Choice
      label={label}
      className="!w-auto max-w-40 text-[14px]"
      value={value}
      onChoose={onChoose}
      options={[["", all], ...options]}
    />
  );
}
