import { describe, expect, it } from "vitest";
import { run, smallCourse, assignmentId, studentId } from "#core/testing";
import { cutAt, recordAt, recordsOf, resultOf, StateEditor, wholeTable, withRecords } from "../index";

const [essay, quiz, ben] = [assignmentId("essay"), assignmentId("quiz"), studentId("ben")];
const type = (assignment: typeof essay, text: string) =>
  ({ type: "setScore", assignmentId: assignment, studentId: ben, text }) as const;

describe("tables cut by assignment", () => {
  const before = run(smallCourse(), type(essay, "40"), type(quiz, "12"));

  it("give the records of one assignment, of an id, and all of them", () => {
    expect(Object.keys(cutAt(before, "results", quiz) ?? {})).toEqual([`${quiz}/${ben}`]);
    expect(recordAt(before, "results", `${quiz}/${ben}`)).toBe(resultOf(before, quiz, ben));
    expect(recordAt(before, "students", ben)).toMatchObject({ givenName: "Ben" });
    expect(recordsOf(before, "results").map(({ score }) => score)).toEqual(["40", "12"]);
    expect(Object.keys(wholeTable(before, "results"))).toEqual([`${essay}/${ben}`, `${quiz}/${ben}`]);
    expect(wholeTable(before, "students")).toBe(before.students);
  });

  it("share every cut that a change does not touch with the state before", () => {
    const after = run(before, type(quiz, "13"));
    expect(after.results[essay]).toBe(before.results[essay]);
    expect(after.results[quiz]).not.toBe(before.results[quiz]);
    expect(after.handIns).toBe(before.handIns);
    expect(resultOf(before, quiz, ben).score).toBe("12");
  });

  it("hold no empty cut once the last record is taken out", () => {
    const cleared = run(smallCourse(), type(quiz, "12"), type(quiz, "-"));
    expect(cleared).toEqual(smallCourse());
    expect(Object.keys(cleared.results)).toEqual([]);
  });

  it("see an edit of the same record within one change", () => {
    const editor = new StateEditor(before);
    editor.set("results", `${quiz}/${ben}`, null);
    expect(editor.get("results", `${quiz}/${ben}`)).toBeUndefined();
    editor.set("results", `${quiz}/${ben}`, { id: `${quiz}/${ben}`, score: "1" });
    expect(editor.get("results", `${quiz}/${ben}`)).toMatchObject({ score: "1" });
    expect(editor.finish().results[quiz]).toEqual({ [`${quiz}/${ben}`]: { id: `${quiz}/${ben}`, score: "1" } });
  });

  it("can be looked at with records put in, without a change", () => {
    const result = { ...resultOf(before, quiz, ben), score: "3" as never };
    expect(resultOf(withRecords(before, "results", [result]), quiz, ben).score).toBe("3");
    expect(resultOf(before, quiz, ben).score).toBe("12");
  });
});
