import { describe, expect, it } from "vitest";
import type { LeakReport } from "#core/release";
import { studentId } from "#core/testing";
import { tellsSomething } from "../index";

describe("a report on what a student could work out", () => {
  const report = (found: Partial<LeakReport>): LeakReport => ({
    studentId: studentId("ben"),
    leaks: [],
    inconsistent: [],
    unchecked: [],
    ...found,
  });

  it("has something to stop at also where a total does not fit its parts, or could not be checked", () => {
    expect(tellsSomething(report({}))).toBe(false);
    expect(tellsSomething(report({ inconsistent: ["course"] }))).toBe(true);
    expect(tellsSomething(report({ unchecked: ["course"] }))).toBe(true);
  });
});
