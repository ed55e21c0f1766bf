import { decimal } from "#core/kernel";
import { resultOf, type CourseState } from "#core/model";
import { assignmentId, run, smallCourse, studentId, WORLD } from "#core/testing";
import { describe, expect, it } from "vitest";
import { runCommand, type Command } from "../../index";

const ben = studentId("ben");

const quiz = assignmentId("quiz");

const refusal = (state: CourseState, command: Command) => {
  const done = runCommand(state, command, WORLD);
  return done.ok ? null : done.issue;
};

describe("a scale", () => {
  const level = (name: string, percent: string | null) => ({
    name,
    percent: percent === null ? null : decimal(percent),
  });
  const made = run(smallCourse(), {
    type: "addScale",
    name: "Check",
    kind: "passNotYet",
    levels: [level("Pass", "100"), level("Not yet", "0")],
  });
  const scale = Object.values(made.scales)[0] as CourseState["scales"][string];
  const edit = (levels: ReturnType<typeof level>[], name = "Check") =>
    ({ type: "editScale", scaleId: scale.id, name, kind: "passNotYet", levels }) as const;
  const used = run(
    made,
    { type: "editAssignment", assignmentId: quiz, fields: { scoredIn: { kind: "scale", scaleId: scale.id } } },
    { type: "setScore", assignmentId: quiz, studentId: ben, text: "Pass" },
  );

  it("is changed in name and worth; who was given a level keeps it under its new name", () => {
    const changed = run(used, edit([level("Passed", "90"), level("Not yet", "10")]));
    expect(resultOf(changed, quiz, ben).levelId).toBe(scale.levels[0]?.id);
    expect(changed.scales[scale.id]?.levels.map(({ name }) => name)).toEqual(["Passed", "Not yet"]);
    const more = run(used, edit([level("Pass", "100"), level("Nearly", "50"), level("Not yet", "0")]));
    expect(more.scales[scale.id]?.levels.map(({ id }) => id)).toMatchObject({ 0: scale.levels[0]?.id });
    expect(resultOf(more, quiz, ben).levelId).toBe(scale.levels[0]?.id);
  });

  it("loses no level that somebody was given, and goes only when nothing uses it", () => {
    expect(refusal(used, edit([level("Not yet", "0")]))).toEqual({ code: "level_in_use", name: "Pass" });
    expect(refusal(used, edit([level("Pass", "0"), level("Not yet", "50")]))).toMatchObject({
      code: "bands_not_falling",
    });
    const remove = { type: "removeScale", scaleId: scale.id } as const;
    expect(refusal(used, remove)).toMatchObject({ code: "record_in_use", by: "Quiz" });
    expect(run(made, remove).scales).toEqual({});
  });
});
