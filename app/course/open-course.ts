import { data, type RouterContextProvider } from "react-router";
import { dueReleases, dueTotals } from "#core/release";
import type { CourseSession, Repository } from "#storage";
import { repositoryContext } from "../context";

export interface OpenCourse {
  readonly repository: Repository;
  readonly session: CourseSession;
}

/** The repository and the open course that a page's address names. @throws a 404 where there is no such course */
export async function openCourse(context: Readonly<RouterContextProvider>, slot: string): Promise<OpenCourse> {
  const repository = await context.get(repositoryContext);
  const session = await repository.session(slot);
  // eslint-disable-next-line @typescript-eslint/only-throw-error -- the router's way to answer 404
  if (!session) throw data(`There is no course "${slot}" in this browser.`, { status: 404 });
  giveOutDue(session);
  return { repository, session };
}

/** Gives out timed releases whose moment has come, also when it passed while the application was closed. */
export function giveOutDue(session: CourseSession): void {
  const { state } = session;
  const isDue = dueReleases(state, session.now()).length > 0 || dueTotals(state, session.now()).length > 0;
  if (isDue) session.submit({ type: "releaseDue" });
}

/** A record that an address names. @throws a 404 where there is none */
export function orMissing<T>(record: T | undefined, what: string): T {
  // eslint-disable-next-line @typescript-eslint/only-throw-error -- the router's way to answer 404
  if (record === undefined) throw data(`There is no such ${what} in this course.`, { status: 404 });
  return record;
}
