import { describe, expect, it } from "vitest";
import type { Command } from "#core/changes";
import { compare, decimal, type Exact, type Id, type Instant } from "#core/kernel";
import type { CourseState } from "#core/model";
import { anyCourse, assignmentId, run, runs, smallCourse, studentId } from "#core/testing";
import { figuresOf } from "#core/totals";
import fc from "fast-check";
import { leakTotals, type Leaf } from "./leak-totals";
import type { Source, Total } from "./narrowing";

const ben = studentId("ben");
/** Every value known: then each tree must come to the very totals of the course. */
const known: Leaf = (_assignment, item) => ({ kind: "known", value: item.value });
const valueOf = (source: Source): Exact | null =>
  source.kind === "total" ? source.combine(source.parts.map(valueOf)) : source.kind === "known" ? source.value : null;
/** A tree as nested lists of ids, `!` where its figure is shown. */
type Shape = string | [string, Shape[]];
const shapeOf = (source: Source): Shape =>
  source.kind === "total" ? [`${source.id}${source.shown ? "!" : ""}`, source.parts.map(shapeOf)] : source.kind;
const shown = (state: CourseState, ...ids: string[]): CourseState => ({
  ...state,
  totalSeals: Object.fromEntries(
    ids.map((id) => [id, { id, state: "released" as const, at: null, shows: "percent" as const }]),
  ),
});
const type = (text: string, name: string): Command => ({
  type: "setScore",
  assignmentId: assignmentId(name),
  studentId: ben,
  text,
});
const scored = run(smallCourse({ totalsRestOn: "all" }), type("80", "essay"), type("15", "quiz"));
const trees = (state: CourseState) => leakTotals(state, ben, known);
const [papers, quizzes] = ["category:papers", "category:quizzes"] as const;

describe("the totals of the leak check as trees", () => {
  it("are none while no total is shown", () => {
    expect(trees(scored)).toEqual({ trees: [], unchecked: [] });
  });

  it("hold a category's total in its course's, each shown where it is released", () => {
    const { trees: list, unchecked } = trees(shown(scored, "course", papers));
    expect(unchecked).toEqual([]);
    expect(list.map(shapeOf)).toEqual([
      [
        "course!",
        [
          [`${papers}!`, ["known"]],
          [quizzes, ["known"]],
        ],
      ],
    ]);
  });

  const inside = run(scored, {
    type: "placeCategory",
    categoryId: quizzes as Id<"category">,
    parentId: papers as Id<"category">,
    beforeId: null,
  });

  it("hold a category inside another one", () => {
    const weighed = run(inside, {
      type: "editCategory",
      categoryId: papers as Id<"category">,
      fields: { weight: decimal("100") },
    });
    const { trees: list } = trees(shown(weighed, "course", quizzes));
    expect(list.map(shapeOf)).toEqual([["course!", [[papers, ["known", [`${quizzes}!`, ["known"]]]]]]]);
    expect(
      list.map(valueOf).map((value) => value && compare(value, figuresOf(weighed).totals(ben).now as Exact)),
    ).toEqual([0]);
  });

  const term = (name: string, from: string, to: string): Command => ({
    type: "saveTerm",
    termId: null,
    name,
    weight: decimal("50"),
    startsAt: `${from}T00:00:00Z` as Instant,
    endsAt: `${to}T00:00:00Z` as Instant,
  });
  const inTerms = run(
    scored,
    {
      type: "editAssignment",
      assignmentId: assignmentId("quiz"),
      fields: { dueAt: "2026-12-05T00:00:00Z" as Instant },
    },
    term("Autumn", "2026-09-01", "2026-12-01"),
    term("Winter", "2026-12-01", "2027-02-01"),
  );
  const [autumn, winter] = Object.values(inTerms.terms).map(({ id }) => id) as never as [string, string];

  it("stand under their terms, and a category across terms makes a tree of its own", () => {
    const { trees: list } = trees(shown(inTerms, "course", autumn, papers));
    expect(list.map(shapeOf)).toEqual([
      [
        "course!",
        [
          [
            `${autumn}!`,
            [
              [papers, ["known"]],
              [quizzes, []],
            ],
          ],
          [
            winter,
            [
              [papers, []],
              [quizzes, ["known"]],
            ],
          ],
        ],
      ],
      [`${papers}!`, ["known"]],
    ]);
  });

  it("stand beside an exam that is a term of its own", () => {
    const exam = run(inTerms, {
      type: "editCategory",
      categoryId: quizzes as Id<"category">,
      fields: { termWeight: decimal("30") },
    });
    const { trees: list } = trees(shown(exam, "course", quizzes));
    expect(list.map(shapeOf)).toEqual([
      [
        "course!",
        [
          [autumn, [[papers, ["known"]]]],
          [winter, [[papers, []]]],
          [`${quizzes}!`, ["known"]],
        ],
      ],
    ]);
    expect(list.map(valueOf).map((value) => value && compare(value, figuresOf(exam).totals(ben).now as Exact))).toEqual(
      [0],
    );
  });

  it("come to the very totals of any course where every value is known", () => {
    fc.assert(
      fc.property(anyCourse(), (any) => {
        const courses = Object.fromEntries(
          Object.entries(any.courses).map(([id, course]) => [id, { ...course, totalsRestOn: "all" as const }]),
        );
        const state = shown({ ...any, courses }, "course", ...Object.keys(any.categories));
        const { now, categories } = figuresOf(state).totals(studentId("0"));
        const { trees: list, unchecked } = leakTotals(state, studentId("0"), known);
        const totals = new Map<string, Exact | null>([
          ["course", now],
          ...[...categories].map(([id, { percent }]) => [id, percent] as const),
        ]);
        for (const tree of list) {
          const expected = totals.get(tree.id) ?? null;
          const value = valueOf(tree);
          expect(value && expected ? compare(value, expected) : value === expected ? 0 : 1).toBe(0);
        }
        expect(unchecked.filter((id) => list.some((tree: Total) => tree.id === id))).toEqual([]);
      }),
      { numRuns: runs(150) },
    );
  });

  const dropping = (points: string) =>
    run(
      inside,
      {
        type: "addAssignments",
        assignments: [
          {
            name: "Third",
            shortName: "Third",
            points: decimal(points),
            dueAt: null,
            channel: "paper",
            bonus: false,
            task: "",
            category: quizzes as Id<"category">,
          },
        ],
      },
      {
        type: "editCategory",
        categoryId: quizzes as Id<"category">,
        fields: { weight: null, keep: { kind: "dropLowest", count: 1 } },
      },
    );
  const third = (state: CourseState, text: string) => {
    const found = Object.values(state.assignments).find(({ name }) => name === "Third");
    return run(state, { type: "setScore", assignmentId: found?.id as never, studentId: ben, text });
  };

  it("say which totals they cannot speak about: something dropped from unequal points inside a category", () => {
    const unequal = shown(third(dropping("10"), "9"), "course", papers, quizzes);
    expect(trees(unequal).unchecked).toEqual(["course", papers]);
    expect(trees(unequal).trees.map(({ id }) => id)).toEqual([quizzes]);
    const equal = shown(third(dropping("20"), "9"), "course", papers, quizzes);
    expect(trees(equal).unchecked).toEqual([]);
    expect(trees(shown(third(dropping("10"), "9"), quizzes)).unchecked).toEqual([]);
  });
});
