import { lazy, memo, Suspense, type ReactNode } from "react";
import { Outlet } from "react-router";
import { CourseProvider } from "../../course/course-provider";
import { useLive } from "../../course/live";
import { useCourseLock } from "../../course/use-course-lock";
import { useFolderCopies } from "../../course/use-folder-copies";
import { WayContext } from "../../ui/ways/use-go-to";
import { useKeysWait } from "../../ui/keys/use-keys-wait";
import { NewsAtFoot } from "../../ui/news/news-at-foot";
import type { Route } from "./+types/page";
import { DropAnywhere } from "./drop-anywhere";
import { LiveBar } from "./live-bar";

const DamageState = lazy(() => import("./damage-state"));

/** What is typed on the way to another page is for that one. Its own part, so that a way draws nothing else of the course anew. */
function KeysWait({ children }: { readonly children: ReactNode }) {
  return <WayContext value={useKeysWait()}>{children}</WayContext>;
}

type CourseData = Route.ComponentProps["loaderData"];

interface CourseProps {
  readonly slot: string;
  readonly loaderData: CourseData;
}

/** What every screen of a course has round it. Ways and changes draw only the parts of it that tell of them. */
export const Course = memo(function Course({ slot, loaderData }: CourseProps) {
  const { repository, session, isPacket, lock } = loaderData;
  const { decimalMark, timeZone } = useLive(loaderData.settings);
  useFolderCopies(repository, session);
  const lockNow = useCourseLock(repository, session, lock);
  return (
    <CourseProvider session={session} hasLock={lock !== null}>
      <KeysWait>
        {/* Another way of writing figures reaches everything that is on screen. */}
        <div key={decimalMark} className="flex min-h-screen flex-col">
          <LiveBar slot={slot} loaderData={loaderData} onLock={lockNow} />
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
      </KeysWait>
    </CourseProvider>
  );
});
