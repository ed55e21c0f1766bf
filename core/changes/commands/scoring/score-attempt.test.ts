import { fractionText } from "#core/kernel";
import { resultOf, type CourseState } from "#core/model";
import { assignmentId, run, smallCourse, studentId, WORLD } from "#core/testing";
import { figuresOf } from "#core/totals";
import { describe, expect, it } from "vitest";
import { runCommand, type Command } from "../../index";

const quiz = assignmentId("quiz");

const essay = assignmentId("essay");

const refusal = (state: CourseState, command: Command) => {
  const done = runCommand(state, command, WORLD);
  return done.ok ? null : done.issue;
};

const counted = (state: CourseState, assignment = quiz, student = "ben") => {
  const figure = figuresOf(state).figure(assignment, studentId(student)).counted;
  return figure && fractionText(figure);
};

describe("attempts", () => {
  const first = { type: "scoreAttempt", assignmentId: essay, studentId: studentId("ada"), attempt: 1 } as const;

  it("are scored one by one, again, and cleared", () => {
    const state = run(smallCourse(), { ...first, text: "70" }, { ...first, text: "72.5" });
    expect(counted(state, essay, "ada")).toBe("145/2");
    expect(resultOf(run(state, { ...first, text: "-" }), essay, studentId("ada")).attemptScores).toEqual([]);
  });

  it("that are not there, or figures that are not fit, are refused", () => {
    expect(refusal(smallCourse(), { ...first, attempt: 2, text: "5" })).toEqual({
      code: "no_such_attempt",
      attempt: 2,
    });
    expect(refusal(smallCourse(), { ...first, text: "x" })).toMatchObject({ code: "not_a_number" });
    expect(refusal(smallCourse(), { ...first, text: "101" })).toMatchObject({ code: "score_above_maximum" });
    expect(refusal(smallCourse(), { ...first, text: "101", confirmed: true })).toBeNull();
  });
});
