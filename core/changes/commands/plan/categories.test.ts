import { decimal, type Id } from "#core/kernel";
import { categoriesOf, type CourseState } from "#core/model";
import { assignmentId, run, smallCourse, studentId, WORLD } from "#core/testing";
import { describe, expect, it } from "vitest";
import { runCommand, type Command } from "../../index";

const [essay, quiz] = [assignmentId("essay"), assignmentId("quiz")];

const [ada, ben] = [studentId("ada"), studentId("ben")];

const [papers, quizzes] = ["category:papers", "category:quizzes"] as Id<"category">[] as [
  Id<"category">,
  Id<"category">,
];

const refusal = (state: CourseState, command: Command) => {
  const done = runCommand(state, command, WORLD);
  return done.ok ? null : done.issue;
};

const scored = run(
  smallCourse(),
  { type: "setScore", assignmentId: quiz, studentId: ben, text: "15" },
  {
    type: "judge",
    assignmentId: essay,
    studentId: ada,
    criterionId: "criterion:record" as never,
    verdict: { kind: "level", digit: 3 },
  },
);

describe("categories", () => {
  it("are edited; a weight below 0 or a name that is taken is refused", () => {
    const state = run(smallCourse(), {
      type: "editCategory",
      categoryId: papers,
      fields: { weight: decimal("55"), method: "median", keep: { kind: "dropLowest", count: 1 } },
    });
    expect(state.categories[papers]).toMatchObject({ name: "Papers", weight: "55", method: "median" });
    const edit = (fields: object) => refusal(state, { type: "editCategory", categoryId: papers, fields });
    expect(edit({ weight: "-1" })).toMatchObject({ code: "weight_below_zero" });
    expect(edit({ name: "Quizzes" })).toMatchObject({ code: "name_taken" });
  });

  it("move before another, into another, and never into themselves", () => {
    const place = (categoryId: Id<"category">, parentId: Id<"category"> | null, beforeId: Id<"category"> | null) =>
      ({ type: "placeCategory", categoryId, parentId, beforeId }) as const;
    const order = (state: CourseState) => categoriesOf(state).map(({ name }) => name);
    const swapped = run(smallCourse(), place(quizzes, null, papers));
    expect(order(swapped)).toEqual(["Quizzes", "Papers"]);
    expect(order(run(swapped, place(quizzes, null, null)))).toEqual(["Papers", "Quizzes"]);
    const inside = run(smallCourse(), place(quizzes, papers, null));
    expect(inside.categories[quizzes]).toMatchObject({ parentId: papers });
    expect(refusal(inside, place(papers, quizzes, null))).toMatchObject({ code: "category_inside_itself" });
  });

  it("go with what is inside them", () => {
    const inside = run(scored, { type: "placeCategory", categoryId: quizzes, parentId: papers, beforeId: null });
    const state = run(inside, { type: "removeCategory", categoryId: papers });
    expect([state.categories, state.assignments, state.results, state.judgements]).toEqual([{}, {}, {}, {}]);
    expect(Object.keys(state.students)).toHaveLength(3);
  });
});
