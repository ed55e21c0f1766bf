import { describe, expect, it } from "vitest";
import { decimal, pointsText, roundToText, type Instant } from "#core/kernel";
import type { CourseState } from "#core/model";
import { assignmentId, criterionId, run, smallCourse, studentId } from "#core/testing";
import { figuresOf, progressOf } from "../index";

const essay = assignmentId("essay");
const quiz = assignmentId("quiz");
const ada = { assignmentId: essay, studentId: studentId("ada") };
const ben = { assignmentId: essay, studentId: studentId("ben") };
const points = (text: string, criterion: string) =>
  ({ type: "judge", ...ada, criterionId: criterionId(criterion), verdict: { kind: "points", text } }) as const;
const judged = (state: CourseState) =>
  run(state, points("15.5", "record"), points("17", "reasoning"), points("8", "writing"));
const figure = (state: CourseState, place = ada) => figuresOf(state).figure(place.assignmentId, place.studentId);
const counted = (state: CourseState, place = ada) => {
  const value = figure(state, place).counted;
  return value && pointsText(value);
};

describe("from a score to its counted value", () => {
  it("nothing is known at first, and a paper handed in waits", () => {
    expect(figure(smallCourse())).toMatchObject({ standing: "handedIn", waiting: true, counted: null, source: null });
    expect(figure(smallCourse(), ben)).toMatchObject({ standing: "expected", waiting: false, counted: null });
  });

  it("a rubric counts once every criterion is judged: 40.5 of 50 is 81 of 100", () => {
    const half = run(smallCourse(), points("15.5", "record"));
    expect(figure(half)).toMatchObject({ counted: null, waiting: true });
    expect(figure(judged(smallCourse())).source).toBe("ruler");
    expect(counted(judged(smallCourse()))).toBe("81");
  });

  it("a late paper loses 5 % of the maximum for each started day: 81 less 10", () => {
    const late = run(judged(smallCourse()), { type: "setLateness", ...ada, unitsLate: 2 });
    expect(counted(late)).toBe("71");
    expect(pointsText(figure(late).deduction)).toBe("10");
  });

  it("lateness follows the last attempt's time until the instructor says otherwise", () => {
    const at = "2026-10-25T12:00:01Z" as Instant;
    const again = run(judged(smallCourse()), { type: "addHandIn", ...ada, at, files: [] });
    expect(figure(again).unitsLate).toBe(2);
    expect(figure(run(again, { type: "setLateness", ...ada, unitsLate: 0 })).unitsLate).toBe(0);
    const back = run(
      again,
      { type: "setLateness", ...ada, unitsLate: 0 },
      { type: "setLateness", ...ada, unitsLate: null },
    );
    expect(figure(back).unitsLate).toBe(2);
  });

  it("a figure set by hand is untouched by the late rule, and the computed one stays beside it", () => {
    const late = run(judged(smallCourse()), { type: "setLateness", ...ada, unitsLate: 2 });
    const byHand = figure(run(late, { type: "setScore", ...ada, text: "85" }));
    expect(byHand.source).toBe("setByHand");
    expect(byHand.counted && pointsText(byHand.counted)).toBe("85");
    expect(byHand.computed && pointsText(byHand.computed)).toBe("71");
  });

  it("judging the rubric again never changes a figure set by hand", () => {
    const byHand = run(judged(smallCourse()), { type: "setScore", ...ada, text: "85" });
    expect(counted(run(byHand, points("0", "record")))).toBe("85");
  });

  it("missing counts what the rule says, or nothing until decided", () => {
    const missing = { type: "setStanding", ...ben, decision: "missing" } as const;
    expect(counted(run(smallCourse(), missing), ben)).toBe("0");
    expect(figure(run(smallCourse(), missing), ben).source).toBe("rule");
    expect(counted(run(smallCourse({ missingPercent: decimal("35") }), missing), ben)).toBe("35");
    expect(counted(run(smallCourse({ missingPercent: null }), missing), ben)).toBeNull();
  });

  it("excused counts nowhere, whatever was scored", () => {
    const excused = run(judged(smallCourse()), { type: "setStanding", ...ada, decision: "excused" });
    expect(figure(excused)).toMatchObject({ standing: "excused", counted: null, computed: null, waiting: false });
  });

  it("a score above the maximum is marked", () => {
    const above = run(smallCourse(), { type: "setScore", ...ben, text: "104", confirmed: true });
    expect(figure(above, ben)).toMatchObject({ aboveMaximum: true, source: "typed" });
  });

  it("without a late rule nothing is taken off", () => {
    const late = run(judged(smallCourse({ lateRule: null })), { type: "setLateness", ...ada, unitsLate: 9 });
    expect(counted(late)).toBe("81");
  });
});

describe("the totals of a student", () => {
  // Worked by hand: papers (60 %) stand at 81 %, quizzes (40 %) at 15 of 20 = 75 %.
  // now = 0.6 x 81 + 0.4 x 75 = 48.6 + 30 = 78.6
  const both = run(judged(smallCourse()), {
    type: "setScore",
    assignmentId: quiz,
    studentId: ada.studentId,
    text: "15",
  });

  it("agree with the figures worked by hand", () => {
    const total = figuresOf(both).totals(ada.studentId);
    expect(total.now && roundToText(total.now, 1)).toBe("78.6");
    expect(total.letter).toBe("F");
  });

  it("stand between lowest and highest: with the quiz open, 48.6 and 88.6", () => {
    const total = figuresOf(judged(smallCourse())).totals(ada.studentId);
    expect(total.lowest && roundToText(total.lowest, 1)).toBe("48.6");
    expect(total.now && roundToText(total.now, 1)).toBe("81.0");
    expect(total.highest && roundToText(total.highest, 1)).toBe("88.6");
    expect(total.letter).toBe("B");
  });

  it("are kept with their state and computed anew for the next", () => {
    expect(figuresOf(both)).toBe(figuresOf(both));
    const next = run(both, { type: "setScore", assignmentId: quiz, studentId: ada.studentId, text: "20" });
    const total = figuresOf(next).totals(ada.studentId);
    expect(total.now && roundToText(total.now, 1)).toBe("88.6");
  });

  it("of one student are not computed again when another's score changes, and are when the plan does", () => {
    const base = judged(smallCourse());
    const known = figuresOf(base).totals(ada.studentId);
    const next = run(base, { type: "setScore", assignmentId: quiz, studentId: ben.studentId, text: "20" });
    expect(figuresOf(next).totals(ada.studentId)).toBe(known);
    const [category] = Object.values(base.categories);
    const replanned = {
      ...base,
      categories: { ...base.categories, ...(category && { [category.id]: { ...category } }) },
    };
    expect(figuresOf(replanned).totals(ada.studentId)).not.toBe(known);
    expect(figuresOf(replanned).totals(ada.studentId)).toEqual(known);
  });
});

it("progress counts the students of an assignment", () => {
  const state = run(
    smallCourse(),
    { type: "setStanding", ...ben, decision: "missing" },
    { type: "setStanding", assignmentId: essay, studentId: studentId("cleo"), decision: "excused" },
  );
  const assignment = state.assignments[essay];
  expect(assignment && progressOf(state, assignment)).toEqual({
    students: 3,
    notIn: 0,
    waiting: 1,
    scored: 0,
    missing: 1,
    excused: 1,
  });
});
