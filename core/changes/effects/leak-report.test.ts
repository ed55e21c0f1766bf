import { describe, expect, it } from "vitest";
import type { Instant } from "#core/kernel";
import { courseOf } from "#core/model";
import type { LeakReport } from "#core/release";
import { assignmentId, run, smallCourse, studentId } from "#core/testing";
import { leakReport, tellsSomething, type Command } from "../index";

describe("a report on what a student could work out", () => {
  const report = (found: Partial<LeakReport>): LeakReport => ({
    studentId: studentId("ben"),
    leaks: [],
    inconsistent: [],
    unchecked: [],
    ...found,
  });

  it("has something to stop at also where a total does not fit its parts, or could not be checked", () => {
    expect(tellsSomething(report({}))).toBe(false);
    expect(tellsSomething(report({ inconsistent: ["course"] }))).toBe(true);
    expect(tellsSomething(report({ unchecked: ["course"] }))).toBe(true);
  });

  describe("is worked out again", () => {
    const [ada, ben] = [studentId("ada"), studentId("ben")];
    const score = (whose: typeof ada, work: string, text: string): Command => ({
      type: "setScore",
      assignmentId: assignmentId(work),
      studentId: whose,
      text,
    });
    const seal: Command = { type: "sealTotal", id: "course", state: "released", at: null, shows: "percent" };
    const first = run(
      smallCourse({ totalsRestOn: "all", lateRule: null }),
      ...[ada, ben].flatMap((whose) => [score(whose, "essay", "70"), score(whose, "quiz", "11")]),
      { type: "release", assignmentId: assignmentId("essay"), facets: ["score"] },
      seal,
    );
    /** Several times at which totals were given out, each with another score behind it. */
    const states = ["12", "13", "14"].reduce(
      (all, text) => [run(all[0] ?? first, score(ada, "quiz", text)), ...all],
      [first],
    );
    const history = states.map((state, index) => ({
      at: `2026-10-0${String(index + 1)}T12:00:00Z` as Instant,
      state,
    }));
    const now = { state: states[0] ?? first, history };

    it("only for whom a score was changed, however many times totals were given out", () => {
      const before = [ada, ben].map((id) => leakReport(now, id));
      const then = { ...now, state: run(now.state, score(ben, "quiz", "15")) };
      const after = [ada, ben].map((id) => leakReport(then, id));
      expect([after[0] === before[0], after[1] === before[1]]).toEqual([true, false]);
    });

    it("where what totals rest on is another, though no figure is", () => {
      const before = leakReport(now, ada);
      const course = { ...courseOf(now.state), totalsRestOn: "released" as const };
      const rested = { ...now, state: { ...now.state, courses: { [course.id]: course } } };
      expect(leakReport(rested, ada)).not.toBe(before);
    });

    it("where totals were given out once more, or a copy is another one", () => {
      const before = leakReport(now, ada);
      const longer = { ...now, history: [...history, { at: "2026-09-01T12:00:00Z" as Instant, state: first }] };
      expect(leakReport(longer, ada)).not.toBe(before);
      const again = run(run(now.state, score(ada, "essay", "71")), {
        type: "release",
        assignmentId: assignmentId("essay"),
        facets: ["score"],
      });
      expect(leakReport({ ...now, state: again }, ada)).not.toBe(before);
    });
  });
});
