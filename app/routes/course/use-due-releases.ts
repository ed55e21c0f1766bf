import { useEffect } from "react";
import type { CourseSession } from "#storage";
import { giveOutDue } from "../../course/open-course";

/** How often a timed release is looked for, in milliseconds. */
const LOOK_EVERY = 20_000;

/** Gives out timed releases when their moment comes while the course is open. */
export function useDueReleases(session: CourseSession): void {
  useEffect(() => {
    const timer = setInterval(() => {
      giveOutDue(session);
    }, LOOK_EVERY);
    return () => {
      clearInterval(timer);
    };
  }, [session]);
}
