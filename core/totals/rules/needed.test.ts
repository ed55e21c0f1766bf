import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  compare,
  decimal,
  divide,
  fromDecimal,
  HUNDRED,
  multiply,
  pointsText,
  ratio,
  subtract,
  type Exact,
} from "#core/kernel";
import type { Assignment, CourseState } from "#core/model";
import { anyCourse, run, smallCourse, studentId, assignmentId, runs } from "#core/testing";
import { evaluate, figuresOf, itemOf, neededFor, planOf, reaches, type ItemSource } from "../index";

const sourceOf =
  (state: CourseState, name: string): ItemSource =>
  (assignment: Assignment) =>
    itemOf(assignment, figuresOf(state).figure(assignment.id, studentId(name)));

/** The course total when everything open comes out at a percentage. */
function totalAt(state: CourseState, name: string, percent: Exact): Exact | null {
  const source = sourceOf(state, name);
  const hoped: ItemSource = (assignment) => {
    const item = source(assignment);
    const open = item.value === null && (item.standing === "open" || item.standing === "missing") && !item.bonus;
    return open ? { ...item, standing: "counts", value: divide(multiply(item.points, percent), HUNDRED) } : item;
  };
  return evaluate(planOf(state), hoped, "now").percent;
}

describe("what is still needed", () => {
  // Papers weigh 60, quizzes 40. Ben's essay is open; his quiz came to 15 of 20.
  const ben = run(smallCourse(), {
    type: "setScore",
    assignmentId: assignmentId("quiz"),
    studentId: studentId("ben"),
    text: "15",
  });
  const needs = (bound: string, changes: Partial<CourseState["courses"][string]> = {}) => {
    const [course] = Object.values(ben.courses);
    const state = course ? { ...ben, courses: { [course.id]: { ...course, ...changes } } } : ben;
    return neededFor(planOf(state), sourceOf(state, "ben"), decimal(bound));
  };

  it("for 80 with 75 % of 40 in hand, by hand: (80 - 30) / 0.6, exactly", () => {
    expect(needs("80", { lettersCompare: "exact" })).toEqual({ kind: "needs", percent: ratio(250n, 3n), exact: true });
  });

  it("for 80.0 as displayed half a tenth less is enough: (79.95 - 30) / 0.6 = 83.25", () => {
    const need = needs("80");
    expect(need.kind === "needs" && pointsText(need.percent)).toBe("83.25");
  });

  it("says when it is reached whatever comes, and when it is out of reach with what is the most", () => {
    expect(needs("30")).toEqual({ kind: "reached" });
    expect(needs("90.1")).toMatchObject({ kind: "outOfReach", highest: ratio(90n, 1n) });
  });

  it("says when nothing counts", () => {
    const state = run(smallCourse(), {
      type: "setScore",
      assignmentId: assignmentId("quiz"),
      studentId: studentId("ben"),
      text: "x",
    });
    const none = run(state, {
      type: "setScore",
      assignmentId: assignmentId("essay"),
      studentId: studentId("ben"),
      text: "x",
    });
    expect(neededFor(planOf(none), sourceOf(none, "ben"), decimal("50"))).toEqual({ kind: "nothingCounts" });
  });

  it("the answer reaches the bound and a little less does not, in any course", () => {
    const bounds = fc.integer({ min: 1, max: 100 }).map((count) => decimal(String(count)));
    fc.assert(
      fc.property(anyCourse(), bounds, (state, bound) => {
        const plan = planOf(state);
        const need = neededFor(plan, sourceOf(state, "0"), bound);
        const at = (percent: Exact) => totalAt(state, "0", percent);
        const reached = (percent: Exact) => {
          const total = at(percent);
          return total !== null && reaches(plan.course, total, bound);
        };
        if (need.kind === "needs") {
          expect(reached(need.percent)).toBe(true);
          expect(compare(need.percent, HUNDRED)).toBeLessThanOrEqual(0);
          expect(reached(subtract(need.percent, ratio(3n, 10_000n)))).toBe(false);
        } else {
          expect(reached(HUNDRED)).toBe(need.kind === "reached");
        }
        expect(need.kind === "reached").toBe(reached(fromDecimal(decimal("0"))) && at(HUNDRED) !== null);
      }),
      { numRuns: runs(150) },
    );
  });
});
