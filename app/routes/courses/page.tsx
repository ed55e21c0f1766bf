import { useState } from "react";
import { data, Form, redirect, useNavigate, useSubmit } from "react-router";
import { z } from "zod/mini";
import { counted } from "#core/words";
import { courseOf } from "#core/model";
import { isLocked } from "../../course/open-course";
import { readForm, slotField } from "../../course/read-form";
import { repositoryContext } from "../../context";
import { makeCourseFile, readInCourseFile } from "../../exports/course-file";
import { keepDemoCourse, knownMarkerName, startEmptyCourse } from "../../start-courses";
import { FileButton } from "../../ui/files/file-button";
import { usePassphrase } from "../../ui/dialogs/use-passphrase";
import { JobStatus } from "../../ui/dialogs/job-status";
import { StartEmpty } from "../../ui/parts/start-empty";
import { useJob } from "../../ui/hooks/use-job";
import { issueWords } from "../../ui/words/words";
import { CourseList, type ListedCourse } from "./course-list";
import { DeleteCourse } from "./delete-course";
import { lossOf } from "./loss";
import type { Route } from "./+types/page";

/** Every course of this browser, and whether it opens: a course that is broken hides none of the others. */
export async function clientLoader({ context }: Route.ClientLoaderArgs) {
  const repository = await context.get(repositoryContext);
  const listed = await repository.courses();
  const courses = await Promise.all(
    listed.map(async (course) => {
      const session = await repository.session(course.slot).catch((error: unknown) => (isLocked(error) ? error : null));
      if (isLocked(session)) return { ...course, state: "locked" as const, holds: null };
      const state = session === null ? ("closed" as const) : session.damage ? ("damaged" as const) : ("whole" as const);
      return {
        ...course,
        title: session ? courseOf(session.state).title : course.title,
        state,
        holds: session && lossOf(session.state),
      };
    }),
  );
  return { repository, courses, markerName: await knownMarkerName(repository) };
}

const wish = z.union([
  z.object({ does: z.enum(["archive", "takeOut", "delete"]), slot: slotField }),
  z.object({ start: z.literal("demo") }),
  z.object({
    title: z.string().check(z.trim(), z.maxLength(200)),
    marker: z._default(z.string().check(z.trim(), z.maxLength(200)), ""),
    passphrase: z._default(z.string().check(z.maxLength(1_000)), ""),
    again: z._default(z.string().check(z.maxLength(1_000)), ""),
  }),
]);

/** Starts an empty course, fetches the demo course, or puts a course away, takes it out again, or deletes it. */
export async function clientAction({ request, context }: Route.ClientActionArgs) {
  const repository = await context.get(repositoryContext);
  const asked = await readForm(request, wish);
  if (!asked.success) return data({ trouble: "A name has at most 200 letters." }, { status: 400 });
  if ("does" in asked.data) {
    const { does, slot } = asked.data;
    if (does === "delete") await repository.deleteCourse(slot);
    else await repository.archiveCourse(slot, does === "archive");
    return null;
  }
  if ("start" in asked.data) return redirect(`/courses/${await keepDemoCourse(repository)}`);
  const { title, marker, passphrase, again } = asked.data;
  if (passphrase !== again)
    return data({ trouble: "The two passphrases are not the same. No course was started." }, { status: 400 });
  const started = await startEmptyCourse(repository, title || "New course", marker, passphrase);
  return started.ok
    ? redirect(`/courses/${started.value}/plan`)
    : data({ trouble: issueWords(started.issue) }, { status: 400 });
}

export default function CoursesPage({ loaderData, actionData }: Route.ComponentProps) {
  const { repository, courses, markerName } = loaderData;
  const navigate = useNavigate();
  const submit = useSubmit();
  const [leaving, setLeaving] = useState<ListedCourse | null>(null);
  const job = useJob();
  const passphrase = usePassphrase();
  const onCourseFile = (file: File) =>
    job.run(async (signal, tell) => {
      const { slot, words } = await readInCourseFile(repository, file, { signal, tell, ask: passphrase.ask });
      await navigate(`/courses/${slot}`);
      return words;
    });
  return (
    <main className="mx-auto w-full max-w-[760px] px-[30px] pt-10 pb-16">
      <title>Courses · Upright Quill</title>
      <h1 className="page-title">Courses in this browser</h1>
      <CourseList
        courses={courses.filter(({ archived }) => !archived)}
        none="There is none here. Start one, read one in, or look at the demo."
        onDelete={setLeaving}
      />
      {courses.some(({ archived }) => archived) && (
        <details className="mt-3">
          <summary className="cursor-pointer text-[14px] text-soft">
            {counted(courses.filter(({ archived }) => archived).length, "archived course")}
          </summary>
          <CourseList courses={courses.filter(({ archived }) => archived)} none="" onDelete={setLeaving} />
        </details>
      )}
      <DeleteCourse
        course={leaving}
        onCourseFile={(slot) =>
          void job.run(async (signal, tell) => {
            const session = await repository.session(slot);
            if (!session) throw new Error("This course cannot be opened, so no file can be made of it.");
            return makeCourseFile(repository, session, signal, tell);
          })
        }
        onClose={() => {
          setLeaving(null);
        }}
        onDelete={(slot) => void submit({ does: "delete", slot }, { method: "post" })}
      />
      <JobStatus job={job} />
      {passphrase.dialog}
      {actionData?.trouble && (
        <p role="alert" className="text-wax">
          {actionData.trouble}
        </p>
      )}
      <section className="mt-4 flex flex-wrap items-center gap-x-5 gap-y-3">
        <FileButton
          words="Read in a course file"
          kind="course"
          disabled={job.progress !== null}
          onFiles={([file]) => {
            if (file) void onCourseFile(file);
          }}
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
