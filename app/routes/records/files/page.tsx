import { Suspense } from "react";
import { Await, Link, useLocation, useNavigate, useRevalidator } from "react-router";
import { filesOf } from "#core/formats";
import { courseOf } from "#core/model";
import { live, useLive } from "../../../course/live";
import { openCourse } from "../../../course/open-course";
import { FileButton } from "../../../ui/files/file-button";
import { usePassphrase } from "../../../ui/dialogs/use-passphrase";
import { JobStatus } from "../../../ui/dialogs/job-status";
import { StartEmpty } from "../../../ui/parts/start-empty";
import { useJob } from "../../../ui/hooks/use-job";
import { knownMarkerName } from "../../../start-courses";
import { readInCourseFile } from "../../../exports/course-file";
import { folderOf, mayWrite } from "../../../exports/folder-copies";
import { knownIn } from "../../../course/choices";
import { browserSpace } from "./browser-space";
import { CourseFile } from "./course-file";
import { FolderCopies } from "./folder-copies";
import { Space } from "./space";
import type { Route } from "./+types/page";
import { ScoresAsCsv } from "./scores-as-csv";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { repository, session } = await openCourse(context, params.slot);
  const shown = live(session, (state) => ({
    title: courseOf(state).title,
    timeZone: courseOf(state).timeZone,
    students: Object.keys(state.students).length,
    files: filesOf(state).length,
  }));
  const isLocked = repository.locksmith.factsOf(params.slot) !== null;
  const folder = await folderOf(repository, params.slot);
  return {
    saved: await knownIn(repository, params.slot, "saved-outside"),
    folder: folder && {
      folder,
      mayWrite: await mayWrite(folder),
      trouble: (await knownIn(repository, params.slot, "folder-trouble")) ?? "",
    },
    // Counted beside the page: it asks for every stored thing.
    space: browserSpace(repository, params.slot),
    repository,
    session,
    shown,
    isLocked,
    markerName: await knownMarkerName(repository),
  };
}

export default function FilesPage({ loaderData, params }: Route.ComponentProps) {
  const { repository, session, isLocked, saved, folder, space, markerName } = loaderData;
  const { title, students, files, timeZone } = useLive(loaderData.shown);
  const navigate = useNavigate();
  const { hash } = useLocation();
  const job = useJob();
  const passphrase = usePassphrase();
  const { progress, run, say } = job;
  const again = useRevalidator();
  const look = () => void again.revalidate();
  const common = { repository, session, job };

  const onCourseFile = (file: File) =>
    run(async (signal, tell) => {
      const { slot, words } = await readInCourseFile(repository, file, { signal, tell, ask: passphrase.ask });
      await navigate(`/courses/${slot}`);
      return words;
    });

  return (
    <main className="mx-auto w-full max-w-[860px] px-[30px] pt-6 pb-16">
      <title>Files · Upright Quill</title>
      <h1 className="page-title">Files</h1>
      <JobStatus job={job} />
      {passphrase.dialog}
      <Section id="scores" title="Scores for a spreadsheet">
        <ScoresAsCsv slot={params.slot} state={session.state} students={students} onSaved={say} />
      </Section>
      <Section id="course-file" title="The course file">
        <CourseFile {...common} title={title} files={files} saved={saved} timeZone={timeZone} onMade={look} />
      </Section>
      <Section id="folder" title="Copies in a folder">
        <FolderCopies {...common} isLocked={isLocked} state={folder} onChange={look} />
      </Section>
      <Section id="space" title="Room in this browser">
        <Suspense fallback={<p className="text-soft">Adding up</p>}>
          <Await resolve={space} errorElement={<p className="text-soft">The browser does not say what is taken.</p>}>
            {(counted) => <Space space={counted} slot={params.slot} />}
          </Await>
        </Suspense>
      </Section>
      <Section id="lock" title="The lock">
        <p>
          {isLocked
            ? "This course is locked with a passphrase: what this browser keeps of it is unreadable without it."
            : "What this browser keeps of the course can be read by whoever can use the browser."}
        </p>
        <Link className="act mt-3 inline-block" to={`/courses/${params.slot}/lock`}>
          {isLocked ? "Passphrase, recovery sheet, and when it locks" : "Lock it with a passphrase"}
        </Link>
      </Section>
      <Section id="read-in" title="Read in a course file">
        <p>It becomes a course of its own beside the ones that are here; nothing is replaced.</p>
        <div className="mt-3">
          <FileButton
            words="Choose a course file"
            kind="course"
            disabled={progress !== null}
            onFiles={([file]) => {
              if (file) void onCourseFile(file);
            }}
          />
        </div>
      </Section>
      <Section id="empty" title="Start an empty course">
        <StartEmpty markerName={markerName} asked={hash === "#empty"} />
      </Section>
    </main>
  );
}

function Section({
  id,
  title,
  children,
}: {
  readonly id: string;
  readonly title: string;
  readonly children: React.ReactNode;
}) {
  return (
    <section id={id} className="scroll-mt-16 border-t border-rule py-5 target:border-ink">
      <h2 className="mb-1.5 font-serif text-[18px] font-semibold">{title}</h2>
      {children}
    </section>
  );
}
