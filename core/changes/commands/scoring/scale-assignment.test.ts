import { decimal, fractionText } from "#core/kernel";
import { resultOf, type CourseState } from "#core/model";
import { assignmentId, run, smallCourse, studentId, WORLD } from "#core/testing";
import { figuresOf } from "#core/totals";
import { describe, expect, it } from "vitest";
import { runCommand, type Command } from "../../index";

const quiz = assignmentId("quiz");

const ben = { assignmentId: quiz, studentId: studentId("ben") };

const refusal = (state: CourseState, command: Command) => {
  const done = runCommand(state, command, WORLD);
  return done.ok ? null : done.issue;
};

const counted = (state: CourseState, assignment = quiz, student = "ben") => {
  const figure = figuresOf(state).figure(assignment, studentId(student)).counted;
  return figure && fractionText(figure);
};

const typed = (text: string) => ({ type: "setScore", ...ben, text }) as const;

describe("scaling an assignment", () => {
  const scale = (scaling: Extract<Command, { type: "scaleAssignment" }>["scaling"]) =>
    ({ type: "scaleAssignment", assignmentId: quiz, scaling }) as const;

  it("changes what counts, keeps the scores, and is taken back without a trace", () => {
    const before = run(smallCourse(), typed("15"));
    const scaled = run(before, scale({ kind: "add", points: decimal("2") }));
    expect([counted(scaled), resultOf(scaled, quiz, ben.studentId).score]).toEqual(["17/1", "15"]);
    expect(run(scaled, scale(null))).toEqual(before);
  });

  it("refuses a line that falls or stands on one point", () => {
    const line = (x2: string, y2: string) =>
      scale({ kind: "linear", x1: decimal("0"), y1: decimal("10"), x2: decimal(x2), y2: decimal(y2) });
    expect(refusal(smallCourse(), line("20", "5"))).toMatchObject({ code: "falling_line" });
    expect(refusal(smallCourse(), line("0", "20"))).toMatchObject({ code: "same_x_twice" });
  });
});
