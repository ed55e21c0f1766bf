import { useState } from "react";
import type { AssignmentId, StudentId } from "#core/kernel";
import { decimal, fromDecimal, isDecimal } from "#core/kernel";
import { rosterName } from "#core/model";
import { remindersFor, type ReminderFilter } from "#core/release";
import { counted } from "#core/words";
import { live, useLive } from "../../../course/live";
import { openCourse } from "../../../course/open-course";
import { addresseesOf } from "../../../ui/letter/addressees";
import { fromAddress } from "../../../ui/address";
import { LetterWriter, type FilledLetter } from "../../../ui/letter/letter-writer";
import { JobStatus } from "../../../ui/dialogs/job-status";
import { useJob } from "../../../ui/hooks/use-job";
import { troubleOf } from "../../../ui/hooks/use-command";
import { useSearchChoice } from "../../../ui/ways/use-search-choice";
import { UnderStep } from "../../../ui/parts/under-step";
import { useChange } from "../../../course/use-change";
import { isKind, KINDS, REMINDER_TEXTS } from "./reminder-texts";
import type { Route } from "./+types/page";
import { Reached, WhomFields } from "./whom-fields";

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
      <WhomFields
        {...{ state, kind, about, figure, takesFigure }}
        count={found.length}
        onLeave={() => {
          setLeft(new Set());
        }}
        set={set}
      />
      {telling > 0 && (
        <p className="mt-2 text-[14px] text-wax">
          ! {counted(telling, "student")} could tell from being written to how a sealed score stands. Release it first,
          or write to everyone.
        </p>
      )}
      {found.length > 0 && (
        <>
          <Reached {...{ found, left, setLeft, nameOf }} />
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
