import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { StudentId } from "#core/kernel";
import { recordsOf, StateEditor, tableSchemas, TABLE_NAMES, EMPTY_STATE, type CourseState } from "#core/model";
import { anyOf, anyRecords, studentId } from "#core/testing";
import { forgetStudents, NAMES_STUDENTS } from "./forget-students";
import { applyPatches } from "../../engine/patch";

const NAMED = /"student:(?:1|2|é-ß)"/;

describe("the list of tables that name students", () => {
  it.each(TABLE_NAMES)("is right about %s: any of its records may be looked through for a student's id", (table) => {
    const samples = fc.sample(anyOf(tableSchemas[table]), 200).map((record) => JSON.stringify(record));
    const names = samples.some((text) => NAMED.test(text));
    expect(names).toBe(NAMES_STUDENTS[table] !== "nobody");
  });
});

it("of a student taken off, nothing names them any more, in no table; others stay", () => {
  fc.assert(
    fc.property(anyRecords(3), (records) => {
      const editor = new StateEditor(EMPTY_STATE);
      for (const [table, list] of records) for (const record of list) editor.set(table, String(record["id"]), record);
      const state: CourseState = editor.finish();
      const gone = new Set<StudentId>([studentId("1")]);
      const next = applyPatches(
        state,
        forgetStudents(state, gone).filter((patch) => patch !== null),
      );
      if (!next.ok) throw new Error(JSON.stringify(next.issue));
      expect(JSON.stringify(next.value)).not.toMatch(/"studentIds?":(?:\[[^\]]*)?"student:1"/);
      expect(JSON.stringify(next.value)).not.toMatch(/"student:1"/);
      for (const table of TABLE_NAMES) {
        if (NAMES_STUDENTS[table] === "nobody") expect(next.value[table]).toEqual(state[table]);
      }
      const others = recordsOf(state, "mails").filter((mail) => mail.studentId !== "student:1");
      expect(recordsOf(next.value, "mails")).toEqual(others);
    }),
  );
});
