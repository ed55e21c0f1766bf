import { fromDecimal, toNumber, type StudentId } from "#core/kernel";
import type { Assignment, CourseState } from "#core/model";
import { describeScores, histogram } from "#core/statistics";
import { figuresOf } from "#core/totals";

/** What the pane of one column shows; figures as text, in points. */
export interface ColumnSummary {
  readonly counts: readonly (readonly [name: string, value: string])[];
  readonly figures: readonly (readonly [name: string, value: string])[];
  readonly bars: readonly { readonly from: string; readonly to: string; readonly count: number }[];
}

/** Bars of the picture. */
const BARS = 12;

const text = (value: number): string => String(Math.round(value * 100) / 100);

/** Mean, spread and counts of one assignment over the students shown. */
export function columnSummary(
  state: CourseState,
  assignment: Assignment,
  students: readonly StudentId[],
): ColumnSummary {
  const { figure } = figuresOf(state);
  const all = students.map((id) => figure(assignment.id, id));
  const values = all.flatMap(({ counted }) => (counted ? [toNumber(counted)] : []));
  const count = (test: (one: (typeof all)[number]) => boolean) => String(all.filter(test).length);
  const described = describeScores(values);
  const top = Math.max(toNumber(fromDecimal(assignment.points)), described.ok ? described.value.highest : 0);
  const bins = values.length === 0 ? [] : histogram(values, 0, top, BARS);
  return {
    counts: [
      ["scored", count(({ counted, standing }) => counted !== null && standing === "handedIn")],
      ["waiting", count(({ waiting }) => waiting)],
      ["missing", count(({ standing }) => standing === "missing")],
      ["excused", count(({ standing }) => standing === "excused")],
      ["nothing in", count(({ standing }) => standing === "expected")],
      ["late", count(({ unitsLate }) => unitsLate > 0)],
      ["set by hand", count(({ source }) => source === "setByHand")],
    ],
    figures: described.ok
      ? [
          ["mean", text(described.value.mean)],
          ["median", text(described.value.median)],
          [
            "standard deviation",
            described.value.deviation.ok ? text(described.value.deviation.value) : "needs two scores",
          ],
          ["lowest", text(described.value.lowest)],
          ["highest", text(described.value.highest)],
        ]
      : [["mean", "no score yet"]],
    bars: bins.map(({ from, to, count: number }) => ({ from: text(from), to: text(to), count: number })),
  };
}
