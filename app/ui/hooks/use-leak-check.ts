import { useCallback, useMemo } from "react";
import { leakReport, tellsSomething, type Checked } from "#core/changes";
import type { StudentId } from "#core/kernel";
import { studentsOf } from "#core/model";
import type { LeakReport } from "#core/release";
import { useSliced, type Sliced } from "./use-sliced";

/** Looks at every student for what they could work out, a stretch at a time; null looks at nothing. */
export function useLeakCheck(checked: Checked | null): Sliced<LeakReport> {
  const students = useMemo(() => (checked ? studentsOf(checked.state).map(({ id }) => id) : []), [checked]);
  const look = useCallback(
    (id: StudentId): LeakReport[] => {
      const report = checked && leakReport(checked, id);
      return report && tellsSomething(report) ? [report] : [];
    },
    [checked],
  );
  return useSliced(students, checked ? look : null);
}
