import fc from "fast-check";
import solver from "javascript-lp-solver";
import { describe, expect, it } from "vitest";
import {
  add,
  closed,
  compare,
  contains,
  decimal,
  divide,
  fromDecimal,
  HUNDRED,
  multiply,
  ratio,
  sum,
  toNumber,
  whole,
  ZERO,
  type Exact,
  type Interval,
} from "#core/kernel";
import { courseOf, resultKey, type CourseState } from "#core/model";
import { anyCourse, assignmentId, reference, run, smallCourse, studentId } from "#core/testing";
import { capped, categoryTotal, figuresOf, type Item } from "#core/totals";
import {
  classFigureLeaks,
  countSteps,
  displayedInterval,
  leaksOf,
  letterInterval,
  narrow,
  shownTotals,
  verdictOf,
  type Source,
  type Total,
} from "./index";

const exact = (value: number): Exact => fromDecimal(decimal(String(value)));
const known = (value: number): Source => ({ kind: "known", value: exact(value) });
const hidden = (id: string): Source => ({ kind: "hidden", id });
const free = (...maxima: [string, number][]) => new Map(maxima.map(([id, most]) => [id, closed(ZERO, exact(most))]));
const shownAs = (value: number, percentPlaces: number) => displayedInterval(exact(value), { percentPlaces });

/** A linear total: the sum of its parts, each with a factor. */
function linear(parts: readonly [Source, Exact][], shown: Interval | null, id = "total"): Total {
  return {
    kind: "total",
    id,
    parts: parts.map(([part]) => part),
    combine: (values) => sum(parts.map(([, factor], place) => multiply(factor, values[place] ?? ZERO))),
    shown,
  };
}
const weights = (list: readonly number[]) => list.map((weight) => divide(exact(weight), HUNDRED));
const outOf = (points: number) => divide(HUNDRED, exact(points));
const text = ({ low, lowIncluded, high, highIncluded }: Interval) =>
  `${lowIncluded ? "[" : "("}${String(toNumber(low))}, ${String(toNumber(high))}${highIncluded ? "]" : ")"}`;
interface Bounds {
  readonly low: number;
  readonly lowIncluded: boolean;
  readonly high: number;
  readonly highIncluded: boolean;
}
const asText = (bounds: Bounds) =>
  `${bounds.lowIncluded ? "[" : "("}${String(bounds.low)}, ${String(bounds.high)}${bounds.highIncluded ? "]" : ")"}`;

// Problem class of all: Cox, L. H. (1980), Suppression methodology and statistical disclosure control, JASA 75, 377-385.
describe("what follows from totals shown", () => {
  const one = (total: Total | readonly Total[], ...maxima: [string, number][]) => {
    const totals = "kind" in total ? [total] : total;
    return narrow(totals, free(...maxima));
  };

  it("a third category behind a whole percentage (reference disclosure.1.weighted-whole)", () => {
    const { input, expected } = reference<{ weights: number[] }, { interval: Bounds }>("disclosure.1.weighted-whole");
    const [a, b, c] = weights(input.weights) as [Exact, Exact, Exact];
    const total = linear(
      [
        [known(85), a],
        [known(78), b],
        [hidden("c"), c],
      ],
      shownAs(81, 0),
    );
    const { intervals, inconsistent } = one(total, ["c", 100]);
    expect(inconsistent).toEqual([]);
    expect(text(intervals.get("c") as Interval)).toBe(asText(expected.interval));
  });

  it("one item behind one decimal (reference disclosure.2.points-one-decimal), one half point possible", () => {
    const { expected } = reference<unknown, { interval: Bounds; halfPoints: number[] }>(
      "disclosure.2.points-one-decimal",
    );
    const total = linear(
      [known(18), known(26), hidden("c")].map((part) => [part, outOf(100)]),
      shownAs(83.5, 1),
    );
    const found = one(total, ["c", 50]).intervals.get("c") as Interval;
    expect(text(found)).toBe(asText(expected.interval));
    expect(countSteps(found, ratio(1n, 2n))).toBe(expected.halfPoints.length);
  });

  it("a second hidden item widens the first but not wholly itself (reference disclosure.3.two-hidden-points)", () => {
    const { expected } = reference<unknown, { item2: Bounds; item3: Bounds }>("disclosure.3.two-hidden-points");
    const total = linear(
      [known(30), hidden("b"), hidden("c")].map((part) => [part, outOf(100)]),
      shownAs(70, 0),
    );
    const { intervals } = one(total, ["b", 20], ["c", 40]);
    expect(text(intervals.get("b") as Interval)).toBe(asText(expected.item2));
    expect(text(intervals.get("c") as Interval)).toBe(asText(expected.item3));
  });

  it("bonus in the numerator, capped or not (reference disclosure.5.extra-credit)", () => {
    const { expected } = reference<unknown, { interval: Bounds; ifCappedAt100Shown100: Bounds }>(
      "disclosure.5.extra-credit",
    );
    const plain = linear(
      [known(96), hidden("extra")].map((part) => [part, outOf(100)]),
      shownAs(104, 0),
    );
    expect(text(one(plain, ["extra", 12]).intervals.get("extra") as Interval)).toBe(asText(expected.interval));
    const cut: Total = {
      ...plain,
      combine: (values) => capped({ capAtHundred: true }, plain.combine(values)),
      shown: shownAs(100, 0),
    };
    expect(text(one(cut, ["extra", 12]).intervals.get("extra") as Interval)).toBe(
      asText(expected.ifCappedAt100Shown100),
    );
  });

  it("the lowest dropped: anything up to where it would be felt (reference disclosure.6.dropped-lowest)", () => {
    const { expected } = reference<unknown, { interval: Bounds }>("disclosure.6.dropped-lowest");
    const item = (value: Exact | null, id: string): Item => ({
      id,
      value,
      points: whole(10),
      bonus: false,
      alwaysCounts: false,
      standing: "counts",
    });
    const total: Total = {
      kind: "total",
      id: "category",
      parts: [known(9), known(7), known(8), hidden("d")],
      combine: (values) =>
        categoryTotal(
          { method: "pooled", keep: { kind: "dropLowest", count: 1 } },
          values.map((value, index) => item(value, String(index))),
          "now",
        ).percent,
      shown: shownAs(80, 1),
    };
    expect(text(one(total, ["d", 10]).intervals.get("d") as Interval)).toBe(asText(expected.interval));
  });

  it("a total seen before and after a change (reference disclosure.7.before-after)", () => {
    const { expected } = reference<unknown, { knowingEarned101: Bounds; fromShownFiguresOnly: Bounds }>(
      "disclosure.7.before-after",
    );
    const after = (rest: Source) =>
      linear(
        [rest, hidden("new")].map((part) => [part, outOf(150)]),
        shownAs(85, 1),
        "after",
      );
    const knowing = one(after(known(101)), ["new", 30]).intervals.get("new") as Interval;
    expect(text(knowing)).toBe(asText(expected.knowingEarned101));
    const before = linear([[hidden("rest"), outOf(120)]], shownAs(84.2, 1), "before");
    const both = one([before, after(hidden("rest"))], ["rest", 120], ["new", 30]).intervals.get("new") as Interval;
    expect(text(both)).toBe(asText(expected.fromShownFiguresOnly));
  });

  it("another person's score from the mean of a group (reference disclosure.9.group-mean)", () => {
    const { expected } = reference<unknown, { n2: Bounds; n5_eachOther: Bounds }>("disclosure.9.group-mean");
    const mean = (others: number, shown: Interval) => {
      const ids = Array.from({ length: others }, (_, index) => `other${String(index)}`);
      const share = ratio(1n, BigInt(others + 1));
      const total = linear(
        [known(81), ...ids.map(hidden)].map((part) => [part, share]),
        shown,
      );
      return one(total, ...ids.map((id): [string, number] => [id, 100])).intervals.get("other0") as Interval;
    };
    expect(text(mean(1, shownAs(74, 0)))).toBe(asText(expected.n2));
    expect(text(mean(4, shownAs(74, 1)))).toBe(asText(expected.n5_eachOther));
  });

  it("parts that cannot give the total are reported, never taken as safe (reference disclosure.11.inconsistent)", () => {
    const { input } = reference<{ weights: number[]; visible: number[] }, unknown>("disclosure.11.inconsistent");
    const [a, b, c] = weights(input.weights) as [Exact, Exact, Exact];
    const total = linear(
      [
        [known(85), a],
        [known(78), b],
        [hidden("c"), c],
      ],
      shownAs(95, 0),
    );
    expect(one(total, ["c", 100]).inconsistent).toEqual(["total"]);
  });

  it("rows and columns of a table give its cells (reference disclosure.14.table-margins)", () => {
    const { expected } = reference<unknown, { allFour: Record<string, number[]> }>("disclosure.14.table-margins");
    const point = (value: number) => closed(exact(value), exact(value));
    const line = (id: string, parts: readonly Source[], value: number) =>
      linear(
        parts.map((part) => [part, whole(1)]),
        point(value),
        id,
      );
    const [a, b, c, d] = ["cell00", "cell01", "cell10", "cell11"].map(hidden) as [Source, Source, Source, Source];
    const all = [
      line("row1", [a, b], 14),
      line("row2", [c, d], 14),
      line("col1", [a, c], 13),
      line("col2", [b, d], 15),
    ];
    const { intervals } = one(all, ["cell00", 10], ["cell01", 10], ["cell10", 10], ["cell11", 10]);
    for (const id of ["cell00", "cell01", "cell10", "cell11"]) {
      const { low, high } = intervals.get(id) as Interval;
      expect([toNumber(low), toNumber(high)]).toEqual(expected.allFour[id]);
    }
    const single = one([line("row1", [a, known(6)], 14)], ["cell00", 10]).intervals.get("cell00") as Interval;
    expect(text(single)).toBe("[8, 8]");
  });

  it("agrees with a linear programming library on any linear tree of totals (javascript-lp-solver 1.0.3)", () => {
    const group = fc.array(
      fc.record({ maximum: fc.integer({ min: 4, max: 30 }), share: fc.integer({ min: 0, max: 4 }) }),
      {
        minLength: 1,
        maxLength: 3,
      },
    );
    fc.assert(
      fc.property(
        fc.array(group, { minLength: 1, maxLength: 3 }),
        fc.array(fc.boolean(), { minLength: 3, maxLength: 3 }),
        (groups, seen) => {
          const scores = groups.map((list) => list.map(({ maximum, share }) => (maximum * share) / 4));
          const value = (list: readonly number[]) => sum(list.map(exact));
          const grand = value(scores.flat());
          const children = groups.map((list, at): Total => {
            const parts = list.map((_, place): [Source, Exact] => [hidden(`${String(at)}.${String(place)}`), whole(1)]);
            return linear(
              parts,
              seen[at] ? displayedInterval(value(scores[at] ?? []), { percentPlaces: 0 }) : null,
              `group${String(at)}`,
            );
          });
          const root = linear(
            children.map((child) => [child, whole(1)]),
            displayedInterval(grand, { percentPlaces: 0 }),
            "grand",
          );
          const maxima = groups.flatMap((list, at) =>
            list.map(({ maximum }, place): [string, number] => [`${String(at)}.${String(place)}`, maximum]),
          );
          const { intervals } = narrow([root], free(...maxima));
          for (const [id] of maxima) {
            for (const end of ["low", "high"] as const) {
              const constraints: Record<string, { min?: number; max?: number }> = {};
              const variables: Record<string, Record<string, number>> = {};
              const bound = (name: string, shown: Interval | null) => {
                if (shown) constraints[name] = { min: toNumber(shown.low), max: toNumber(shown.high) };
              };
              bound("grand", root.shown);
              children.forEach((child) => {
                bound(child.id, child.shown);
              });
              for (const [name, maximum] of maxima) {
                constraints[`most${name}`] = { max: maximum };
                variables[name] = {
                  grand: 1,
                  [`group${name.split(".")[0] ?? ""}`]: 1,
                  [`most${name}`]: 1,
                  goal: name === id ? 1 : 0,
                };
              }
              const solved = solver.Solve({
                optimize: "goal",
                opType: end === "low" ? "min" : "max",
                constraints,
                variables,
              }) as { result?: number };
              expect(toNumber((intervals.get(id) as Interval)[end])).toBeCloseTo(solved.result ?? 0, 6);
            }
          }
        },
      ),
      { numRuns: 60 },
    );
  });
});

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
      { numRuns: 200 },
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
            const result = state.results[key];
            const rounded = decimal((Math.round(toNumber(value) * 10_000) / 10_000).toString());
            return shown({
              ...state,
              results: { ...state.results, ...(result && { [key]: { ...result, score: rounded } }) },
            });
          };
          expect(at(inside.low)).toEqual(shown(state));
          if (leak.interval.highIncluded) expect(at(inside.high)).toEqual(shown(state));
          else expect(at(add(inside.high, multiply(step, whole(-1))))).toEqual(shown(state));
          if (inside.low.n > 0n) expect(at(add(inside.low, multiply(step, whole(-1))))).not.toEqual(shown(state));
          if (compare(inside.high, whole(20)) < 0) expect(at(add(inside.high, step))).not.toEqual(shown(state));
        },
      ),
      { numRuns: 60 },
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
      { numRuns: 100 },
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
    expect(leak).toMatchObject({ assignmentId: "assignment:quiz", verdict: "exact", possible: 1, from: "totals" });
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
    const both = ofQuiz(leaksOf(after, studentId("ben"), [before]));
    expect(both && [text(both.interval), both.verdict]).toEqual(["(15.95, 16.05)", "exact"]);
  });

  it("rubric detail that is out gives a sealed score away", () => {
    const judged = run(
      smallCourse(),
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
      { verdict: "exact", from: "rubric", assignmentId: "assignment:essay" },
    ]);
    expect(
      leaksOf(
        run(judged, { type: "release", assignmentId: assignmentId("essay"), facets: ["score"] }),
        studentId("ada"),
      ).leaks,
    ).toEqual([]);
  });

  it("what is held for moderation, or for one student, is not visible and cannot count as known", () => {
    const state = sealedQuiz([{ type: "release", assignmentId: assignmentId("quiz"), facets: ["score"] }]);
    expect(leaksOf(state, studentId("ben")).leaks).toEqual([]);
    const quiz = state.assignments["assignment:quiz"];
    const held = {
      ...state,
      assignments: { ...state.assignments, ...(quiz && { [quiz.id]: { ...quiz, held: true } }) },
    };
    expect(leaksOf(held, studentId("ben")).leaks.map(({ verdict }) => verdict)).toEqual(["exact"]);
  });
});

describe("verdicts", () => {
  const course = { ...courseOf(smallCourse()), passMark: decimal("60") };
  const between = (low: number, high: number) => closed(exact(low), exact(high));
  const full = between(0, 20);
  it.each([
    ["one possible score", between(14.9, 15.1), 1, "exact"],
    ["a tenth of the points", between(10, 12), 5, "narrow"],
    ["all above the pass mark", between(12, 20), 17, "narrow"],
    ["all below it", between(0, 11.9), 24, "narrow"],
    ["on both sides", between(8, 17), 19, "open"],
    ["nothing learned", full, 41, "open"],
  ])("%s", (_what, interval, possible, verdict) => {
    expect(verdictOf(course, interval, full, whole(20), possible)).toBe(verdict);
  });

  it("inside one letter is narrow, though wide and on one side only by the letter", () => {
    const wide = { ...course, passMark: decimal("0"), letters: [{ letter: "P", from: decimal("0") }] };
    expect(verdictOf(wide, between(1, 15), full, whole(20), 29)).toBe("narrow");
  });

  it("scores on the step are counted with their ends", () => {
    const half = ratio(1n, 2n);
    expect(countSteps(between(1, 2), half)).toBe(3);
    expect(countSteps({ ...between(1, 2), highIncluded: false }, half)).toBe(2);
    expect(countSteps({ ...between(1, 2), lowIncluded: false, highIncluded: false }, half)).toBe(1);
    expect(countSteps(between(1.1, 1.4), half)).toBe(0);
    expect(countSteps(between(-1, 0.2), half)).toBe(3);
  });

  it("class figures over fewer than five students leak", () => {
    expect([4, 5].map(classFigureLeaks)).toEqual([true, false]);
  });

  it("a letter tells its band: B from 80 as displayed is 79.95 up to 89.95", () => {
    const interval = letterInterval(exact(85), { ...course, lettersCompare: "displayed" });
    expect(text(interval)).toBe("[79.95, 89.95)");
    expect(contains(letterInterval(exact(97), course), exact(140))).toBe(true);
  });

  it("what is displayed as 0 or below 0 is rounded away from zero", () => {
    expect(text(displayedInterval(exact(0.02), { percentPlaces: 1 }))).toBe("(-0.05, 0.05)");
    expect(text(displayedInterval(exact(-1.05), { percentPlaces: 1 }))).toBe("(-1.15, -1.05]");
  });
});
