import { judgementOf, resultOf, type CourseState } from "#core/model";
import { assignmentId, criterionId, run, smallCourse, studentId, WORLD } from "#core/testing";
import { describe, expect, it } from "vitest";
import { runCommand, type Command } from "../../index";

const essay = assignmentId("essay");

const quiz = assignmentId("quiz");

const ada = { assignmentId: essay, studentId: studentId("ada") };

const refusal = (state: CourseState, command: Command) => {
  const done = runCommand(state, command, WORLD);
  return done.ok ? null : done.issue;
};

const level = (digit: number, criterion = "record") =>
  ({ type: "judge", ...ada, criterionId: criterionId(criterion), verdict: { kind: "level", digit } }) as const;

describe("judging a criterion", () => {
  it("by level proposes the level's top", () => {
    const state = run(smallCourse(), level(2));
    expect(judgementOf(state, essay, ada.studentId, criterionId("record")).points).toBe("15.5");
  });

  it("by steps goes on from where the ruler stands when each step is carried out", () => {
    const step = (direction: 1 | -1): Command => ({
      type: "judge",
      ...ada,
      criterionId: criterionId("record"),
      verdict: { kind: "step", direction },
    });
    const state = run(smallCourse(), level(2), step(-1), step(-1), step(1));
    expect(judgementOf(state, essay, ada.studentId, criterionId("record")).points).toBe("15");
  });

  it("keeps the comment when the points change, and the points when the comment does", () => {
    const place = { ...ada, criterionId: criterionId("record") };
    const state = run(
      smallCourse(),
      level(2),
      { type: "setCriterionComment", ...place, comment: "Name the gap." },
      level(3),
    );
    expect(judgementOf(state, essay, ada.studentId, place.criterionId)).toMatchObject({
      points: "20",
      comment: "Name the gap.",
    });
  });

  it("may not apply, and may be opened again", () => {
    const judge = (kind: "notApplicable" | "open") =>
      ({ type: "judge", ...ada, criterionId: criterionId("record"), verdict: { kind } }) as const;
    const none = run(smallCourse(), level(2), judge("notApplicable"));
    expect(judgementOf(none, essay, ada.studentId, criterionId("record"))).toMatchObject({
      points: null,
      notApplicable: true,
    });
    expect(judgementOf(run(none, judge("open")), essay, ada.studentId, criterionId("record")).notApplicable).toBe(
      false,
    );
  });

  it("for a missing or excused student asks once, then ends that standing", () => {
    const missing = run(smallCourse(), { type: "setStanding", ...ada, decision: "missing" });
    expect(refusal(missing, level(2))).toEqual({ code: "student_is_missing", canConfirm: true });
    const judged = run(missing, { ...level(2), confirmed: true });
    expect(resultOf(judged, essay, ada.studentId).decision).toBeNull();
    const excused = run(smallCourse(), { type: "setStanding", ...ada, decision: "excused" });
    expect(refusal(excused, level(2))).toMatchObject({ code: "student_is_excused" });
    const open = { ...level(2), verdict: { kind: "notApplicable" as const } };
    expect(resultOf(run(excused, open), essay, ada.studentId).decision).toBe("excused");
  });

  it.each([
    [level(7), { code: "no_rubric_level", digit: 7 }],
    [
      { ...level(1), criterionId: criterionId("other") },
      { code: "unknown_record", what: "criterion" },
    ],
    [
      { ...level(1), studentId: studentId("nobody") },
      { code: "unknown_record", what: "student" },
    ],
    [
      { ...level(1), assignmentId: assignmentId("none") },
      { code: "unknown_record", what: "assignment" },
    ],
    [
      { ...level(1), assignmentId: quiz },
      { code: "unknown_record", what: "criterion" },
    ],
  ] as const)("refuses %j", (command, issue) => {
    expect(refusal(smallCourse(), command as Command)).toMatchObject(issue);
  });
});
