import { isRouteErrorResponse, redirect } from "react-router";
import { courseOf } from "#core/model";
import { keep, known } from "../../course/choices";
import { live } from "../../course/live";
import { isLocked, openCourse } from "../../course/open-course";
import { LockedCourse } from "../../ui/parts/locked-course";
import { Trouble } from "../../ui/parts/trouble";
import { Course } from "./course";
import type { Route } from "./+types/page";
import { packetDetour } from "./packet-places";

export async function clientLoader({ request, params, context }: Route.ClientLoaderArgs) {
  const { repository, session } = await openCourse(context, params.slot);
  const isPacket = courseOf(session.state).packet !== null;
  const detour = isPacket ? packetDetour(params.slot, new URL(request.url).pathname) : null;
  // oxlint-disable-next-line typescript/only-throw-error -- the router's way to lead elsewhere
  if (detour) throw redirect(detour);
  const [courses, light] = await Promise.all([repository.coursesAtHand(), known(repository, "light")]);
  if (lastCourse !== params.slot) keep(repository, "last-course", params.slot);
  lastCourse = params.slot;
  return {
    repository,
    session,
    courses,
    light,
    isPacket,
    lock: repository.locksmith.factsOf(params.slot),
    settings: live(session, (state) => {
      const { decimalMark, timeZone } = courseOf(state);
      return { decimalMark, timeZone };
    }),
    shown: live(session, (state) => ({
      state,
      title: courseOf(state).shortTitle,
      undo: session.history.undoable.at(-1)?.line ?? null,
      redo: session.history.redoable.at(-1)?.line ?? null,
    })),
  };
}

// Written only when another course is opened.
let lastCourse: string | null = null;

export default function CoursePage({ loaderData, params }: Route.ComponentProps) {
  return <Course loaderData={loaderData} slot={params.slot} />;
}

export function ErrorBoundary({ error, params }: Route.ErrorBoundaryProps) {
  if (isLocked(error)) return <LockedCourse {...error} />;
  if (error instanceof Error && error.name === "JournalError") {
    const newer = "reason" in error && error.reason === "newer";
    return (
      <Trouble
        what={
          newer
            ? `The course "${params.slot}" was written by a newer Upright Quill.`
            : `Nothing of the course "${params.slot}" can be read back from this browser.`
        }
        mend={
          newer
            ? "Open it with that newer one. Nothing was changed here."
            : "Read in its last course file. Nothing was changed here, and the other courses are as they were."
        }
      />
    );
  }
  return (
    <Trouble
      what={errorWords(error)}
      mend="Choose again from the course, or reload the page. What was kept is still kept."
    />
  );
}

function errorWords(error: unknown): string {
  if (isRouteErrorResponse(error) && typeof error.data === "string") return error.data;
  return error instanceof Error ? error.message : "Something went wrong.";
}
