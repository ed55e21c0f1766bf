import { useEffect, useRef } from "react";
import { isRouteErrorResponse, Outlet, useNavigation, useRevalidator } from "react-router";
import { courseOf } from "#core/model";
import { openCourse } from "../../open-course";
import { Trouble } from "../../ui/trouble";
import type { Route } from "./+types/page";
import { Bar } from "./bar";
import { DamageState } from "./damage-state";
import { useFlowCounts } from "./use-flow-counts";
import { useDueReleases } from "./use-due-releases";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { repository, session } = await openCourse(context, params.slot);
  const courses = await repository.coursesAtHand();
  if (lastCourse !== params.slot) void repository.remember("last-course", params.slot).catch(() => null);
  lastCourse = params.slot;
  const { state, history } = session;
  return {
    repository,
    session,
    state,
    timeZone: courseOf(state).timeZone,
    courses,
    title: courseOf(state).shortTitle,
    undo: history.undoable.at(-1)?.line ?? null,
    redo: history.redoable.at(-1)?.line ?? null,
  };
}

// Written only when another course is opened, not at every look.
let lastCourse: string | null = null;

/** Time for the router's own look after an action, in milliseconds. */
const CATCH_UP = 60;

export default function CoursePage({ loaderData, params }: Route.ComponentProps) {
  const { repository, session, timeZone } = loaderData;
  const { revalidate } = useRevalidator();
  const shown = useRef(loaderData.state);
  useEffect(() => {
    shown.current = loaderData.state;
  }, [loaderData.state]);
  useEffect(() => {
    // After our own actions the router looks again by itself. Another tab's change, or a look that was overtaken, leaves
    // the screen behind the state; then it is made to look.
    let timer: ReturnType<typeof setTimeout> | undefined;
    const stop = session.subscribe(() => {
      clearTimeout(timer);
      timer = setTimeout(() => {
        if (session.state !== shown.current) void revalidate();
      }, CATCH_UP);
    });
    return () => {
      clearTimeout(timer);
      stop();
    };
  }, [session, revalidate]);
  // A change made while a screen was on its way, such as a comment kept in leaving, may have come too late for its look.
  const underWay = useNavigation().state !== "idle";
  const before = useRef(session.state);
  useEffect(() => {
    if (underWay) before.current = session.state;
    else if (before.current !== session.state) {
      before.current = session.state;
      void revalidate();
    }
  }, [underWay, session, revalidate]);
  useDueReleases(session, revalidate);
  const counts = useFlowCounts(session, loaderData.state);
  return (
    <div className="flex min-h-screen flex-col">
      <Bar slot={params.slot} {...loaderData} counts={counts} />
      {session.damage && (
        <DamageState repository={repository} session={session} damage={session.damage} timeZone={timeZone} />
      )}
      <Outlet />
    </div>
  );
}

export function ErrorBoundary({ error, params }: Route.ErrorBoundaryProps) {
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
