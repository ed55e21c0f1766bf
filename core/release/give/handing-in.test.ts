import { describe, expect, it } from "vitest";
import type { Instant } from "#core/kernel";
import { assignmentId, run, smallCourse, studentId } from "#core/testing";
import { handingIn } from "./handing-in";

// The essay of 100 points is due 24 Oct 12:00 UTC; 5 % of the maximum for each 24 hours begun.
const essay = assignmentId("essay");
const [ada, ben] = [studentId("ada"), studentId("ben")];
const of = (at: string, student = ben, state = smallCourse()) => {
  const work = state.assignments[essay];
  return work ? handingIn(state, work, student, at as Instant) : null;
};

describe("what a student knows about handing in", () => {
  it("how long it is until it is due, and what has been handed in", () => {
    expect(of("2026-10-24T09:00:00Z")).toEqual({ attempts: [], left: null, until: 3 * 3_600_000, late: null });
    expect(of("2026-10-24T09:00:00Z", ada)?.attempts.map(({ files }) => files.map(({ name }) => name))).toEqual([
      ["ada.pdf"],
    ]);
  });

  it("what it would cost now: two units begun are 10 of 100 points", () => {
    expect(of("2026-10-26T11:00:00Z")).toMatchObject({
      until: -47 * 3_600_000,
      late: { units: 2, unitHours: 24, points: "10", maximum: "100", ofScore: false },
    });
    const more = run(smallCourse(), {
      type: "giveMoreTime",
      assignmentId: essay,
      studentIds: [ben],
      until: "2026-10-27T12:00:00Z" as Instant,
      reason: "",
    });
    expect(of("2026-10-26T11:00:00Z", ben, more)?.late).toBeNull();
  });

  it("how many attempts are left, and that some work is not handed in this way", () => {
    const limited = run(smallCourse(), { type: "editAssignment", assignmentId: essay, fields: { attemptsAllowed: 1 } });
    expect([of("2026-10-24T09:00:00Z", ada, limited)?.left, of("2026-10-24T09:00:00Z", ben, limited)?.left]).toEqual([
      0, 1,
    ]);
    const paper = run(smallCourse(), { type: "editAssignment", assignmentId: essay, fields: { channel: "paper" } });
    expect(of("2026-10-24T09:00:00Z", ben, paper)).toBeNull();
  });
});
