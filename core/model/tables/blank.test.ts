import { describe, expect, it } from "vitest";
import { assignmentId, criterionId, smallCourse, studentId } from "#core/testing";
import { blankRecord, copyOf, hasBlanks, judgementOf, releaseOf, resultOf, tableSchemas } from "../index";

const essay = assignmentId("essay");
const ada = studentId("ada");

describe("a record that is not stored", () => {
  it("counts as blank, named by its key, and passes its own schema", () => {
    const state = smallCourse();
    const blanks = [
      ["results", resultOf(state, essay, ada)],
      ["judgements", judgementOf(state, essay, ada, criterionId("record"))],
      ["releases", releaseOf(state, essay, "rubric")],
      ["copies", copyOf(state, essay, ada)],
    ] as const;
    for (const [table, record] of blanks) {
      expect(tableSchemas[table].safeParse(record).success, table).toBe(true);
      expect(record.assignmentId).toBe(essay);
      expect(blankRecord(table, record.id)).toEqual(record);
    }
    expect(judgementOf(state, essay, ada, criterionId("record"))).toMatchObject({
      studentId: ada,
      criterionId: "criterion:record",
    });
  });

  it("is sealed, open, and without a word", () => {
    const state = smallCourse();
    expect(releaseOf(state, essay, "score")).toMatchObject({ state: "sealed", at: null });
    expect(resultOf(state, essay, ada)).toMatchObject({
      score: null,
      setByHand: null,
      decision: null,
      privateNote: "",
    });
  });

  it("is blank in five tables only; elsewhere nothing is nothing", () => {
    const tables = Object.keys(tableSchemas);
    expect(tables.filter(hasBlanks)).toEqual(["results", "judgements", "releases", "copies", "answers"]);
  });

  it("of an unknown facet is a programmer's error", () => {
    expect(() => blankRecord("releases", `${essay}/everything`)).toThrow();
  });
});
