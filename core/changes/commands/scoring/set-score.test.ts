import { resultOf, type CourseState } from "#core/model";
import { assignmentId, criterionId, run, smallCourse, studentId, WORLD } from "#core/testing";
import { describe, expect, it } from "vitest";
import { entryAndComment, entryText, previewEntry, runCommand, type Command } from "../../index";

const essay = assignmentId("essay");

const quiz = assignmentId("quiz");

const ada = { assignmentId: essay, studentId: studentId("ada") };

const ben = { assignmentId: quiz, studentId: studentId("ben") };

const refusal = (state: CourseState, command: Command) => {
  const done = runCommand(state, command, WORLD);
  return done.ok ? null : done.issue;
};

const level = (digit: number, criterion = "record") =>
  ({ type: "judge", ...ada, criterionId: criterionId(criterion), verdict: { kind: "level", digit } }) as const;

const type = (text: string, more: { confirmed?: boolean; seen?: string; comment?: string } = {}) =>
  ({ type: "setScore", ...ben, text, ...more }) as const;

describe("typing a score", () => {
  it("stores the score, the lateness and the standing", () => {
    const state = run(smallCourse(), type("17.5 l2"));
    expect(resultOf(state, quiz, ben.studentId)).toMatchObject({ score: "17.5", unitsLate: 2, decision: null });
    expect(resultOf(run(state, type("m")), quiz, ben.studentId)).toMatchObject({ decision: "missing", score: "17.5" });
  });

  it.each([
    ["abc", "entry_not_understood"],
    ["-3", "score_below_zero"],
    ["1e9", "not_a_number"],
    ["12.34567", "too_many_places"],
    ["20.5", "score_above_maximum"],
  ])("%s is refused as %s and nothing changes", (text, code) => {
    const state = smallCourse();
    expect(refusal(state, type(text))).toMatchObject({ code });
    expect(state).toEqual(smallCourse());
  });

  it.each([
    ["50%", "10"],
    ["33.3 %", "6.66"],
    ["100% l1", "20"],
  ])("%s of 20 points is %s, exactly", (text, score) => {
    expect(resultOf(run(smallCourse(), type(text)), quiz, ben.studentId).score).toBe(score);
  });

  it("a percentage that falls between two points of four places is refused, and one above 100 is asked about", () => {
    expect(refusal(smallCourse(), type("33.3333%"))).toEqual({
      code: "percent_between_points",
      percent: "33.3333",
      maximum: "20",
    });
    expect(refusal(smallCourse(), type("105%"))).toMatchObject({ code: "score_above_maximum", canConfirm: true });
    expect(refusal(smallCourse(), type("x%"))).toMatchObject({ code: "not_a_number" });
  });

  it("may have a comment behind a colon, which follows what is written there already", () => {
    expect(entryAndComment("33: nice: graphs")).toEqual({ entry: "33", comment: "nice: graphs" });
    expect(entryAndComment("33")).toEqual({ entry: "33", comment: null });
    const once = run(smallCourse(), type("12", { comment: "nice graphs" }));
    const twice = run(once, type("13", { comment: "and units" }));
    expect(resultOf(twice, quiz, ben.studentId)).toMatchObject({
      score: "13",
      overallComment: "nice graphs\nand units",
    });
  });

  it("above the maximum is kept when it is confirmed", () => {
    expect(resultOf(run(smallCourse(), type("20.5", { confirmed: true })), quiz, ben.studentId).score).toBe("20.5");
  });

  it("for a missing or excused student asks once, then ends that standing", () => {
    const missing = run(smallCourse(), type("m"));
    expect(refusal(missing, type("12"))).toMatchObject({ code: "student_is_missing", canConfirm: true });
    expect(resultOf(run(missing, type("12", { confirmed: true })), quiz, ben.studentId)).toMatchObject({
      decision: null,
      score: "12",
    });
    expect(refusal(run(smallCourse(), type("x")), type("12"))).toMatchObject({ code: "student_is_excused" });
  });

  it("tells the screen when it saw another value than the stored one", () => {
    const state = run(smallCourse(), type("15"));
    expect(refusal(state, type("16", { seen: "" }))).toEqual({ code: "seen_differs", seen: "", present: "15" });
    expect(resultOf(run(state, type("16", { seen: "15" })), quiz, ben.studentId).score).toBe("16");
  });

  it("over a judged rubric is set by hand and keeps the rubric's", () => {
    const judged = run(smallCourse(), level(3), level(3, "reasoning"), level(2, "writing"));
    const typed = run(judged, { type: "setScore", ...ada, text: "95" });
    expect(resultOf(typed, essay, ada.studentId)).toMatchObject({ setByHand: "95", score: null });
    expect(resultOf(run(typed, { type: "setScore", ...ada, text: "-" }), essay, ada.studentId).setByHand).toBeNull();
  });

  it("clears one thing at a time: standing, figure by hand, score, lateness", () => {
    let state = run(smallCourse(), type("15 l1"), type("m"));
    const steps = [];
    for (let index = 0; index < 3; index += 1) {
      state = run(state, type("-"));
      steps.push(entryText(state, quiz, ben.studentId));
    }
    expect(steps).toEqual(["15 l1", "l1", ""]);
    expect(refusal(state, type("-"))).toEqual({ code: "nothing_to_change" });
  });

  it("shows the same words in a cell that it reads", () => {
    for (const text of ["15", "15.5 l2", "l3", "m", "x"]) {
      expect(entryText(run(smallCourse(), type(text)), quiz, ben.studentId)).toBe(text);
    }
  });

  it("is previewed by the same rules, without changing anything", () => {
    const state = smallCourse();
    const preview = previewEntry(state, ben, "15 l2");
    expect(preview.ok && preview.value.figure.counted).toEqual({ n: 13n, d: 1n });
    expect(previewEntry(state, ben, "99")).toMatchObject({ ok: false, issue: { code: "score_above_maximum" } });
    expect(resultOf(state, quiz, ben.studentId).score).toBeNull();
  });
});

describe("comments", () => {
  it("to the student and private are kept apart", () => {
    const state = run(
      smallCourse(),
      { type: "setComment", ...ada, facing: "student", text: "to you" },
      { type: "setComment", ...ada, facing: "private", text: "to me" },
    );
    expect(resultOf(state, essay, ada.studentId)).toMatchObject({ overallComment: "to you", privateNote: "to me" });
    const stale = { type: "setComment", ...ada, facing: "student", text: "other", seen: "" } as const;
    expect(refusal(state, stale)).toMatchObject({ code: "seen_differs", present: "to you" });
  });
});
