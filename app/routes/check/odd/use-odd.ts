import { useCallback, useDeferredValue, useMemo } from "react";
import { oddFound, percentsOf, pointedWork, type OddFound } from "#core/statistics";
import type { Assignment } from "#core/model";
import { useSliced } from "../../../ui/hooks/use-sliced";
import type { Looked } from "../rows";

/**
 * What looks odd; null while it is being looked for, a stretch at a time: the figures of all other work come first, and are
 * kept. What was asked for with it, the spread, is drawn before.
 */
export function useOdd(asked: Looked | null): OddFound | null {
  const looked = useDeferredValue(asked);
  const state = looked?.state ?? null;
  const work = useMemo(() => (state ? pointedWork(state) : []), [state]);
  const warm = useCallback(
    (assignment: Assignment): readonly never[] => {
      if (state) percentsOf(state, assignment);
      return [];
    },
    [state],
  );
  const { done, of } = useSliced(work, state ? warm : null);
  const isReady = done === of && of === work.length;
  const found = useMemo(
    () => (isReady && looked ? oddFound(looked.state, looked.assignment, looked.scorings, looked.order) : null),
    [isReady, looked],
  );
  return looked?.assignment.id === asked?.assignment.id ? found : null;
}
