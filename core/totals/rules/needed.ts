import { divide, firstReaching, HUNDRED, multiply, ZERO, type Decimal, type Exact } from "#core/kernel";
import type { CoursePlan } from "./course-plan";
import { evaluate, type ItemSource } from "./evaluate";
import { leastReaching, reaches } from "./letters";

/** What is still needed for a bound: on average, in percent of the open work's points. */
export type Needed =
  | { readonly kind: "nothingCounts" }
  /** Reached whatever comes. */
  | { readonly kind: "reached" }
  /** Out of reach: even full points for all that is open come to `highest`. */
  | { readonly kind: "outOfReach"; readonly highest: Exact }
  /** `percent` for all open work reaches the bound, and less does not; `exact` unless it was only closed in on. */
  | { readonly kind: "needs"; readonly percent: Exact; readonly exact: boolean };

/** The course total when all open work comes out at a percentage of its points; bonus work stays out of it. */
function totalAt(plan: CoursePlan, source: ItemSource, percent: Exact): Exact | null {
  const hoped: ItemSource = (assignment) => {
    const item = source(assignment);
    const open = item.value === null && (item.standing === "open" || item.standing === "missing") && !item.bonus;
    return open ? { ...item, standing: "counts", value: divide(multiply(item.points, percent), HUNDRED) } : item;
  };
  return evaluate(plan, hoped, "now").percent;
}

/**
 * The average still needed on all open work for a total to reach `bound` percent: a letter's band or the pass mark. The
 * total never falls when the average rises and is made of straight pieces; see `firstReaching`.
 */
export function neededFor(plan: CoursePlan, source: ItemSource, bound: Decimal): Needed {
  const { course } = plan;
  const total = (percent: Exact): Exact => totalAt(plan, source, percent) ?? ZERO;
  const highest = totalAt(plan, source, HUNDRED);
  if (!highest) return { kind: "nothingCounts" };
  if (!reaches(course, highest, bound)) return { kind: "outOfReach", highest };
  if (reaches(course, total(ZERO), bound)) return { kind: "reached" };
  const crossing = firstReaching(total, ZERO, HUNDRED, leastReaching(course, bound));
  return crossing ? { kind: "needs", percent: crossing.at, exact: crossing.exact } : { kind: "outOfReach", highest };
}
