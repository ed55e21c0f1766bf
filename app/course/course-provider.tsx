import { createContext, type ReactNode } from "react";
import type { CourseSession } from "#storage";
import { DraftsContext } from "../ui/fields/drafts";
import { NamelessTitles } from "../ui/parts/page-title";

/** The course that is open on the page; null outside of one. */
export const SessionContext = createContext<CourseSession | null>(null);

/** Gives the open course to everything on a page. */
export function CourseProvider({
  session,
  hasLock,
  children,
}: {
  readonly session: CourseSession;
  /** A course with a lock leaves no names in the titles of its pages. */
  readonly hasLock: boolean;
  readonly children: ReactNode;
}) {
  return (
    <SessionContext value={session}>
      <NamelessTitles value={hasLock}>
        <DraftsContext value={session.drafts}>{children}</DraftsContext>
      </NamelessTitles>
    </SessionContext>
  );
}
