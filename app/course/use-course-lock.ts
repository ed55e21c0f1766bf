import { useCallback, useEffect, useMemo } from "react";
import type { CourseSession, LockFacts, Repository } from "#storage";
import { tellNews } from "../ui/news/tell";
import { useIdle } from "../ui/hooks/use-idle";

const NOT_LOCKED = "Not locked: something is not kept yet. Keep it first, or make a course file.";

/**
 * Locks the open course: on asking, after a while without a hand on it, or because another tab did. The page is loaded
 * anew, so that nothing of the course stays in its memory. Answers how to ask; null where the course has no lock.
 */
export function useCourseLock(
  repository: Repository,
  session: CourseSession,
  lock: LockFacts | null,
): (() => void) | null {
  const { locksmith } = repository;
  const lockNow = useCallback(async () => {
    await session.settled();
    // What could not be kept lives in this page alone; it is said in the bar.
    if (session.keeping.kind !== "kept") tellNews({ words: NOT_LOCKED });
    else locksmith.lock(session.slot);
  }, [locksmith, session]);
  useEffect(
    () =>
      locksmith.onLocked((slot) => {
        if (slot !== session.slot) return;
        void session.settled().then(() => {
          // What could not be kept lives in this page alone: it stays until it is.
          if (session.keeping.kind === "failed") tellNews({ words: NOT_LOCKED });
          else window.location.reload();
        });
      }),
    [locksmith, session],
  );
  useIdle(session.slot, lock?.idleMinutes ?? 0, lockNow);
  return useMemo(() => (lock ? () => void lockNow() : null), [lock, lockNow]);
}
