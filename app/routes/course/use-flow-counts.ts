import { startTransition, useEffect, useRef, useState } from "react";
import { assignmentsOf, type CourseState } from "#core/model";
import { flowCounts, laneOf, type FlowCounts } from "#core/release";
import type { CourseSession } from "#storage";
import type { oddWaiting } from "./odd-waiting";

/** Rest after a change before what waits is counted again, in milliseconds: no key waits for the counting. */
const REST = 700;
/** Longest stretch of counting before the page gets its turn, in milliseconds. */
const STRETCH = 8;

const NOTHING: FlowCounts = { plan: 0, collect: 0, score: 0, check: 0, release: 0 };

/** What tells how much is odd; it comes after the first counting, because no screen needs it to open. */
type OddIn = typeof oddWaiting;

/** What waits in each step of the work, counted shortly after a change, in stretches that nobody notices. */
export function useFlowCounts(session: CourseSession, state: CourseState): FlowCounts {
  const [counted, setCounted] = useState({ session, counts: NOTHING });
  // The first counting of a course does not wait; later ones rest until the typing has paused.
  const last = useRef<CourseSession | null>(null);
  const [{ oddIn }, setOddIn] = useState<{ readonly oddIn: OddIn | null }>({ oddIn: null });
  useEffect(() => {
    // Without it the steps count as before.
    void import("./odd-waiting").then(
      (loaded) => {
        setOddIn({ oddIn: loaded.oddWaiting });
      },
      () => undefined,
    );
  }, []);
  useEffect(() => {
    const now = session.now();
    const work = assignmentsOf(state);
    let next = 0;
    let odd = 0;
    let timer: ReturnType<typeof setTimeout>;
    const count = () => {
      const until = performance.now() + STRETCH;
      // A lane is kept with its assignment until something in it changes, so looking again costs nothing.
      while (next < work.length && performance.now() < until) {
        const assignment = work[next];
        if (assignment) {
          laneOf(state, assignment, now);
          odd += oddIn?.(session, state, assignment, now) ?? 0;
        }
        next += 1;
      }
      if (next < work.length) {
        timer = setTimeout(count, 0);
        return;
      }
      last.current = session;
      startTransition(() => {
        const lanes = work.map((assignment) => laneOf(state, assignment, now));
        const counts = flowCounts(state, lanes);
        setCounted({ session, counts: { ...counts, check: counts.check + odd } });
      });
    };
    timer = setTimeout(count, last.current === session ? REST : 0);
    return () => {
      clearTimeout(timer);
    };
  }, [session, state, oddIn]);
  return counted.session === session ? counted.counts : NOTHING;
}
