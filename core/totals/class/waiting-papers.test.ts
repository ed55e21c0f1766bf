import { describe, expect, it } from "vitest";
import type { Command } from "#core/changes";
import type { Instant } from "#core/kernel";
import { assignmentId, run, smallCourse, studentId } from "#core/testing";
import { waitingPapers } from "../index";

const handIn = (assignment: string, student: string, at: string | null): Command => ({
  type: "addHandIn",
  assignmentId: assignmentId(assignment),
  studentId: studentId(student),
  at: at as Instant | null,
  files: [],
});
const listed = (state: ReturnType<typeof smallCourse>) =>
  waitingPapers(state).map(({ assignment, student, at }) => [assignment.name, student.givenName, at]);

describe("papers that wait", () => {
  const state = run(
    smallCourse(),
    handIn("quiz", "cleo", null),
    handIn("quiz", "ben", "2026-10-23T09:00:00Z"),
    handIn("essay", "cleo", "2026-10-25T09:00:00+02:00"),
  );

  it("stand oldest first over all assignments, by the moment and not by its text; those without a time last", () => {
    expect(listed(state)).toEqual([
      ["Quiz", "Ben", "2026-10-23T09:00:00Z"],
      ["Essay", "Ada", "2026-10-24T11:00:00Z"],
      ["Essay", "Cleo", "2026-10-25T09:00:00+02:00"],
      ["Quiz", "Cleo", null],
    ]);
  });

  it("leave the list once they are scored or excused, and count by their last attempt", () => {
    const later = run(
      state,
      { type: "setScore", assignmentId: assignmentId("essay"), studentId: studentId("ada"), text: "70" },
      { type: "setStanding", assignmentId: assignmentId("quiz"), studentId: studentId("cleo"), decision: "excused" },
      handIn("quiz", "ben", "2026-10-27T09:00:00Z"),
    );
    expect(listed(later)).toEqual([
      ["Essay", "Cleo", "2026-10-25T09:00:00+02:00"],
      ["Quiz", "Ben", "2026-10-27T09:00:00Z"],
    ]);
  });
});
