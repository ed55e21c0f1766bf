import { useState } from "react";
import { Link, redirect } from "react-router";
import { assignmentsOf, courseOf, rosterName, studentsOf, type CourseState } from "#core/model";
import { figuresOf } from "#core/totals";
import { counted } from "#core/words";
import { live, useLive } from "../../course/live";
import { openCourse } from "../../course/open-course";
import { makeFileToGiveBack } from "../../exports/course-file";
import { deskAddress } from "../../ui/address";
import { LockField } from "../../ui/fields/lock-field";
import { JobStatus } from "../../ui/dialogs/job-status";
import { useJob } from "../../ui/hooks/use-job";
import { PageTitle } from "../../ui/parts/page-title";
import type { Route } from "./+types/page";

/** Papers that are named of those which wait. */
const NAMED = 12;

/** How far the marker of a packet has come. */
function backRows(state: CourseState) {
  const [assignment] = assignmentsOf(state);
  const { figure } = figuresOf(state);
  const students = studentsOf(state);
  const waiting = assignment ? students.filter(({ id }) => figure(assignment.id, id).waiting) : [];
  return {
    title: assignment?.name ?? "",
    assignmentId: assignment?.id ?? null,
    all: students.length,
    waiting: waiting.map((student) => ({ id: student.id, name: rosterName(state, student) })),
    marker: state.markers[courseOf(state).markerId]?.name ?? "",
  };
}

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { repository, session } = await openCourse(context, params.slot);
  if (courseOf(session.state).packet === null) return redirect(`/courses/${params.slot}`);
  return { repository, session, shown: live(session, backRows) };
}

export default function GiveBackPage({ loaderData, params }: Route.ComponentProps) {
  const { repository, session } = loaderData;
  const { title, assignmentId, all, waiting, marker } = useLive(loaderData.shown);
  const [passphrase, setPassphrase] = useState("");
  const job = useJob();
  return (
    <main className="mx-auto w-full max-w-[760px] px-[30px] pt-6 pb-16">
      <PageTitle about={title}>Give back</PageTitle>
      <h1 className="page-title">Give back</h1>
      <p className="figures mt-2 text-[15px]">
        {title}: {all - waiting.length} of {counted(all, "paper")} judged by {marker}.
      </p>
      {waiting.length > 0 && assignmentId && (
        <p className="mt-1 text-[14.5px] text-soft">
          Not judged yet:{" "}
          {waiting.slice(0, NAMED).map(({ id, name }, place) => (
            <span key={id}>
              {place > 0 && ", "}
              <Link className="link" to={deskAddress(params.slot, assignmentId, id)}>
                {name}
              </Link>
            </span>
          ))}
          {waiting.length > NAMED && ` and ${String(waiting.length - NAMED)} more`}. What is judged can be given back
          before the rest, and again later.
        </p>
      )}
      <form
        aria-label="Give the packet back"
        className="mt-5 flex flex-wrap items-end gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          void job.run((signal, tell) => makeFileToGiveBack(repository, session, { signal, tell, passphrase }));
        }}
      >
        <LockField passphrase={passphrase} onPassphrase={setPassphrase} />
        <button type="submit" className="act act-first" disabled={job.progress !== null}>
          Make the packet to give back
        </button>
      </form>
      <JobStatus job={job} />
      <p className="mt-4 max-w-prose text-[14px] text-soft">
        Send the file to whoever handed the packet over. They look at it paper by paper before anything is taken over;
        yours stays here as it is.
      </p>
    </main>
  );
}
