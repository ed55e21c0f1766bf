import { data, Form, Link, redirect, useNavigate } from "react-router";
import { repositoryContext } from "../../context";
import { readInCourseFile } from "../../course-file";
import { keepDemoCourse, knownMarkerName, startEmptyCourse } from "../../start-courses";
import { FileButton } from "../../ui/file-button";
import { formText } from "../../ui/form-text";
import { JobStatus } from "../../ui/job-status";
import { StartEmpty } from "../../ui/start-empty";
import { useJob } from "../../ui/use-job";
import { issueWords } from "../../ui/words";
import type { Route } from "./+types/page";

/** Every course of this browser, and whether it opens: a course that is broken hides none of the others. */
export async function clientLoader({ context }: Route.ClientLoaderArgs) {
  const repository = await context.get(repositoryContext);
  const listed = await repository.courses();
  const courses = await Promise.all(
    listed.map(async (course) => {
      const session = await repository.session(course.slot).catch(() => null);
      const state = session === null ? ("closed" as const) : session.damage ? ("damaged" as const) : ("whole" as const);
      return { ...course, state };
    }),
  );
  return { repository, courses, markerName: await knownMarkerName(repository) };
}

/** Starts an empty course, or fetches the demo course. */
export async function clientAction({ request, context }: Route.ClientActionArgs) {
  const repository = await context.get(repositoryContext);
  const fields = await request.formData();
  if (formText(fields, "start") === "demo") return redirect(`/courses/${await keepDemoCourse(repository)}`);
  const title = formText(fields, "title").trim().slice(0, 200) || "New course";
  const started = await startEmptyCourse(repository, title, formText(fields, "marker").slice(0, 200));
  return started.ok
    ? redirect(`/courses/${started.value}/plan`)
    : data({ trouble: issueWords(started.issue) }, { status: 400 });
}

const STATE_WORDS = {
  whole: null,
  damaged: "Part of it is damaged: it can be read, and work goes on in a copy.",
  closed: "It cannot be opened. Read in its last course file below; nothing was changed here.",
} as const;

export default function CoursesPage({ loaderData, actionData }: Route.ComponentProps) {
  const { repository, courses, markerName } = loaderData;
  const navigate = useNavigate();
  const job = useJob();
  const onCourseFile = (file: File) =>
    job.run(async (signal, tell) => {
      const { slot, words } = await readInCourseFile(repository, file, signal, tell);
      await navigate(`/courses/${slot}`);
      return words;
    });
  return (
    <main className="mx-auto w-full max-w-[760px] px-[30px] pt-10 pb-16">
      <title>Courses · Upright Quill</title>
      <h1 className="page-title">Courses in this browser</h1>
      <ul className="mt-4 border-t border-rule">
        {courses.map(({ slot, title, origin, state }) => (
          <li key={slot} className="border-b border-rule py-2.5">
            {state === "closed" ? (
              <span className="font-serif text-[17px]">{title}</span>
            ) : (
              <Link className="link font-serif text-[17px]" to={`/courses/${slot}`}>
                {title}
              </Link>
            )}
            {origin === "demo" && <span className="text-soft"> · demo</span>}
            {STATE_WORDS[state] && (
              <p className="text-[14px] text-wax">
                <span aria-hidden="true">⚠ </span>
                {STATE_WORDS[state]}
              </p>
            )}
          </li>
        ))}
        {courses.length === 0 && (
          <li className="border-b border-rule py-2.5 text-soft">
            There is none yet. Start one, read one in, or look at the demo.
          </li>
        )}
      </ul>
      <JobStatus job={job} />
      {actionData?.trouble && (
        <p role="alert" className="text-wax">
          {actionData.trouble}
        </p>
      )}
      <section className="mt-4 flex flex-wrap items-center gap-x-5 gap-y-3">
        <FileButton
          words="Read in a course file"
          accept=".zip"
          disabled={job.progress !== null}
          onFile={(file) => void onCourseFile(file)}
        />
        <Form method="post">
          <button type="submit" name="start" value="demo" className="act">
            Open a fresh demo course
          </button>
        </Form>
      </section>
      <div className="mt-4">
        <StartEmpty markerName={markerName} />
      </div>
    </main>
  );
}
