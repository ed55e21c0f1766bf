import { fractionText, type Id } from "#core/kernel";
import { type CourseState } from "#core/model";
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

describe("groups", () => {
  const form = (...groups: string[][]): Command => ({
    type: "formGroups",
    assignmentId: quiz,
    groups: groups.map((members, index) => ({ name: `Group ${String(index)}`, memberIds: members.map(studentId) })),
  });
  const formed = run(smallCourse(), form(["ada", "ben"]));
  const [groupId = "" as Id<"group">] = Object.keys(formed.groups) as Id<"group">[];

  it("give every member the score, with a part of their own", () => {
    const state = run(
      formed,
      { type: "scoreGroup", groupId, text: "14" },
      { type: "adjustMember", ...ben, text: "-1.5" },
    );
    expect([counted(state, quiz, "ada"), counted(state), counted(state, quiz, "cleo")]).toEqual(["14/1", "25/2", null]);
    expect(counted(run(state, { type: "adjustMember", ...ben, text: "" }))).toBe("14/1");
    expect(counted(run(state, { type: "scoreGroup", groupId, text: "-" }))).toBeNull();
  });

  it("take each student once, and only students of the roster", () => {
    expect(refusal(formed, form(["cleo", "ada"]))).toMatchObject({
      code: "student_in_two_groups",
      studentId: "student:ada",
    });
    expect(refusal(smallCourse(), form(["ada"], ["ada"]))).toMatchObject({ code: "student_in_two_groups" });
    expect(refusal(smallCourse(), form(["nobody"]))).toMatchObject({ code: "unknown_record" });
  });

  it("refuse what cannot be a score", () => {
    expect(refusal(formed, { type: "scoreGroup", groupId, text: "21" })).toMatchObject({ code: "score_above_maximum" });
    expect(refusal(formed, { type: "scoreGroup", groupId, text: "many" })).toMatchObject({ code: "not_a_number" });
    expect(refusal(formed, { type: "scoreGroup", groupId: "group:none" as Id<"group">, text: "1" })).toMatchObject({
      code: "unknown_record",
    });
    expect(refusal(formed, { type: "adjustMember", ...ben, text: "a bit" })).toMatchObject({ code: "not_a_number" });
  });
});
