import { createContext, useEffect, useRef, type ReactNode } from "react";
import { useNavigation, useRevalidator } from "react-router";
import type { CourseState } from "#core/model";
import type { CourseSession } from "#storage";
import { DraftsContext } from "../ui/fields/drafts";

/** The course that is open on the page; null outside of one. */
export const SessionContext = createContext<CourseSession | null>(null);

/**
 * Gives the open course to everything on a page, and lets the page follow it: whatever changed it, a key here, another
 * tab, a moment that was set, the loaders look again until what they showed is what stands. `shown` must have been read no
 * later than anything else on the page, or something on it could stay behind unseen.
 */
export function CourseProvider(props: {
  readonly session: CourseSession;
  readonly shown: CourseState;
  readonly children: ReactNode;
}) {
  const { session, shown, children } = props;
  const { revalidate, state: looking } = useRevalidator();
  const isMoving = useNavigation().state !== "idle";
  const latest = useRef({ shown, isBusy: false });
  useEffect(() => {
    latest.current = { shown, isBusy: isMoving || looking !== "idle" };
    const follow = () => {
      const { shown: seen, isBusy } = latest.current;
      // What comes while a look is under way is seen to when it has ended: here, because this effect runs again then.
      if (isBusy || session.state === seen) return;
      latest.current = { shown: seen, isBusy: true };
      void revalidate();
    };
    follow();
    return session.subscribe(follow);
  }, [session, shown, isMoving, looking, revalidate]);
  return (
    <SessionContext value={session}>
      <DraftsContext value={session.drafts}>{children}</DraftsContext>
    </SessionContext>
  );
}
