import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { decimal } from "#core/kernel";
import { courseOf, recordsOf, resultOf, withRecords, type CourseState } from "#core/model";
import { anyCourse, run, studentId, runs } from "#core/testing";
import { isShown, shownTotals, visibleTo } from "./index";

const zero = studentId("0");

/** Everything a student can see, as text: what is visible of the work, and the totals on show. */
const seen = (state: CourseState) =>
  JSON.stringify([visibleTo(state, zero), shownTotals(state, zero).map(({ id, text }) => [id, text])]);

/** Any course with some scores given out, every total on show, totals resting on released scores. */
const anyReleased = fc
  .tuple(anyCourse(), fc.array(fc.boolean(), { minLength: 7, maxLength: 7 }))
  .map(([state, given]): CourseState => {
    const course = { ...courseOf(state), totalsRestOn: "released" as const };
    let released: CourseState = { ...state, courses: { [course.id]: course } };
    Object.values(state.assignments).forEach(({ id }, index) => {
      const facets = ["score", "rubric", "comments"] as const;
      if (!given[index]) return;
      const figures = recordsOf(state, "results").some((result) => result.assignmentId === id);
      if (figures) released = run(released, { type: "release", assignmentId: id, facets: [...facets] });
    });
    const ids = ["course", ...Object.keys(state.terms), ...Object.keys(state.categories)];
    const seals = ids.map((id) => [id, { id, state: "released" as const, at: null, shows: "percent" as const }]);
    return { ...released, totalSeals: Object.fromEntries(seals) as CourseState["totalSeals"] };
  });

describe("what a student sees", () => {
  it("does not change by a hair when any sealed or held value changes", () => {
    fc.assert(
      fc.property(anyReleased, fc.integer({ min: 0, max: 80 }), (state, tenths) => {
        const before = seen(state);
        for (const assignment of Object.values(state.assignments)) {
          if (isShown(state, assignment, zero, "score")) continue;
          const result = resultOf(state, assignment.id, zero);
          const changed = {
            ...result,
            score: decimal(String(tenths / 10)),
            setByHand: decimal(String(tenths / 8)),
            privateNote: "for no student's eyes",
            overallComment: "not given out",
          };
          expect(seen(withRecords(state, "results", [changed]))).toBe(before);
        }
      }),
      { numRuns: runs(150) },
    );
  });

  it("does not change when anything of another student changes", () => {
    fc.assert(
      fc.property(anyReleased, fc.integer({ min: 0, max: 80 }), (state, tenths) => {
        const others = recordsOf(state, "results").filter((result) => result.studentId !== zero);
        const results = others.map((result) => ({
          ...result,
          score: decimal(String(tenths / 10)),
          overallComment: "other",
        }));
        expect(seen(withRecords(state, "results", results))).toBe(seen(state));
      }),
      { numRuns: runs(100) },
    );
  });

  it("an edit after release changes nothing until it is given out again, not even in the totals", () => {
    fc.assert(
      fc.property(anyReleased, fc.integer({ min: 0, max: 80 }), (state, tenths) => {
        const results = recordsOf(state, "results").map((result) => ({
          ...result,
          setByHand: decimal(String(tenths / 10)),
        }));
        expect(seen(withRecords(state, "results", results))).toBe(seen(state));
      }),
      { numRuns: runs(100) },
    );
  });

  it("shows no total whose seal is not broken", () => {
    fc.assert(
      fc.property(anyReleased, (state) => {
        const timed = Object.fromEntries(
          Object.entries(state.totalSeals).map(([id, seal]) => [id, { ...seal, state: "timed" as const }]),
        );
        expect(shownTotals({ ...state, totalSeals: timed }, zero)).toEqual([]);
        expect(shownTotals({ ...state, totalSeals: {} }, zero)).toEqual([]);
      }),
      { numRuns: runs(30) },
    );
  });
});
