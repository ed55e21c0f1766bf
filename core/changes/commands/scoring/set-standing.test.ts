import { describe, expect, it } from "vitest";
import { judgementOf, resultOf, type CourseState } from "#core/model";
import { assignmentId, criterionId, run, smallCourse, studentId } from "#core/testing";

const essay = assignmentId("essay");
const quiz = assignmentId("quiz");
const ada = { assignmentId: essay, studentId: studentId("ada") };
const ben = { assignmentId: quiz, studentId: studentId("ben") };

describe("a key pressed twice before the screen has followed", () => {
  it("gives a standing and takes it back, as it stands when it is carried out", () => {
    const missing = { type: "setStanding", ...ben, decision: "missing", toggle: true } as const;
    expect(resultOf(run(smallCourse(), missing), quiz, ben.studentId).decision).toBe("missing");
    expect(resultOf(run(smallCourse(), missing, missing), quiz, ben.studentId).decision).toBeNull();
    const excused = { ...missing, decision: "excused" } as const;
    expect(resultOf(run(smallCourse(), missing, excused), quiz, ben.studentId).decision).toBe("excused");
  });

  it("says that a criterion does not apply, and opens it again", () => {
    const criterion = criterionId("record");
    const away = {
      type: "judge",
      ...ada,
      criterionId: criterion,
      verdict: { kind: "notApplicable", toggle: true },
    } as const;
    const applies = (state: CourseState) => judgementOf(state, essay, ada.studentId, criterion).notApplicable;
    expect(applies(run(smallCourse(), away))).toBe(true);
    expect(applies(run(smallCourse(), away, away))).toBe(false);
  });
});
