import { useEffect, useRef } from "react";
import { isRouteErrorResponse, Outlet, redirect, useNavigation, useRevalidator } from "react-router";
import { courseOf } from "#core/model";
import { openCourse } from "../../open-course";
import { startEmptyCourse } from "../../start-courses";
import { Trouble } from "../../ui/trouble";
import type { Route } from "./+types/page";
import { Bar } from "./bar";
import { useFlowCounts } from "./use-flow-counts";
import { useDueReleases } from "./use-due-releases";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { repository, session } = await openCourse(context, params.slot);
  const courses = await repository.coursesAtHand();
  if (lastCourse !== params.slot) void repository.remember("last-course", params.slot).catch(() => null);
  lastCourse = params.slot;
  const { state, history } = session;
  return {
    session,
    state,
    courses,
    title: courseOf(state).shortTitle,
    undo: history.undoable.at(-1)?.line ?? null,
    redo: history.redoable.at(-1)?.line ?? null,
  };
}

// Written only when another course is opened, not at every look.
let lastCourse: string | null = null;

/** Starts an empty course. */
export async function clientAction({ request, params, context }: Route.ClientActionArgs) {
  const { repository } = await openCourse(context, params.slot);
  const title = (await request.formData()).get("title");
  const name = typeof title === "string" && title.trim() !== "" ? title.trim().slice(0, 200) : "New course";
  const started = await startEmptyCourse(repository, name);
  return started.ok ? redirect(`/courses/${started.value}/plan`) : { issue: started.issue };
}

/** Time for the router's own look after an action, in milliseconds. */
const CATCH_UP = 60;

export default function CoursePage({ loaderData, params }: Route.ComponentProps) {
  const { session } = loaderData;
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
      <Outlet />
    </div>
  );
}

export function ErrorBoundary({ error, params }: Route.ErrorBoundaryProps) {
  const damaged = error instanceof Error && error.name === "JournalError";
  return damaged ? (
    <Trouble
      what={`The course "${params.slot}" cannot be read back: ${error.message}.`}
      mend="Read in your last course file under Files of another course. Nothing was changed here."
    />
  ) : (
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
