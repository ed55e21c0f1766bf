import { createContext, type ReactNode } from "react";
import type { CourseSession } from "#storage";
import { DraftsContext } from "../ui/fields/drafts";

/** The course that is open on the page; null outside of one. */
export const SessionContext = createContext<CourseSession | null>(null);

/** Gives the open course to everything on a page. */
export function CourseProvider({
  session,
  children,
}: {
  readonly session: CourseSession;
  readonly children: ReactNode;
}) {
  return (
    <SessionContext value={session}>
      <DraftsContext value={session.drafts}>{children}</DraftsContext>
    </SessionContext>
  );
}
