import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { required, type Id } from "#core/kernel";
import { judgementOf, outcomeRubricOf, resultOf, studentsOf, type Assignment, type CourseState } from "#core/model";
import { anyCourse, assignmentId, makeRubric, run, runs, smallCourse, studentId, WORLD } from "#core/testing";
import { facetNow, visibleTo } from "#core/release";
import { figuresOf } from "#core/totals";
import { outcomeReports, outcomesCsv } from "#core/formats";
import { entryText, previewCells, previewEntry, readPileLine, runCommand, type Command } from "../../index";

const quiz = assignmentId("quiz");
const essay = assignmentId("essay");
const [ada, ben] = [studentId("ada"), studentId("ben")];
const ATTAINED = {
  ...makeRubric("attained", "argue: 1-1, 2-2, 3-3", "cite: 1-1, 2-2, 3-3"),
  purpose: "outcomes",
} as const;
const [argue, cite] = ATTAINED.criteria.map(({ id }) => id) as [Id<"criterion">, Id<"criterion">];
const SCALE = {
  id: "scale:reach" as Id<"scale">,
  name: "Reach",
  kind: "attainment",
  levels: ["Beyond", "Met", "Not yet"].map((name) => ({ id: `level:${name}` as Id<"level">, name, percent: null })),
} as const;

/** Every assignment records outcomes, by a rubric and on a scale, beside its score. */
const withOutcomes = (state: CourseState): CourseState => ({
  ...state,
  rubrics: { ...state.rubrics, [ATTAINED.id]: ATTAINED },
  scales: { ...state.scales, [SCALE.id]: { ...SCALE, levels: [...SCALE.levels] } },
  assignments: Object.fromEntries(
    Object.entries(state.assignments).map(([id, assignment]) => [
      id,
      { ...assignment, outcomeRubricId: ATTAINED.id, outcomeScaleId: SCALE.id },
    ]),
  ),
});
const course = withOutcomes(smallCourse());
const refusal = (state: CourseState, command: Command) => {
  const done = runCommand(state, command, WORLD);
  return done.ok ? null : done.issue;
};
const type = (text: string, more: { readonly confirmed?: boolean } = {}) =>
  ({ type: "setScore", assignmentId: quiz, studentId: ben, text, ...more }) as const;
const given = (state: CourseState, student = ben) => [
  judgementOf(state, quiz, student, argue).points,
  judgementOf(state, quiz, student, cite).points,
  resultOf(state, quiz, student).outcomeLevelId,
];
const quizOf = (state: CourseState): Assignment => required(state.assignments[quiz], "quiz");

/** Every figure and every total of a course, written out. */
const figures = (state: CourseState) =>
  JSON.stringify(
    studentsOf(state).map(({ id }) => {
      const { figures: own, totals } = figuresOf(state);
      return [own(id), totals(id).now, totals(id).lowest, totals(id).highest, totals(id).letter];
    }),
    (_, value: unknown) => (typeof value === "bigint" ? String(value) : value),
  );

describe("outcomes", () => {
  it("never enter a score or a total, whatever is judged, in any course", () => {
    const anyGiven = fc.array(
      fc.record({ work: fc.nat(20), who: fc.nat(20), digit: fc.integer({ min: 1, max: 3 }), kind: fc.nat(3) }),
      { minLength: 1, maxLength: 12 },
    );
    fc.assert(
      fc.property(anyCourse().map(withOutcomes), anyGiven, (state, gifts) => {
        const [work, who] = [Object.values(state.assignments), studentsOf(state)];
        const after = gifts.reduce((now, { work: at, who: whom, digit, kind }) => {
          const place = {
            assignmentId: required(work[at % work.length], "work").id,
            studentId: required(who[whom % who.length], "student").id,
          };
          const level = { kind: "level", digit } as const;
          const commands: readonly Command[] = [
            { type: "judge", ...place, criterionId: argue, verdict: level },
            { type: "judge", ...place, criterionId: cite, verdict: { kind: "notApplicable" } },
            { type: "setAttainment", ...place, levelId: SCALE.levels[digit - 1]?.id ?? null },
            { type: "setScore", ...place, text: `o${String(digit)}-${String(digit)}` },
          ];
          const done = runCommand(now, required(commands[kind], "command"), WORLD);
          return done.ok ? run(now, required(commands[kind], "command")) : now;
        }, state);
        expect(figures(after)).toBe(figures(state));
      }),
      { numRuns: runs(300) },
    );
  });

  it("are judged by level, commented, and opened again; who is missing stays missing", () => {
    const judge = (verdict: Extract<Command, { type: "judge" }>["verdict"]) =>
      ({ type: "judge", assignmentId: quiz, studentId: ben, criterionId: argue, verdict }) as const;
    const missing = run(course, type("m"), judge({ kind: "level", digit: 3 }));
    expect(given(missing)).toEqual(["3", null, null]);
    expect(resultOf(missing, quiz, ben).decision).toBe("missing");
    expect(given(run(missing, judge({ kind: "open" })))).toEqual([null, null, null]);
    expect(refusal(course, judge({ kind: "level", digit: 4 }))).toEqual({ code: "no_rubric_level", digit: 4 });
    const commented = run(missing, {
      type: "setCriterionComment",
      assignmentId: quiz,
      studentId: ben,
      criterionId: argue,
      comment: "Clear.",
      seen: "",
    });
    expect(judgementOf(commented, quiz, ben, argue).comment).toBe("Clear.");
  });

  it("are typed behind a score, one figure each in their order, the lowest level 1", () => {
    const state = run(course, type("18 l2 o313"));
    expect(given(state)).toEqual(["3", "1", "level:Beyond"]);
    expect(resultOf(state, quiz, ben)).toMatchObject({ score: "18", unitsLate: 2 });
    expect(entryText(state, quiz, ben)).toBe("18 l2");
    expect(given(run(state, type("o - 2 -")))).toEqual([null, "2", null]);
    expect(resultOf(run(state, type("o - 2 -")), quiz, ben).score).toBe("18");
    expect(given(run(state, type("m o2")))).toEqual(["2", "1", "level:Beyond"]);
  });

  it.each([
    ["18 o3131", { code: "too_many_outcomes", given: 4, most: 3 }],
    ["18 o4", { code: "no_rubric_level", digit: 4 }],
    ["18 o114", { code: "no_rubric_level", digit: 4 }],
    ["99 o1", { code: "score_above_maximum", text: "99", maximum: "20", canConfirm: true }],
    ["18 o1", null],
  ])("typing %s is refused whole with %j", (text, issue) => {
    expect(refusal(course, type(text))).toEqual(issue);
  });

  it("leave the language of entries alone where work has none", () => {
    expect(refusal(smallCourse(), type("18 o3"))).toMatchObject({ code: "not_a_number" });
  });

  it("come with a block, a pile line and the hint of a cell", () => {
    const cell = { assignmentId: quiz, studentId: ben };
    const same = run(course, type("18 o3"));
    const kinds = ["18 o3", "18 o2", "o3", "18"].map(
      (text) => previewCells(same, [{ ...cell, text }])[0]?.outcome.kind,
    );
    expect(kinds).toEqual(["same", "changes", "same", "same"]);
    const pasted = run(course, { type: "enterScores", how: "pasted", cells: [{ ...cell, text: "12 o21" }] });
    expect([...given(pasted), resultOf(pasted, quiz, ben).score]).toEqual(["2", "1", null, "12"]);
    const block = (texts: readonly string[]) => {
      const cells = [ada, ben].map((studentId_, at) => ({ ...cell, studentId: studentId_, text: texts[at] ?? "" }));
      const done = runCommand(course, { type: "enterScores", how: "entered", cells }, WORLD);
      return done.ok ? done.value.change.line : done.issue;
    };
    expect(block(["o21", "o13"])).toBe("outcomes of 2 papers entered, Quiz");
    expect(block(["12 o21", "o13"])).toBe("2 scores entered, Quiz");
    expect(readPileLine(course, quizOf(course), "ben 18 o32")).toMatchObject({ who: "ben", text: "18 o32" });
    expect(readPileLine(course, quizOf(course), "ben o32")).toMatchObject({ who: "ben", text: "o32" });
    expect(previewEntry(course, cell, "18 o32")).toMatchObject({ ok: true, value: { outcomes: "32" } });
  });

  it("need a rubric of their own, and asking before it is taken away from judged papers", () => {
    const own = required(course.assignments[essay], "essay").rubricId;
    const edit = (outcomeRubricId: Id<"rubric"> | null) =>
      ({ type: "editAssignment", assignmentId: essay, fields: { outcomeRubricId } }) as const;
    expect(refusal(course, edit(own))).toMatchObject({ code: "rubric_for_both" });
    const judged = run(course, { ...type("o3"), assignmentId: essay });
    expect(refusal(judged, edit(null))).toEqual({ code: "rubric_in_use", papers: 1, canConfirm: true });
    expect(refusal(course, edit(null))).toBeNull();
    expect(outcomeRubricOf(course, { ...quizOf(course), rubricId: ATTAINED.id })).toBeNull();
  });

  it("go to students as a facet of their own, in levels and never in points", () => {
    const state = run(course, type("18 o31"));
    const content = {
      rows: [
        { criterionId: argue, name: "argue", level: "L3", descriptor: "", comment: "" },
        { criterionId: cite, name: "cite", level: "L1", descriptor: "", comment: "" },
      ],
      attainment: null,
    };
    const ben_ = required(state.students[ben], "ben");
    expect(facetNow(state, quizOf(state), ben_, "outcomes")).toEqual(content);
    expect(facetNow(state, quizOf(state), required(state.students[ada], "ada"), "outcomes")).toBeNull();
    const released = run(state, { type: "release", assignmentId: quiz, facets: ["outcomes"] });
    expect(visibleTo(released, ben)).toMatchObject([{ score: null, rubric: null, outcomes: content }]);
    expect(JSON.stringify(visibleTo(released, ben))).not.toMatch(/points":"[13]"/);
    expect(visibleTo(run(released, { type: "seal", assignmentId: quiz, facets: ["outcomes"] }), ben)).toEqual([]);
  });
});

describe("an outcome over all work", () => {
  const state = run(course, type("o312"), { ...type("o2"), assignmentId: essay });

  it("tells the newest by due date and the highest of each student", () => {
    const report = required(
      outcomeReports(state).find(({ id }) => id === argue),
      "argue",
    );
    expect(report).toMatchObject({ from: ATTAINED.name });
    const due = report.work.map(({ id }) => id);
    const row = required(
      report.students.find(({ studentId: id }) => id === ben),
      "ben",
    );
    expect(row.given.map((level) => level?.number)).toEqual(due.map((id) => (id === quiz ? 3 : 2)));
    expect([row.latest?.number, row.highest?.number]).toEqual([due.at(-1) === quiz ? 3 : 2, 3]);
    expect(report.students.find(({ studentId: id }) => id === ada)).toMatchObject({ latest: null, highest: null });
    expect(outcomeReports(smallCourse())).toEqual([]);
  });

  it("is a CSV with a line for each level given", () => {
    const lines = outcomesCsv(state).trim().split("\r\n");
    expect(lines).toHaveLength(1 + 4);
    expect(lines[0]).toBe("Rubric,Outcome,Work,Student number,Family name,Given name,Level,Level name");
    expect(lines.some((line) => line.startsWith("Reach,Reach,Quiz,") && line.endsWith(",2,Met"))).toBe(true);
  });
});
