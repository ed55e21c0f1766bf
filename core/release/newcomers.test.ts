import { type Instant } from "#core/kernel";
import { newcomersOf } from "#core/release";
import { assignmentId, run, smallCourse, studentId } from "#core/testing";
import { describe, expect, it } from "vitest";

const [ben, cleo] = [studentId("ben"), studentId("cleo")];

const essay = assignmentId("essay");

const NOW = "2026-11-01T12:00:00Z" as Instant;

describe("students who joined late", () => {
  it("are those of whom nothing is known, once work that others handed in is past due", () => {
    expect(newcomersOf(smallCourse(), NOW)).toEqual({ studentIds: [ben, cleo], work: [essay] });
    expect(newcomersOf(smallCourse(), "2026-10-01T12:00:00Z" as Instant)).toBeNull();
    const excused = run(smallCourse(), {
      type: "enterScores",
      how: "entered",
      cells: [ben, cleo].map((id) => ({ assignmentId: essay, studentId: id, text: "x" })),
      reason: "joined after it was due",
    });
    expect(newcomersOf(excused, NOW)).toBeNull();
  });
});
