import { lazy, Suspense } from "react";
import { isRouteErrorResponse, Outlet, redirect } from "react-router";
import { courseOf } from "#core/model";
import { keep, known } from "../../course/choices";
import { CourseProvider } from "../../course/course-provider";
import { live, useLive } from "../../course/live";
import { isLocked, openCourse } from "../../course/open-course";
import { useFolderCopies } from "../../course/use-folder-copies";
import { useCourseLock } from "../../course/use-course-lock";
import { useKeysWait } from "../../ui/keys/use-keys-wait";
import { LockedCourse } from "../../ui/parts/locked-course";
import { Trouble } from "../../ui/parts/trouble";
import { NewsAtFoot } from "../../ui/news/news-at-foot";
import type { Route } from "./+types/page";
import { Bar } from "./bar";
import { PacketBar } from "./packet-bar";
import { packetDetour } from "./packet-places";
import { DropAnywhere } from "./drop-anywhere";
import { useFlowCounts } from "./use-flow-counts";

const DamageState = lazy(() => import("./damage-state"));

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
    shown: live(session, (state) => ({
      state,
      timeZone: courseOf(state).timeZone,
      title: courseOf(state).shortTitle,
      undo: session.history.undoable.at(-1)?.line ?? null,
      redo: session.history.redoable.at(-1)?.line ?? null,
    })),
  };
}

// Written only when another course is opened.
let lastCourse: string | null = null;

/** What is typed on the way to another page is for that one. Its own part, so that a way draws nothing else of the course anew. */
function KeysWait(): null {
  useKeysWait();
  return null;
}

export default function CoursePage({ loaderData, params }: Route.ComponentProps) {
  const { repository, session, courses, light, isPacket, lock } = loaderData;
  const shown = useLive(loaderData.shown);
  const { state, timeZone } = shown;
  const counts = useFlowCounts(session, state);
  const CourseBar = isPacket ? PacketBar : Bar;
  useFolderCopies(repository, session);
  const lockNow = useCourseLock(repository, session, lock);
  return (
    <CourseProvider session={session} hasLock={lock !== null}>
      <KeysWait />
      {/* Another way of writing figures reaches everything that is on screen. */}
      <div key={courseOf(state).decimalMark} className="flex min-h-screen flex-col">
        <CourseBar
          slot={params.slot}
          {...shown}
          session={session}
          courses={courses}
          light={light}
          counts={counts}
          onLock={lockNow}
          onLight={(chosen) => {
            keep(repository, "light", chosen);
          }}
        />
        {session.damage && (
          <Suspense fallback={null}>
            <DamageState repository={repository} session={session} damage={session.damage} timeZone={timeZone} />
          </Suspense>
        )}
        {isPacket ? (
          <Outlet />
        ) : (
          <DropAnywhere repository={repository} session={session}>
            <Outlet />
          </DropAnywhere>
        )}
        <NewsAtFoot />
      </div>
    </CourseProvider>
  );
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
