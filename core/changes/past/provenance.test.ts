import { describe, expect, it } from "vitest";
import { required, type Instant } from "#core/kernel";
import { assignmentId, criterionId, entriesOf, run, smallCourse, studentId, WORLD } from "#core/testing";
import { explainResult } from "#core/totals";
import { ENTRY_SCHEMA, provenancesFrom, runCommand, type Command, type Entry } from "../index";

describe("who entered a figure, and when", () => {
  const start = smallCourse();
  const quiz = required(start.assignments[assignmentId("quiz")], "quiz");
  const essay = required(start.assignments[assignmentId("essay")], "essay");

  /** The journal of a course in which commands were given, one a minute. */
  const journal = (...commands: Command[]): Entry[] =>
    commands.reduce((entries, command, index) => {
      const at = `2026-10-26T12:0${String(index)}:00Z` as Instant;
      const before = run(start, ...commands.slice(0, index));
      const done = runCommand(before, command, { ...WORLD, at });
      if (!done.ok) throw new Error(JSON.stringify(done.issue));
      return [
        ...entries,
        { seq: index + 2, schema: ENTRY_SCHEMA, kind: "change", of: null, change: done.value.change },
      ];
    }, entriesOf(start));

  const ben = { assignmentId: quiz.id, studentId: studentId("ben") };
  const entries = journal(
    { type: "setScore", ...ben, text: "12" },
    { type: "setScore", ...ben, text: "15" },
    {
      type: "judge",
      assignmentId: essay.id,
      studentId: studentId("ada"),
      criterionId: criterionId("record"),
      verdict: { kind: "points", text: "12" },
    },
  );
  const who = provenancesFrom(entries, start);

  it("is the last change of the paper, a judgement as well as a typed score", () => {
    expect(who(quiz, studentId("ben"))).toEqual({ at: "2026-10-26T12:01:00Z", by: "Marker" });
    expect(who(essay, studentId("ada"))?.at).toBe("2026-10-26T12:02:00Z");
    expect(who(quiz, studentId("cleo"))).toBeNull();
  });

  it("stands in the account of the figure", () => {
    const state = run(start, { type: "setScore", ...ben, text: "15" });
    expect(explainResult(state, quiz, studentId("ben"), who)).toMatchObject({
      shown: "15",
      rule: { name: "entered", source: "typed", by: { by: "Marker" } },
    });
  });

  it("names a marker who is not in the course by the id", () => {
    expect(provenancesFrom(entries, { ...start, markers: {} })(quiz, studentId("ben"))?.by).toBe("marker:one");
  });
});
