import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  add,
  compare,
  contains,
  decimal,
  multiply,
  ratio,
  toNumber,
  whole,
  type Exact,
  type Interval,
} from "#core/kernel";
import { courseOf, recordAt, resultKey, withRecords, type CourseState } from "#core/model";
import { anyCourse, assignmentId, run, runs, smallCourse, studentId } from "#core/testing";
import { figuresOf } from "#core/totals";
import { leaksOf, shownTotals } from "../index";

const text = ({ low, lowIncluded, high, highIncluded }: Interval) =>
  `${lowIncluded ? "[" : "("}${String(toNumber(low))}, ${String(toNumber(high))}${highIncluded ? "]" : ")"}`;

/** A course whose totals are on show over everything, some scores given out and some sealed. */
const anyShownCourse = fc
  .tuple(
    anyCourse(),
    fc.array(fc.boolean(), { minLength: 7, maxLength: 7 }),
    fc.array(fc.boolean(), { minLength: 6, maxLength: 6 }),
    fc.boolean(),
  )
  .map(([state, given, seals, letter]): CourseState => {
    const course = { ...courseOf(state), totalsRestOn: "all" as const };
    const open = Object.values(state.assignments).filter((_, index) => given[index]);
    const before: CourseState = { ...state, courses: { [course.id]: course } };
    const released = open.reduce<CourseState>((so, { id }) => tryRelease(so, id), before);
    const ids = ["course", ...Object.keys(state.terms), ...Object.keys(state.categories)];
    const totalSeals = ids
      .filter((_, index) => index === 0 || seals[index % seals.length])
      .map((id) => ({
        id,
        state: "released" as const,
        at: null,
        shows: letter && id === "course" ? ("letter" as const) : ("percent" as const),
      }));
    return { ...released, totalSeals: Object.fromEntries(totalSeals.map((seal) => [seal.id, seal])) };
  });

function tryRelease(state: CourseState, id: ReturnType<typeof assignmentId>): CourseState {
  try {
    return run(state, { type: "release", assignmentId: id, facets: ["score"] });
  } catch {
    return state;
  }
}

describe("the leak check of a course", () => {
  it("always holds the true value of every sealed score, and nothing true is inconsistent", () => {
    fc.assert(
      fc.property(anyShownCourse, (state) => {
        const report = leaksOf(state, studentId("0"));
        expect(report.inconsistent).toEqual([]);
        for (const { assignmentId: id, interval } of report.leaks) {
          const { counted } = figuresOf(state).figure(id, studentId("0"));
          expect(counted && contains(interval, counted)).toBe(true);
        }
      }),
      { numRuns: runs(200) },
    );
  });

  it("the ends are reached: with the score at an end, the same totals would be shown", () => {
    const shown = (state: CourseState) =>
      shownTotals(state, studentId("ben")).map(({ id, text: figure }) => `${id} ${figure}`);
    /** One quiz, sealed, in a course whose total shows; Ben's essay is out. */
    const withQuiz = (essay: number, quiz: number, drop: boolean): CourseState => {
      const typed = run(
        smallCourse({ totalsRestOn: "all", lateRule: null }),
        { type: "setScore", assignmentId: assignmentId("essay"), studentId: studentId("ben"), text: String(essay) },
        { type: "setScore", assignmentId: assignmentId("quiz"), studentId: studentId("ben"), text: String(quiz) },
        { type: "release", assignmentId: assignmentId("essay"), facets: ["score"] },
      );
      const seal = { id: "course", state: "released" as const, at: null, shows: "percent" as const };
      const categories = Object.fromEntries(
        Object.entries(typed.categories).map(([id, category]) => [
          id,
          drop ? { ...category, keep: { kind: "dropLowest" as const, count: 1 } } : category,
        ]),
      );
      return { ...typed, categories, totalSeals: { course: seal } };
    };
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 100 }),
        fc.integer({ min: 0, max: 40 }),
        fc.boolean(),
        (essay, halves, drop) => {
          const state = withQuiz(essay, halves / 2, drop);
          const [leak] = leaksOf(state, studentId("ben")).leaks;
          if (!leak) throw new Error("the quiz is sealed and counts");
          const inside = { low: leak.interval.low, high: leak.interval.high };
          const step = ratio(1n, 1000n);
          const at = (value: Exact) => {
            const key = resultKey(assignmentId("quiz"), studentId("ben"));
            const result = recordAt(state, "results", key);
            const rounded = decimal((Math.round(toNumber(value) * 10_000) / 10_000).toString());
            return shown(result ? withRecords(state, "results", [{ ...result, score: rounded }]) : state);
          };
          expect(at(inside.low)).toEqual(shown(state));
          if (leak.interval.highIncluded) expect(at(inside.high)).toEqual(shown(state));
          else expect(at(add(inside.high, multiply(step, whole(-1))))).toEqual(shown(state));
          if (inside.low.n > 0n) expect(at(add(inside.low, multiply(step, whole(-1))))).not.toEqual(shown(state));
          if (compare(inside.high, whole(20)) < 0) expect(at(add(inside.high, step))).not.toEqual(shown(state));
        },
      ),
      { numRuns: runs(60) },
    );
  });

  it("nothing can be inferred where totals rest on released scores only (reference disclosure.12.not-in-total)", () => {
    fc.assert(
      fc.property(anyShownCourse, (state) => {
        const resting = {
          ...state,
          courses: { [courseOf(state).id]: { ...courseOf(state), totalsRestOn: "released" as const } },
        };
        expect(leaksOf(resting, studentId("0"))).toMatchObject({ leaks: [], inconsistent: [] });
      }),
      { numRuns: runs(100) },
    );
  });

  const sealedQuiz = (more: Parameters<typeof run>[1][] = []) => {
    const state = run(
      smallCourse({ totalsRestOn: "all", lateRule: null }),
      { type: "setScore", assignmentId: assignmentId("essay"), studentId: studentId("ben"), text: "80" },
      { type: "setScore", assignmentId: assignmentId("quiz"), studentId: studentId("ben"), text: "15" },
      { type: "release", assignmentId: assignmentId("essay"), facets: ["score"] },
      ...more,
    );
    return {
      ...state,
      totalSeals: { course: { id: "course", state: "released" as const, at: null, shows: "percent" as const } },
    };
  };

  it("a running total with one sealed score gives it away: 0.6 x 80 + 0.4 x 5 r = 78.0, so r is 15 (by hand)", () => {
    const [leak, ...others] = leaksOf(sealedQuiz(), studentId("ben")).leaks;
    expect(others).toEqual([]);
    expect(leak).toMatchObject({ assignmentId: "assignment:quiz", verdict: "certain", scoresLeft: 1, from: "totals" });
    // 77.95 <= 48 + 2 r < 78.05
    expect(leak && text(leak.interval)).toBe("[14.975, 15.025)");
  });

  it("a total seen before and after a change tells the change: the sealed essay cancels out", () => {
    const course = sealedQuiz();
    // The quiz was given out with 15, the essay is sealed; then the quiz becomes 16 and is not given out again.
    const type = (state: CourseState, figure: string): CourseState => ({
      ...run(state, {
        type: "setScore",
        assignmentId: assignmentId("quiz"),
        studentId: studentId("ben"),
        text: figure,
      }),
      totalSeals: course.totalSeals,
    });
    const given = run(run(course, { type: "seal", assignmentId: assignmentId("essay"), facets: ["score"] }), {
      type: "release",
      assignmentId: assignmentId("quiz"),
      facets: ["score"],
    });
    const before = { ...given, totalSeals: course.totalSeals };
    const after = type(before, "16");
    const ofQuiz = (report: ReturnType<typeof leaksOf>) =>
      report.leaks.find((leak) => leak.assignmentId === "assignment:quiz");
    const alone = ofQuiz(leaksOf(after, studentId("ben")));
    // 80.0 alone: 79.95 <= 0.6 e + 2 r with e up to 100 leaves r between 9.975 and 20.
    expect(alone && [text(alone.interval), alone.verdict]).toEqual(["[9.975, 20]", "open"]);
    // With 78.0 before at r = 15: 0.6 e lies in [47.95, 48.05), so 2 r lies within (31.9, 32.1).
    const both = ofQuiz(
      leaksOf(
        after,
        studentId("ben"),
        [after, before].map((state) => ({ state, totals: null })),
      ),
    );
    expect(both && [text(both.interval), both.verdict]).toEqual(["(15.95, 16.05)", "certain"]);
  });

  it("rubric detail that is out gives a sealed score away", () => {
    const judged = run(
      smallCourse({ releasePasses: ["rubric_tells_score"] }),
      ...[
        ["record", "18"],
        ["reasoning", "12"],
        ["writing", "7"],
      ].map(([criterion = "", points = ""]) => ({
        type: "judge" as const,
        assignmentId: assignmentId("essay"),
        studentId: studentId("ada"),
        criterionId: `criterion:${criterion}` as never,
        verdict: { kind: "points" as const, text: points },
      })),
      { type: "release", assignmentId: assignmentId("essay"), facets: ["rubric"] },
    );
    expect(leaksOf(judged, studentId("ada")).leaks).toMatchObject([
      { verdict: "certain", from: "rubric", assignmentId: "assignment:essay" },
    ]);
    expect(
      leaksOf(
        run(judged, { type: "release", assignmentId: assignmentId("essay"), facets: ["score"] }),
        studentId("ada"),
      ).leaks,
    ).toEqual([]);
  });

  it("a total that may leap when a score moves is named as not checked, never passed over as safe", () => {
    const state = sealedQuiz();
    const [course] = Object.values(state.courses);
    const [papers] = Object.values(state.categories);
    if (!course || !papers) throw new Error("no course");
    const dropping = { ...papers, keep: { kind: "dropLowest" as const, count: 1 } };
    const second = {
      ...(state.assignments["assignment:essay"] as object),
      id: "assignment:note",
      points: decimal("5"),
    };
    const result = {
      ...recordAt(state, "results", "assignment:essay/student:ben"),
      id: "assignment:note/student:ben",
      assignmentId: "assignment:note",
    };
    const leaping = {
      ...state,
      courses: { [course.id]: { ...course, totals: "points" } },
      categories: { ...state.categories, [papers.id]: dropping },
      assignments: { ...state.assignments, "assignment:note": second },
      results: {
        ...state.results,
        "assignment:note": { "assignment:note/student:ben": { ...result, score: decimal("4") } },
      },
    } as unknown as CourseState;
    expect(leaksOf(leaping, studentId("ben"))).toMatchObject({ unchecked: ["course"], leaks: [] });
    expect(leaksOf(state, studentId("ben")).unchecked).toEqual([]);
  });

  it("what is held for moderation, or for one student, is not visible and cannot count as known", () => {
    const state = sealedQuiz([{ type: "release", assignmentId: assignmentId("quiz"), facets: ["score"] }]);
    expect(leaksOf(state, studentId("ben")).leaks).toEqual([]);
    const quiz = state.assignments["assignment:quiz"];
    const held = {
      ...state,
      assignments: { ...state.assignments, ...(quiz && { [quiz.id]: { ...quiz, held: true } }) },
    };
    expect(leaksOf(held, studentId("ben")).leaks.map(({ verdict }) => verdict)).toEqual(["certain"]);
  });
});
