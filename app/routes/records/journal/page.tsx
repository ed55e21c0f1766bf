import { useMemo } from "react";
import { sealDigits } from "#core/changes";
import { counted } from "#core/words";
import { live, useLive } from "../../../course/live";
import { openCourse } from "../../../course/open-course";
import { fromAddress } from "../../../ui/address";
import { saveAs } from "../../../ui/save-as";
import { useHashText } from "../../../ui/ways/use-hash-text";
import { useSearchChoice } from "../../../ui/ways/use-search-choice";
import { JournalSeal } from "./journal-seal";
import { JournalTable } from "./journal-table";
import { journalCsv, journalEntries } from "./rows";
import type { Route } from "./+types/page";
import { Days } from "./days";
import { Filters } from "./filters";

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
