import { startTransition, useEffect, useRef, useState } from "react";
import type { Steps } from "#core/kernel";
import { assignmentsOf, type CourseState } from "#core/model";
import { flowCounts, laneInSteps, type FlowCounts, type Lane } from "#core/release";
import type { CourseSession } from "#storage";
import { takeInTurns } from "../../ui/hooks/in-turns";
import type { oddWaiting } from "./odd-waiting";

/** Rest after a change before what waits is counted again, in milliseconds: no key waits for the counting. */
const REST = 700;

const NOTHING: FlowCounts = { plan: 0, collect: 0, score: 0, check: 0, release: 0 };

/** What tells how much is odd; it comes after the first counting, because no screen needs it to open. */
type OddIn = typeof oddWaiting;

/** A lane is kept with its assignment until something in it changes, so looking again costs nothing. */
function* countInSteps(session: CourseSession, state: CourseState, oddIn: OddIn | null): Steps<FlowCounts> {
  const now = session.now();
  const lanes: Lane[] = [];
  let odd = 0;
  for (const assignment of assignmentsOf(state)) {
    lanes.push(yield* laneInSteps(state, assignment, now));
    odd += oddIn?.(session, state, assignment, now) ?? 0;
    yield;
  }
  const counts = flowCounts(state, lanes);
  return { ...counts, check: counts.check + odd };
}

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
    let leaveOff: () => void = () => undefined;
    const timer = setTimeout(
      () => {
        leaveOff = takeInTurns(countInSteps(session, state, oddIn), (ending) => {
          if ("error" in ending) {
            // What was counted before stays.
            reportError(ending.error);
            return;
          }
          last.current = session;
          startTransition(() => {
            setCounted({ session, counts: ending.value });
          });
        });
      },
      last.current === session ? REST : 0,
    );
    return () => {
      clearTimeout(timer);
      leaveOff();
    };
  }, [session, state, oddIn]);
  return counted.session === session ? counted.counts : NOTHING;
}
