import { describe, expect, it } from "vitest";
import type { Id } from "#core/kernel";
import { fillPhrase } from "#core/model";
import { assignmentId, criterionId, run, smallCourse, studentId, WORLD } from "#core/testing";
import { phrasesOf, runCommand } from "../../index";

const essay = assignmentId("essay");
const kept = (...texts: string[]) =>
  run(smallCourse(), ...texts.map((text) => ({ type: "keepPhrase", text }) as const));

describe("phrases kept for use again", () => {
  it("are filled in for a student; braces that name nothing stay", () => {
    const places = { given: "Ada", name: "Ada Ames", score: "17.5", maximum: "20" };
    expect(fillPhrase("{given}, {score} of {maximum}: {why} Well done, {given}.", places)).toBe(
      "Ada, 17.5 of 20: {why} Well done, Ada.",
    );
    expect(fillPhrase("{name}", places)).toBe("Ada Ames");
  });

  it("are kept once, and removed", () => {
    const state = kept("Units?");
    const [phrase] = Object.values(state.phrases);
    expect(phrase?.text).toBe("Units?");
    const again = runCommand(state, { type: "keepPhrase", text: "Units?" }, WORLD);
    expect(again.ok ? null : again.issue).toEqual({ code: "name_taken", name: "Units?" });
    const id = phrase?.id as Id<"phrase">;
    expect(run(state, { type: "removePhrase", phraseId: id }).phrases).toEqual({});
    const gone = runCommand(smallCourse(), { type: "removePhrase", phraseId: id }, WORLD);
    expect(gone.ok ? null : gone.issue).toMatchObject({ code: "unknown_record", what: "phrase" });
  });

  it("are counted where they stand, whatever their places were filled with, the most used first", () => {
    const state = run(
      kept("Say (which) unit.", "{given}, show each step."),
      {
        type: "setComment",
        assignmentId: essay,
        studentId: studentId("ada"),
        facing: "student",
        text: "Ada, show each step.",
      },
      {
        type: "setComment",
        assignmentId: essay,
        studentId: studentId("ben"),
        facing: "student",
        text: "Well.\nBen, show each step. Good.",
      },
      {
        type: "setCriterionComment",
        assignmentId: essay,
        studentId: studentId("ada"),
        criterionId: criterionId("record"),
        comment: "Say (which) unit.",
      },
      {
        type: "setComment",
        assignmentId: essay,
        studentId: studentId("cleo"),
        facing: "student",
        text: "Say which unit.",
      },
    );
    expect(phrasesOf(state).map(({ text, uses }) => [text, uses])).toEqual([
      ["{given}, show each step.", 2],
      ["Say (which) unit.", 1],
    ]);
    expect(phrasesOf(smallCourse())).toEqual([]);
  });
});
