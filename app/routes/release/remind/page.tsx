import { useState } from "react";
import type { AssignmentId, StudentId } from "#core/kernel";
import { decimal, fromDecimal, isDecimal } from "#core/kernel";
import { assignmentsOf, rosterName } from "#core/model";
import { remindersFor, type ReminderFilter } from "#core/release";
import { counted } from "#core/words";
import { live, useLive } from "../../../course/live";
import { openCourse } from "../../../course/open-course";
import { addresseesOf } from "../../../ui/letter/addressees";
import { fromAddress, inAddress } from "../../../ui/address";
import { LetterWriter, type FilledLetter } from "../../../ui/letter/letter-writer";
import { JobStatus } from "../../../ui/dialogs/job-status";
import { useJob } from "../../../ui/hooks/use-job";
import { troubleOf } from "../../../ui/hooks/use-command";
import { useSearchChoice } from "../../../ui/hooks/use-search-choice";
import { ChoiceField } from "../../../ui/fields/choice-field";
import { UnderStep } from "../../../ui/parts/under-step";
import { useChange } from "../../../course/use-change";
import { isKind, KINDS, REMINDER_TEXTS } from "./reminder-texts";
import type { Route } from "./+types/page";
import { Tick } from "../../../ui/fields/tick";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { session } = await openCourse(context, params.slot);
  return { shown: live(session, (state) => ({ state, at: session.now() })) };
}

export default function RemindPage({ loaderData, params }: Route.ComponentProps) {
  const { state, at } = useLive(loaderData.shown);
  const [text, set] = useSearchChoice();
  const [left, setLeft] = useState<ReadonlySet<StudentId>>(new Set());
  const job = useJob();
  const change = useChange();
  const wanted = text("kind");
  const kind: ReminderFilter["kind"] = isKind(wanted) ? wanted : "nothingIn";
  const about = text("assignment");
  const assignmentId: AssignmentId | null = about ? fromAddress("assignment", about) : null;
  const figure = text("figure") || "50";
  const takesFigure = kind === "below" || kind === "above";
  const percent = fromDecimal(isDecimal(figure) ? decimal(figure) : decimal("50"));
  const found = remindersFor(state, { kind, assignmentId, percent }, at);
  const chosen = found.filter(({ studentId }) => !left.has(studentId));
  const work = new Map(found.map(({ studentId, assignmentIds }) => [studentId, assignmentIds]));
  const people = addresseesOf(
    state,
    chosen.map(({ studentId }) => studentId),
    (id) => work.get(id) ?? [],
  );
  const telling = chosen.filter(({ tellsSealed }) => tellsSealed).length;
  const nameOf = (id: StudentId) => {
    const student = state.students[id];
    return student ? rosterName(state, student) : "";
  };
  const aboutWords = KINDS.find(([one]) => one === kind)?.[1] ?? "";

  const send = (letters: readonly FilledLetter[]) =>
    job.run(async () => {
      const trouble = troubleOf(
        await change({ type: "sendMails", kind: "reminder", about: aboutWords, mails: [...letters] }),
      );
      if (trouble) throw new Error(trouble);
      return `Sent to ${counted(letters.length, "student")}; it stands in the journal.`;
    });
  const drafts = (letters: readonly FilledLetter[]) =>
    job.run(async (signal) => {
      const { saveDrafts } = await import("../../../exports/mail-files");
      return `${await saveDrafts(state, letters, at, signal)} was saved with ${counted(letters.length, "draft")}.`;
    });

  return (
    <main className="mx-auto w-full max-w-[1080px] px-[30px] pt-6 pb-16">
      <title>Reminders · Upright Quill</title>
      <UnderStep step="Release" to={`/courses/${params.slot}/release`} title="Reminders" />
      <div className="mt-3 flex flex-wrap items-end gap-x-5 gap-y-2 text-[14px]">
        <ChoiceField
          label="To those"
          value={kind}
          options={KINDS}
          onKeep={(value) => {
            setLeft(new Set());
            set("kind", value);
            return undefined;
          }}
        />
        {takesFigure && (
          <label>
            <span className="block text-[13px] text-soft">Percent</span>
            <input
              aria-label="Percent"
              className="field figures !w-20"
              inputMode="decimal"
              value={figure}
              aria-invalid={!isDecimal(figure)}
              onChange={(event) => {
                set("figure", event.target.value);
              }}
            />
          </label>
        )}
        <ChoiceField
          label="In"
          value={about}
          options={[
            ["", takesFigure ? "the course total" : "all work"],
            ...assignmentsOf(state).map(({ id, name }) => [inAddress(id), name] as const),
          ]}
          onKeep={(value) => {
            setLeft(new Set());
            set("assignment", value);
            return undefined;
          }}
        />
        <p className="figures pb-2 text-soft" role="status">
          {found.length === 0 ? "Nobody, as things stand." : counted(found.length, "student")}
        </p>
      </div>
      {telling > 0 && (
        <p className="mt-2 text-[14px] text-wax">
          ! {counted(telling, "student")} could tell from being written to how a sealed score stands. Release it first,
          or write to everyone.
        </p>
      )}
      {found.length > 0 && (
        <>
          <ul aria-label="Whom it goes to" className="mt-3 flex flex-wrap gap-x-5 gap-y-1 text-[14px]">
            {found.map(({ studentId, assignmentIds }) => (
              <li key={studentId}>
                <Tick
                  checked={!left.has(studentId)}
                  onChange={(ticked) => {
                    const next = new Set(left);
                    if (ticked) next.delete(studentId);
                    else next.add(studentId);
                    setLeft(next);
                  }}
                >
                  {nameOf(studentId)}
                  {assignmentIds.length > 1 && <span className="figures text-soft">({assignmentIds.length})</span>}
                </Tick>
              </li>
            ))}
          </ul>
          <LetterWriter
            place={`letter/${kind}`}
            people={people}
            {...REMINDER_TEXTS[kind]}
            busy={job.progress !== null}
            onSend={(letters) => void send(letters)}
            onDrafts={(letters) => void drafts(letters)}
          />
        </>
      )}
      <JobStatus job={job} />
    </main>
  );
}
