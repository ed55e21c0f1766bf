import { type Id } from "#core/kernel";
import { assignmentsOf, courseOf, EMPTY_STATE, type CourseState } from "#core/model";
import { assignmentId, run, smallCourse, studentId, WORLD } from "#core/testing";
import { describe, expect, it } from "vitest";
import { planFrom, runCommand, type Command } from "../../index";

const [essay, quiz] = [assignmentId("essay"), assignmentId("quiz")];

const [ada, ben] = [studentId("ada"), studentId("ben")];

const refusal = (state: CourseState, command: Command) => {
  const done = runCommand(state, command, WORLD);
  return done.ok ? null : done.issue;
};

const names = (state: CourseState) => assignmentsOf(state).map(({ name }) => name);

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
