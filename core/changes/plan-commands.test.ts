import { describe, expect, it } from "vitest";
import { decimal, roundToText, type Decimal, type Id, type Instant } from "#core/kernel";
import { assignmentsOf, categoriesOf, courseOf, EMPTY_STATE, recordsOf, type CourseState } from "#core/model";
import { visibleTo } from "#core/release";
import { assignmentId, makeRubric, run, smallCourse, studentId, WORLD } from "#core/testing";
import { judgedPapers, planFrom, rubricEffects, runCommand, usesOf, type Command } from "./index";

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

describe("the roster", () => {
  it("takes students with the sections they name, each section made once", () => {
    const state = run(smallCourse(), {
      type: "addStudents",
      students: [
        { number: "N7", givenName: "Ola", familyName: "Rim", section: "Heron" },
        { number: "N8", givenName: "Pia", familyName: "Sal", section: "Heron" },
        { number: "N9", givenName: "Quo", familyName: "", section: "Swift" },
      ],
    });
    expect(Object.values(state.sections).map(({ name, order }) => [name, order])).toEqual([
      ["Heron", 0],
      ["Swift", 1],
    ]);
    const heron = Object.values(state.sections)[0];
    expect(Object.values(state.students).filter(({ sectionId }) => sectionId === heron?.id)).toHaveLength(2);
  });

  it("changes an entry, keeps a note, and refuses a number that is taken", () => {
    const state = run(smallCourse(), { type: "editStudent", studentId: ben, fields: { note: "Met on Monday." } });
    expect(state.students[ben]).toMatchObject({ note: "Met on Monday.", givenName: "Ben", number: "N2" });
    expect(refusal(state, { type: "editStudent", studentId: ben, fields: { number: "N1" } })).toMatchObject({
      code: "number_taken",
    });
    expect(refusal(state, { type: "editStudent", studentId: ben, fields: { number: "N2" } })).toMatchObject({
      code: "nothing_to_change",
    });
  });

  it("lets students go with everything that is known of them, and one undo brings it back", () => {
    const done = runCommand(scored, { type: "removeStudents", studentIds: [ada, ben] }, WORLD);
    if (!done.ok) throw new Error("refused");
    const { state } = done.value;
    expect(Object.keys(state.students)).toEqual(["student:cleo"]);
    for (const table of ["results", "handIns", "judgements"] as const) expect(recordsOf(state, table)).toEqual([]);
  });

  it("renames and removes sections; their students stay", () => {
    const state = run(smallCourse(), { type: "addSection", name: "Heron" });
    const id = Object.keys(state.sections)[0] as Id<"section">;
    const placed = run(
      state,
      { type: "editStudent", studentId: ben, fields: { sectionId: id } },
      { type: "editSection", sectionId: id, name: "Grebe" },
    );
    expect(placed.sections[id]).toMatchObject({ name: "Grebe" });
    expect(refusal(placed, { type: "addSection", name: "Grebe" })).toMatchObject({ code: "name_taken" });
    const without = run(placed, { type: "removeSection", sectionId: id });
    expect(without.sections).toEqual({});
    expect(without.students[ben]).toMatchObject({ sectionId: null });
  });
});

describe("the rules of a course", () => {
  it("change by themselves and leave all others as they are", () => {
    const before = courseOf(smallCourse());
    const state = run(smallCourse(), { type: "editCourse", fields: { missingPercent: null, capAtHundred: true } });
    expect(courseOf(state)).toEqual({ ...before, missingPercent: null, capAtHundred: true });
  });

  it.each([
    [
      {
        letters: [
          { letter: "B", from: decimal("80") },
          { letter: "A", from: decimal("90") },
        ],
      },
      "bands_not_falling",
    ],
    [{ missingPercent: decimal("-1") }, "percent_below_zero"],
    [{ timeZone: "Nowhere/At_all" }, "unknown_time_zone"],
    [{}, "nothing_to_change"],
  ])("%j is refused as %s", (fields, code) => {
    expect(refusal(smallCourse(), { type: "editCourse", fields })).toMatchObject({ code });
  });

  const term = (name: string, from: string, to: string, termId: Id<"term"> | null = null) =>
    ({
      type: "saveTerm",
      termId,
      name,
      weight: decimal("50"),
      startsAt: `${from}T00:00:00Z` as Instant,
      endsAt: `${to}T00:00:00Z` as Instant,
    }) as const;

  it("terms end after they start, do not overlap, and can be changed and removed", () => {
    const state = run(
      smallCourse(),
      term("Autumn", "2026-09-01", "2026-12-01"),
      term("Winter", "2026-12-01", "2027-02-01"),
    );
    const [autumn] = Object.keys(state.terms) as Id<"term">[];
    expect(refusal(state, term("Late", "2026-11-01", "2026-12-15"))).toMatchObject({ code: "terms_overlap" });
    expect(refusal(state, term("Odd", "2027-05-01", "2027-05-01"))).toMatchObject({ code: "term_ends_before_start" });
    expect(refusal(state, term("Winter", "2027-05-01", "2027-06-01"))).toMatchObject({ code: "name_taken" });
    const moved = run(state, term("Fall", "2026-08-15", "2026-12-01", autumn));
    expect(Object.values(moved.terms).map(({ name, order }) => [name, order])).toEqual([
      ["Fall", 0],
      ["Winter", 1],
    ]);
    expect(Object.keys(run(moved, { type: "removeTerm", termId: autumn as Id<"term"> }).terms)).toHaveLength(1);
  });
});

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

describe("assignments", () => {
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

describe("rubrics", () => {
  const changed = { ...makeRubric("essay", "record: 0-8, 8.5-15.5, 16-30", "reasoning: 0-20", "writing: 0-10") };

  it("of the library are added, renamed freely, and changed only after asking once papers are judged", () => {
    const added = run(scored, { type: "saveRubric", rubric: makeRubric("field", "care: 0-4, 5-10") });
    expect(usesOf(added, "rubric:field")).toEqual([]);
    expect(refusal(scored, { type: "saveRubric", rubric: changed })).toMatchObject({
      code: "rubric_in_use",
      papers: 1,
    });
    expect(run(scored, { type: "saveRubric", rubric: changed, confirmed: true }).rubrics["rubric:essay"]).toEqual(
      changed,
    );
    const present = scored.rubrics["rubric:essay"];
    if (!present) throw new Error("no rubric");
    const words = { ...present, name: "Essay, autumn" };
    expect(run(scored, { type: "saveRubric", rubric: words }).rubrics["rubric:essay"]).toMatchObject({
      name: "Essay, autumn",
    });
    expect(refusal(added, { type: "saveRubric", rubric: { ...words, name: "field" } })).toMatchObject({
      code: "name_taken",
    });
  });

  it("tell which papers a change would give another score, from what to what", () => {
    const full = (["record", "reasoning", "writing"] as const).map(
      (name, index) =>
        ({
          type: "judge",
          assignmentId: essay,
          studentId: ada,
          criterionId: `criterion:${name}` as never,
          verdict: { kind: "level", digit: index === 2 ? 2 : 3 },
        }) as const,
    );
    const state = run(smallCourse(), ...full);
    const [effect, ...others] = rubricEffects(state, changed);
    expect(others).toEqual([]);
    expect(effect).toMatchObject({ assignmentId: essay, studentId: ada });
    // 50 of 50 points become 50 of 60: 100 points become 83.333...
    expect([effect?.before, effect?.after].map((figure) => figure && roundToText(figure, 2))).toEqual([
      "100.00",
      "83.33",
    ]);
    expect(rubricEffects(state, { ...changed, criteria: state.rubrics["rubric:essay"]?.criteria ?? [] })).toEqual([]);
  });

  it("in use are not removed; others are", () => {
    const remove = (slug: string) => ({ type: "removeRubric", rubricId: `rubric:${slug}` as never }) as const;
    expect(refusal(scored, remove("essay"))).toMatchObject({ code: "record_in_use", by: "Essay" });
    const added = run(scored, { type: "saveRubric", rubric: makeRubric("field", "care: 0-4") });
    expect(Object.keys(run(added, remove("field")).rubrics)).toEqual(["rubric:essay"]);
  });
});

describe("the plan of another course", () => {
  const start: Command = {
    type: "startCourse",
    course: { ...courseOf(smallCourse()), id: "course:next" as Id<"course">, missingPercent: null },
    markerName: "Marker",
    sections: [],
  };

  it("is taken over with fresh ids, dates moved by whole days, and nobody's work", () => {
    const plan = planFrom(scored, 364);
    const state = run(EMPTY_STATE, start, { type: "copyPlan", plan, from: "Small" });
    expect(names(state)).toEqual(["Essay", "Quiz"]);
    const copied = assignmentsOf(state)[0];
    expect(copied?.dueAt).toBe("2027-10-23T12:00:00.000Z");
    expect(copied?.id).not.toBe(essay);
    expect(copied?.rubricId && state.rubrics[copied.rubricId]?.criteria).toHaveLength(3);
    expect(Object.keys(state.rubrics)).not.toContain("rubric:essay");
    expect(courseOf(state)).toMatchObject({ id: "course:next", missingPercent: "0" });
    expect([state.students, state.results, state.handIns]).toEqual([{}, {}, {}]);
    expect(planFrom(scored, null).assignments.map(({ dueAt }) => dueAt)).toEqual([null, null]);
  });

  it("is refused where there is a plan already", () => {
    expect(refusal(scored, { type: "copyPlan", plan: planFrom(scored, 0), from: "Small" })).toMatchObject({
      code: "name_taken",
    });
  });
});
