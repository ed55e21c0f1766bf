import type { StudentId } from "#core/kernel";
import type { Assignment, CourseState } from "#core/model";
import { pointedWork, scoredPercents } from "../class/course";
import { quantile, sumOf } from "../figures/describe";

/** A paper far from the student's other work, in percent. */
export interface FarPaper {
  readonly studentId: StudentId;
  readonly percent: number;
  /** Mean of their other work. */
  readonly others: number;
}

/** Other scored work a student must have before one piece can be far from it. */
const LEAST_OTHERS = 3;
/** Papers that must be comparable before any of them can stand out. */
const LEAST_PAPERS = 8;
/** Modified z-scores beyond this are possible outliers (Iglewicz, B. & Hoaglin, D. C., 1993, How to Detect and Handle Outliers). */
const MODIFIED_Z = 3.5;
/** Makes the median absolute deviation of a normal spread its standard deviation: the same source. */
const NORMAL = 0.6745;
/** Percentage points under which nothing is far, however alike the class is. */
const LEAST_APART = 15;

/**
 * Papers that lie far from their student's other work, measured against how far the class lies from its own: the modified
 * z-score of (this paper - mean of the others) within the class. What is missing says nothing about what a student can do.
 */
export function farFromOwnWork(state: CourseState, assignment: Assignment): FarPaper[] {
  const here = scoredPercents(state, assignment);
  const elsewhere = pointedWork(state)
    .filter(({ id }) => id !== assignment.id)
    .map((other) => scoredPercents(state, other));
  const papers = [...here].flatMap(([studentId, percent]) => {
    const others = elsewhere.flatMap((percents) => percents.get(studentId) ?? []);
    if (others.length < LEAST_OTHERS) return [];
    const mean = sumOf(others) / others.length;
    return [{ studentId, percent, others: mean, apart: percent - mean }];
  });
  if (papers.length < LEAST_PAPERS) return [];
  const middle = median(papers.map(({ apart }) => apart));
  const deviation = median(papers.map(({ apart }) => Math.abs(apart - middle)));
  return papers
    .filter(({ apart }) => {
      const shift = Math.abs(apart - middle);
      return shift >= LEAST_APART && NORMAL * shift > MODIFIED_Z * deviation;
    })
    .map(({ studentId, percent, others }) => ({ studentId, percent, others }));
}

function median(values: readonly number[]): number {
  const found = quantile(values, 0.5);
  return found.ok ? found.value : 0;
}
