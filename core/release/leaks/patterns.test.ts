import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Command } from "#core/changes";
import {
  add,
  closed,
  decimal,
  fractionText,
  fromDecimal,
  larger,
  smaller,
  whole,
  ZERO,
  type Decimal,
  type Exact,
  type Id,
  type Interval,
} from "#core/kernel";
import { recordAt, resultKey, withRecords, type CourseState } from "#core/model";
import { anyCourse, assignmentId, run, runs, smallCourse, studentId } from "#core/testing";
import { entersTotals } from "../shown-totals";
import { leakTotals, type Leaf } from "./leak-totals";
import { narrow, type Total } from "./narrowing";
import { narrowAlike } from "./patterns";

const papers = "category:papers" as Id<"category">;
const within = (most: number): Interval => closed(ZERO, whole(most));

describe("students who stand alike", () => {
  /** A total of two hidden scores beside a known one that counts how often it is worked out. */
  function counted(ids: readonly [string, string], { knows = 5, shows = 15, form = "sum", like = "" } = {}) {
    const calls = { count: 0 };
    const total: Total = {
      kind: "total",
      id: "course",
      parts: [{ kind: "known", value: whole(knows) }, ...ids.map((id) => ({ kind: "hidden" as const, id, like }))],
      combine: (values) => {
        calls.count += 1;
        return values.reduce<Exact>((sum, value) => add(sum, value ?? ZERO), ZERO);
      },
      form,
      shown: closed(whole(shows), whole(shows)),
    };
    return { calls, total, hidden: new Map(ids.map((id) => [id, within(8)])) };
  }

  it("are worked out once, and each is told of their own hidden scores", () => {
    const [state, ann, ben] = [{}, counted(["a1", "a2"]), counted(["b1", "b2"])];
    narrowAlike(state, [ann.total], ann.hidden);
    const found = narrowAlike(state, [ben.total], ben.hidden);
    expect(ann.calls.count).toBeGreaterThan(0);
    expect(ben.calls.count).toBe(0);
    // 15 shown less the 5 known leave 10 for two scores of 8 at most: each is 2 to 8.
    expect([...found.intervals]).toEqual(["b1", "b2"].map((id) => [id, closed(whole(2), whole(8))]));
  });

  it.each([
    ["another known score", counted(["b1", "b2"], { knows: 6 })],
    ["another figure on show", counted(["b1", "b2"], { shows: 14 })],
    ["another rule", counted(["b1", "b2"], { form: "other sum" })],
    ["one score twice", counted(["b1", "b1"])],
    ["hidden scores of another kind", counted(["b1", "b2"], { like: "bonus" })],
    ["another maximum", { ...counted(["b1", "b2"]), hidden: new Map(["b1", "b2"].map((id) => [id, within(9)])) }],
  ])("and one with %s is worked out anew", (_, { calls, total, hidden }) => {
    const [state, ann] = [{}, counted(["a1", "a2"])];
    narrowAlike(state, [ann.total], ann.hidden);
    const before = narrow([total], hidden);
    calls.count = 0;
    expect(narrowAlike(state, [total], hidden)).toEqual(before);
    expect(calls.count).toBeGreaterThan(0);
  });

  /** The total of a student as a tree, every second work sealed, with the same figure on show whatever the scores. */
  function sealedIn(state: CourseState, who: Id<"student">, shown: Interval) {
    const hidden = new Map<string, Interval>();
    const isSealed = Object.keys(state.assignments).filter((_, at) => at % 2 === 1);
    const leaf: Leaf = (assignment, item) => {
      if (!entersTotals(item)) return { kind: "known", value: null };
      if (!isSealed.includes(assignment.id)) return { kind: "known", value: item.value };
      const id = `${assignment.id} of ${fractionText(item.value)}`;
      hidden.set(id, closed(smaller(ZERO, item.value), larger(fromDecimal(assignment.points), item.value)));
      return { kind: "hidden", id };
    };
    const { trees } = leakTotals(state, who, leaf);
    return { totals: trees.map((total): Total => ({ ...total, shown })), hidden };
  }

  /** Looked at one after the other as students of one class, they find what each finds alone. */
  function expectAsAlone(states: readonly CourseState[], who: Id<"student">, shown: Interval) {
    const whole = {};
    for (const state of states) {
      const { totals, hidden } = sealedIn(onShow(state), who, shown);
      expect(narrowAlike(whole, totals, hidden)).toEqual(narrow(totals, hidden));
    }
  }

  const ben = studentId("ben");
  const score = (name: string, text: string): Command => ({
    type: "setScore",
    assignmentId: assignmentId(name),
    studentId: ben,
    text,
  });

  it("are told apart by the plan of the course at the time", () => {
    const scored = run(smallCourse({ totalsRestOn: "all" }), score("essay", "80"), score("quiz", "15"));
    const other = run(scored, { type: "editCategory", categoryId: papers, fields: { weight: decimal("20") } });
    expectAsAlone([scored, other, scored], ben, closed(whole(70), whole(75)));
  });

  it("are told apart by points that enter a course without a percentage of their own", () => {
    const plain = run(smallCourse({ totalsRestOn: "all", totals: "points" }), score("essay", "80"));
    const gain = run(plain, { type: "editAssignment", assignmentId: assignmentId("quiz"), fields: { bonus: true } });
    const [more, less] = ["15", "5"].map((text) => run(gain, score("quiz", text))) as [CourseState, CourseState];
    expectAsAlone([more, less], ben, closed(whole(90), whole(99)));
  });

  it("find the very same as each by themselves, whatever the course and the scores", () => {
    fc.assert(
      fc.property(
        anyCourse(),
        fc.array(fc.tuple(fc.nat(6), fc.constantFrom("0", "4", "5", "5.1")), { minLength: 1, maxLength: 4 }),
        (state, changes) => {
          const states = changes.reduce<CourseState[]>(
            (list, [place, text]) => [...list, withScore(list.at(-1) ?? state, String(place), decimal(text))],
            [state],
          );
          expectAsAlone(states, studentId("0"), closed(whole(20), whole(60)));
        },
      ),
      { numRuns: runs(500, 60) },
    );
  });
});

/** The course with its total on show. */
const onShow = (state: CourseState): CourseState => ({
  ...state,
  totalSeals: { course: { id: "course", state: "released", at: null, shows: "percent" } },
});

/** The course with another score of its first student, where that student has one. */
function withScore(state: CourseState, name: string, points: Decimal): CourseState {
  const before = recordAt(state, "results", resultKey(assignmentId(name), studentId("0")));
  return before ? withRecords(state, "results", [{ ...before, score: points }]) : state;
}
