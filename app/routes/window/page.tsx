import { useEffect } from "react";
import { data, Link } from "react-router";
import { type WorkFile } from "#core/model";
import { CourseProvider } from "../../course/course-provider";
import { live, useLive } from "../../course/live";
import { isLocked, openCourse } from "../../course/open-course";
import { useCourseLock } from "../../course/use-course-lock";
import { fromAddress } from "../../ui/address";
import { useBlobs } from "../../ui/hooks/use-blobs";
import { TotalsLetter } from "../../ui/letter/totals-letter";
import { PageTitle } from "../../ui/parts/page-title";
import { LockedCourse } from "../../ui/parts/locked-course";
import { useChange } from "../../course/use-change";
import { AnnouncedWork } from "./announced-work";
import { LetterSection } from "./letter-section";
import { Mailbox } from "./mailbox";
import type { Route } from "./+types/page";
import { windowRows } from "./rows";
import { takeHandIn } from "./take-hand-in";

/** Reads fixed copies and what is announced: nothing else of the course's present state goes to this page but names. */
export async function clientLoader({ request, params, context }: Route.ClientLoaderArgs) {
  const { repository, session } = await openCourse(context, params.slot);
  const studentId = fromAddress("student", params.studentId);
  const shown = live(session, (state) => windowRows(state, studentId, session.now()));
  const read = (file: WorkFile) => repository.readFile(params.slot, file.id);
  const files = shown.read().value.letters.flatMap(({ comments }) => comments?.files ?? []);
  return {
    repository,
    session,
    lock: repository.locksmith.factsOf(params.slot),
    shown,
    read,
    isReading: new URL(request.url).searchParams.has("reading"),
    bytes: new Map(await Promise.all(files.map(async (file) => [file.id, await read(file)] as const))),
  };
}

export async function clientAction({ request, params, context }: Route.ClientActionArgs) {
  const receipt = await takeHandIn(
    request,
    fromAddress("student", params.studentId),
    await openCourse(context, params.slot),
  );
  return data(receipt, receipt.trouble === null ? 200 : 400);
}

export default function StudentWindow(props: Route.ComponentProps) {
  const { repository, session, lock } = props.loaderData;
  useCourseLock(repository, session, lock);
  return (
    <CourseProvider session={session} hasLock={lock !== null}>
      <Window {...props} />
    </CourseProvider>
  );
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  if (isLocked(error)) return <LockedCourse {...error} />;
  throw error;
}

function Window({ loaderData, params }: Route.ComponentProps) {
  const { isReading, read, bytes } = loaderData;
  const { letters, announced, handing, totals, mails, studentId, name, courseTitle, timeZone, nameOf } = useLive(
    loaderData.shown,
  );
  const files = letters.flatMap(({ comments }) => comments?.files ?? []);
  const blobs = useBlobs(files, bytes, read);
  const change = useChange();
  useEffect(() => {
    if (!isReading) return;
    const assignmentIds = letters.map(({ assignment }) => assignment.id);
    void change({ type: "openLetter", studentId, assignmentIds, totals: true });
    // Opened once when the student comes, not again with every change.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [isReading, studentId, change]);
  return (
    <div className="min-h-screen bg-table pb-16">
      <PageTitle about={`For ${name} · ${courseTitle}`}>Student window</PageTitle>
      <header className="flex flex-wrap items-center justify-between gap-x-6 border-b border-rule bg-paper px-6 py-2 text-[13.5px] text-soft">
        <p>
          {isReading
            ? `Student window: opened as ${name}; what is read here counts as opened`
            : `Student window: a stand-in for what ${name} receives; looking marks nothing as opened`}
        </p>
        <p className="flex gap-5">
          {!isReading && (
            <Link className="link" to="?reading" reloadDocument={false}>
              Open as {name}
            </Link>
          )}
          <Link className="link" to={`/courses/${params.slot}/students`}>
            Back to the course
          </Link>
        </p>
      </header>
      <main className="mx-auto max-w-[760px] px-5 has-[[aria-expanded=true]]:max-w-[1040px]">
        <h1 className="mt-8 font-serif text-[26px] font-semibold">{courseTitle}</h1>
        <p className="text-soft">For {name}</p>
        <Mailbox
          mails={mails}
          timeZone={timeZone}
          {...(isReading && { onOpen: ({ id }) => void change({ type: "openMail", mailId: id }) })}
        />
        {totals.length > 0 && (
          <section className="mt-6 border border-rule bg-sheet px-6 py-10">
            <div className="mx-auto max-w-[560px]">
              <TotalsLetter totals={totals} name={name} />
            </div>
          </section>
        )}
        {letters.length === 0 && totals.length === 0 ? (
          <p className="mt-8 font-serif text-lg">Nothing has been released to you yet.</p>
        ) : (
          letters.map((letter) => (
            <LetterSection
              key={letter.assignment.id}
              letter={letter}
              studentId={studentId}
              name={name}
              courseTitle={courseTitle}
              timeZone={timeZone}
              nameOf={nameOf}
              read={read}
              blobs={blobs}
              change={change}
            />
          ))
        )}
        <AnnouncedWork work={announced} handing={handing} isStudent={isReading} timeZone={timeZone} read={read} />
      </main>
    </div>
  );
}
