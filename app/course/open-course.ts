import { data, type RouterContextProvider } from "react-router";
import type { CourseLockedError, CourseSession, Repository } from "#storage";
import { courseOf } from "#core/model";
import { repositoryContext } from "../context";
import { writeAs } from "../ui/words/figures";

export interface OpenCourse {
  readonly repository: Repository;
  readonly session: CourseSession;
}

/** The repository and the open course that a page's address names. @throws a 404 where there is no such course */
export async function openCourse(context: Readonly<RouterContextProvider>, slot: string): Promise<OpenCourse> {
  const repository = await context.get(repositoryContext);
  const session = await repository.session(slot);
  // oxlint-disable-next-line typescript/only-throw-error -- the router's way to answer 404
  if (!session) throw data(`There is no course "${slot}" in this browser.`, { status: 404 });
  writeAs(courseOf(session.state));
  return { repository, session };
}

/** A record that an address names. @throws a 404 where there is none */
export function orMissing<T>(record: T | undefined, what: string): T {
  // oxlint-disable-next-line typescript/only-throw-error -- the router's way to answer 404
  if (record === undefined) throw data(`There is no such ${what} in this course.`, { status: 404 });
  return record;
}

/** Whether this is what `orMissing` throws. */
export const isMissing = (error: unknown): boolean =>
  typeof error === "object" &&
  error !== null &&
  "init" in error &&
  typeof error.init === "object" &&
  error.init !== null &&
  "status" in error.init &&
  error.init.status === 404;

/** Whether a page could not open because its course is locked. */
export const isLocked = (error: unknown): error is CourseLockedError =>
  error instanceof Error && error.name === "CourseLockedError";
