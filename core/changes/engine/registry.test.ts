import { assignmentId, studentId } from "#core/testing";
import { describe, expect, it } from "vitest";
import { parseCommand } from "../index";

const quiz = assignmentId("quiz");

const ben = { assignmentId: quiz, studentId: studentId("ben") };

const type = (text: string, more: { confirmed?: boolean; seen?: string; comment?: string } = {}) =>
  ({ type: "setScore", ...ben, text, ...more }) as const;

describe("a command from outside", () => {
  it.each([
    [null, "type"],
    [{ type: "explode" }, "type"],
    [{ type: "toString" }, "type"],
    [{ type: "setScore", ...ben, text: 5 }, "text"],
    [{ type: "setScore", assignmentId: "student:x", studentId: ben.studentId, text: "5" }, "assignmentId"],
    [{ type: "setLateness", ...ben, unitsLate: -1 }, "unitsLate"],
    [{ type: "setComment", ...ben, facing: "student", text: "x".repeat(20_001) }, "text"],
    [{ type: "release", assignmentId: quiz, facets: [] }, "facets"],
  ])("%j is refused at the gate", (data, path) => {
    expect(parseCommand(data)).toMatchObject({ ok: false, issue: { code: "input_not_valid", path } });
  });

  it("of the right shape comes through, without what does not belong", () => {
    expect(parseCommand({ ...type("15"), extra: true })).toEqual({ ok: true, value: type("15") });
  });
});
