import { describe, expect, it } from "vitest";
import type { Id, StudentId } from "#core/kernel";
import { assignmentsOf, courseOf, studentsOf, type CourseState } from "#core/model";
import { smallCourse } from "../../testing/builders";
import { codeFor, codeSaid } from "./code-book";
import { coversOf } from "./covers";
import { guestMark, studentMark } from "./paper-code";

const state = smallCourse();
const assignment = assignmentsOf(state)[0];
const [ada, ben] = studentsOf(state);
if (!assignment || !ada || !ben) throw new Error("the small course has changed");
const codeOf = (student: string, of: CourseState = state) =>
  codeFor(of, "cover", { assignmentId: assignment.id, student });

describe("what a code says in a course", () => {
  it("is a student and an assignment, or a blank sheet", () => {
    expect(codeSaid(state, codeOf(studentMark(ben.id)))).toEqual({
      kind: "student",
      assignmentId: assignment.id,
      studentId: ben.id,
    });
    expect(codeSaid(state, codeOf(guestMark(3)))).toEqual({ kind: "guest", assignmentId: assignment.id });
    expect(codeSaid(state, "anything else")).toBeNull();
  });

  it("is nothing here for another course, and for who or what is gone", () => {
    const other = { ...state, courses: { other: { ...courseOf(state), id: "course:other" as Id<"course"> } } };
    expect(codeSaid(state, codeOf(studentMark(ada.id), other))).toEqual({ kind: "otherCourse" });
    expect(codeSaid(state, codeOf(studentMark("student:gone" as StudentId)))).toEqual({ kind: "gone" });
    const { [assignment.id]: _gone, ...rest } = state.assignments;
    expect(codeSaid({ ...state, assignments: rest }, codeOf(studentMark(ada.id)))).toEqual({ kind: "gone" });
  });
});

it("prints a cover for each student asked for, in that order, and blank ones behind", () => {
  const covers = coversOf(state, assignment, { kind: "page", studentIds: [ben.id, ada.id], guests: 2 });
  expect(covers.map(({ name }) => name)).toEqual([
    `${ben.givenName} ${ben.familyName}`,
    `${ada.givenName} ${ada.familyName}`,
    "",
    "",
  ]);
  expect(covers.map(({ code }) => codeSaid(state, code)?.kind)).toEqual(["student", "student", "guest", "guest"]);
  expect(new Set(covers.map(({ code }) => code)).size).toBe(4);
});
