import { decimal, required, type Decimal, type Id, type Instant } from "#core/kernel";
import { assignmentsOf, categoriesOf, handInOf, recordsOf, type CourseState } from "#core/model";
import { visibleTo } from "#core/release";
import { assignmentId, makeRubric, run, smallCourse, studentId, WORLD } from "#core/testing";
import { describe, expect, it } from "vitest";
import { judgedPapers, runCommand, type Command } from "../../index";

const essay = assignmentId("essay");

const ada = { assignmentId: essay, studentId: studentId("ada") };

const refusal = (state: CourseState, command: Command) => {
  const done = runCommand(state, command, WORLD);
  return done.ok ? null : done.issue;
};

describe("planning", () => {
  const assignment = {
    type: "addAssignment",
    name: "Report",
    shortName: "Report",
    categoryId: "category:papers" as Id<"category">,
    points: decimal("10"),
    dueAt: null,
    channel: "file",
    bonus: false,
    task: "",
    rubric: makeRubric("report", "one: 0-10"),
  } as const;

  it("adds an assignment with its rubric", () => {
    const state = run(smallCourse(), assignment);
    const added = required(
      Object.values(state.assignments).find(({ name }) => name === "Report"),
      "report",
    );
    expect(state.rubrics[added.rubricId ?? ""]?.name).toBe("report");
  });

  it("refuses a name, a number or a category that does not fit", () => {
    const student = { number: "N1", givenName: "Dee", familyName: "", sectionId: null };
    expect(refusal(smallCourse(), { ...assignment, name: "Essay" })).toMatchObject({ code: "name_taken" });
    expect(refusal(smallCourse(), { ...assignment, categoryId: "category:no" as Id<"category"> })).toMatchObject({
      code: "unknown_record",
    });
    expect(refusal(smallCourse(), { type: "addCategory", name: "Papers", weight: null })).toMatchObject({
      code: "name_taken",
    });
    expect(refusal(smallCourse(), { type: "addStudents", students: [student] })).toEqual({
      code: "number_taken",
      number: "N1",
    });
    const twice = [
      { ...student, number: "N9" },
      { ...student, number: "N9" },
    ];
    expect(refusal(smallCourse(), { type: "addStudents", students: twice })).toMatchObject({ code: "number_taken" });
  });

  it("counts attempts", () => {
    const again: Command = { type: "addHandIn", ...ada, at: "2026-10-25T00:00:00Z" as Instant, files: [] };
    expect(handInOf(run(smallCourse(), again), essay, ada.studentId)?.attempts.map(({ number }) => number)).toEqual([
      1, 2,
    ]);
  });
});

describe("assignments", () => {
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
  const names = (state: CourseState) => assignmentsOf(state).map(({ name }) => name);
  const work = (name: string, category: { name: string; weight?: Decimal } | Id<"category">, more: object = {}) => ({
    name,
    shortName: name,
    points: decimal("10"),
    dueAt: null,
    channel: "paper" as const,
    bonus: false,
    task: "",
    category,
    ...more,
  });
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

  it("are added many at once with the category they name, as one change", () => {
    const done = runCommand(
      smallCourse(),
      {
        type: "addAssignments",
        assignments: [1, 2, 3].map((number) => work(`Sheet ${String(number)}`, { name: "Field work" })),
      },
      WORLD,
    );
    if (!done.ok) throw new Error("refused");
    expect(names(done.value.state)).toEqual(["Essay", "Quiz", "Sheet 1", "Sheet 2", "Sheet 3"]);
    expect(categoriesOf(done.value.state).map(({ name }) => name)).toEqual(["Papers", "Quizzes", "Field work"]);
    expect(done.value.change.line).toBe("3 assignments added");
    const again: Command = {
      type: "addAssignments",
      assignments: [work("Sheet 4", { name: "field WORK" }), work("Essay", papers)],
    };
    expect(refusal(done.value.state, again)).toMatchObject({ code: "name_taken", name: "Essay" });
    const twice: Command = { type: "addAssignments", assignments: [work("X", papers), work("X", papers)] };
    expect(refusal(smallCourse(), twice)).toMatchObject({ code: "name_taken", name: "X" });
  });

  it("bring their category along: the first of a course is all of it, a named weight is taken, and never quietly changed", () => {
    const empty: CourseState = { ...smallCourse(), categories: {}, assignments: {}, results: {}, handIns: {} };
    const add = (name: string, category: { name: string; weight?: Decimal }): Command => ({
      type: "addAssignments",
      assignments: [work(name, category)],
    });
    const first = run(empty, add("Essay", { name: "Work" }));
    const weights = (state: CourseState) => categoriesOf(state).map(({ name, weight }) => [name, weight]);
    expect(weights(first)).toEqual([["Work", "100"]]);
    const second = run(first, add("Paper", { name: "Papers", weight: decimal("45") }), add("Note", { name: "Notes" }));
    expect(weights(second)).toEqual([
      ["Work", "100"],
      ["Papers", "45"],
      ["Notes", null],
    ]);
    expect(refusal(second, add("Other", { name: "Papers", weight: decimal("50") }))).toEqual({
      code: "category_has_weight",
      name: "Papers",
      weight: "45",
    });
  });

  it.each([
    [{ points: "-1" }, "points_below_zero"],
    [{ name: "Quiz" }, "name_taken"],
    [{ givenAt: "2026-12-01T00:00:00Z" }, "due_before_given"],
    [{ rubricId: "rubric:none" }, "unknown_record"],
    [{ outcomeRubricId: "rubric:none" }, "unknown_record"],
    [{ scoredIn: { kind: "scale", scaleId: "scale:none" } }, "unknown_record"],
    [{ outcomeScaleId: "scale:none" }, "unknown_record"],
    [{ categoryId: "category:none" }, "unknown_record"],
    [{}, "nothing_to_change"],
  ])("an edit of %j is refused as %s", (fields, code) => {
    expect(
      refusal(smallCourse(), { type: "editAssignment", assignmentId: essay, fields: fields as never }),
    ).toMatchObject({
      code,
    });
  });

  it("take another rubric only after asking, where papers are judged", () => {
    const edit = { type: "editAssignment", assignmentId: essay, fields: { rubricId: null } } as const;
    expect(judgedPapers(scored, essay, scored.assignments[essay]?.rubricId ?? null)).toBe(1);
    expect(refusal(scored, edit)).toMatchObject({ code: "rubric_in_use", papers: 1, canConfirm: true });
    expect(run(scored, { ...edit, confirmed: true }).assignments[essay]).toMatchObject({ rubricId: null });
    expect(run(smallCourse(), edit).assignments[essay]).toMatchObject({ rubricId: null });
  });

  it("are duplicated right behind themselves, without what students did", () => {
    const state = run(
      scored,
      { type: "duplicateAssignment", assignmentId: essay },
      { type: "duplicateAssignment", assignmentId: essay },
    );
    expect(names(state)).toEqual(["Essay", "Essay (copy 2)", "Essay (copy)", "Quiz"]);
    expect(recordsOf(state, "judgements")).toHaveLength(1);
  });

  it("move within and between categories", () => {
    const state = run(smallCourse(), { type: "addAssignments", assignments: [work("Draft", papers)] });
    const draft = assignmentsOf(state).find(({ name }) => name === "Draft")?.id as Id<"assignment">;
    const first = run(state, { type: "placeAssignment", assignmentId: draft, categoryId: papers, beforeId: essay });
    expect(names(first)).toEqual(["Draft", "Essay", "Quiz"]);
    const last = run(first, { type: "placeAssignment", assignmentId: draft, categoryId: quizzes, beforeId: null });
    expect(names(last)).toEqual(["Essay", "Quiz", "Draft"]);
  });

  it("go with everything that is known of them", () => {
    const released = run(scored, { type: "release", assignmentId: quiz, facets: ["score"] });
    const state = run(released, { type: "removeAssignments", assignmentIds: [essay, quiz] });
    const { assignments, results, handIns, judgements, releases, copies } = state;
    expect([assignments, results, handIns, judgements, releases, copies]).toEqual([{}, {}, {}, {}, {}, {}]);
    const unknown: Command = { type: "removeAssignments", assignmentIds: [essay, assignmentId("none")] };
    expect(refusal(released, unknown)).toMatchObject({ code: "unknown_record" });
  });

  it("that are hidden show nothing to students, whatever their seals say", () => {
    const released = run(scored, { type: "release", assignmentId: quiz, facets: ["score"] });
    const hidden = run(released, { type: "editAssignment", assignmentId: quiz, fields: { hidden: true } });
    expect([visibleTo(released, ben).length, visibleTo(hidden, ben).length]).toEqual([1, 0]);
  });
});
