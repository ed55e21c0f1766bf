import { describe, expect, it } from "vitest";
import { fromDecimal, decimal, pointsText, type Instant } from "#core/kernel";
import { dueFor, dueTimesPassed, isOverFor, type CourseState } from "#core/model";
import { announcedWork, laneOf, remindersFor } from "#core/release";
import { figuresOf } from "#core/totals";
import { assignmentId, run, smallCourse, studentId, WORLD } from "#core/testing";
import { runCommand, type Command } from "../../index";

// The essay of 100 points is due 24 Oct 12:00 UTC; 5 % of the maximum for each 24 hours begun.
const essay = assignmentId("essay");
const [ada, ben, cleo] = ["ada", "ben", "cleo"].map((name) => studentId(name)) as [never, never, never];
const UNTIL = "2026-10-26T12:00:00Z" as Instant;
const NOW = "2026-10-25T12:00:00Z" as Instant;
const work = (state: CourseState) => state.assignments[essay] as NonNullable<CourseState["assignments"][string]>;

const give = (until: Instant | null, ...studentIds: (typeof ada)[]): Command => ({
  type: "giveMoreTime",
  assignmentId: essay,
  studentIds,
  until,
  reason: "was ill",
});
const handIn = (student: typeof ada, at: string): Command => ({
  type: "addHandIn",
  assignmentId: essay,
  studentId: student,
  at: at as Instant,
  files: [],
});
const counted = (state: CourseState, student: typeof ada) => {
  const { counted: value, unitsLate } = figuresOf(state).figure(essay, student);
  return `${value ? pointsText(value) : "–"}, ${String(unitsLate)} late`;
};

describe("a due time of one's own", () => {
  it("is what lateness counts from, for those who have it and nobody else", () => {
    const late = run(
      smallCourse(),
      handIn(ben, "2026-10-26T11:00:00Z"),
      handIn(cleo, "2026-10-26T11:00:00Z"),
      { type: "setScore", assignmentId: essay, studentId: ben, text: "80" },
      { type: "setScore", assignmentId: essay, studentId: cleo, text: "80" },
    );
    // 47 hours: two units, 10 points.
    expect([counted(late, ben), counted(late, cleo)]).toEqual(["70, 2 late", "70, 2 late"]);
    const given = run(late, give(UNTIL, ben));
    expect([counted(given, ben), counted(given, cleo)]).toEqual(["80, 0 late", "70, 2 late"]);
    const later = run(given, handIn(ben, "2026-10-26T13:00:00Z"));
    expect(counted(later, ben)).toBe("75, 1 late");
    expect(counted(run(later, give(null, ben)), ben)).toBe("65, 3 late");
  });

  it("keeps a student out of what is over, out of reminders, and is what the student reads", () => {
    const state = run(smallCourse(), give(UNTIL, ben));
    expect(laneOf(state, work(state), NOW).next).toMatchObject({ kind: "score" });
    const scored = run(state, { type: "setScore", assignmentId: essay, studentId: ada, text: "80" });
    expect(laneOf(scored, work(scored), NOW).next).toEqual({ kind: "decide", count: 1, studentId: cleo });
    const after = "2026-10-27T12:00:00Z" as Instant;
    expect(laneOf(scored, work(scored), after).next).toEqual({ kind: "decide", count: 2, studentId: ben });
    const reminded = (now: Instant, kind: "nothingIn" | "dueSoon") =>
      remindersFor(scored, { kind, assignmentId: essay, percent: fromDecimal(decimal("0")) }, now).map(
        (one) => one.studentId,
      );
    expect(reminded(NOW, "nothingIn")).toEqual([cleo]);
    expect(reminded(NOW, "dueSoon")).toEqual([ben]);
    expect(reminded(after, "nothingIn")).toEqual([ben, cleo]);
    const reads = (student: typeof ada) => announcedWork(scored, student, NOW).find(({ id }) => id === essay)?.dueAt;
    expect([reads(ben), reads(cleo)]).toEqual([UNTIL, work(scored).dueAt]);
  });

  it("is told with its reason in the journal, for one, for several, and when it is taken back", () => {
    const lineOf = (command: Command, state = smallCourse()) => {
      const done = runCommand(state, command, WORLD);
      return done.ok ? [done.value.change.line, done.value.change.reason] : done.issue;
    };
    expect(lineOf(give(UNTIL, ben))).toEqual(["Ben Bolt, Essay: more time, until Mon 26 Oct 2026, 13:00", "was ill"]);
    expect(lineOf(give(UNTIL, ben, cleo))).toEqual([
      "2 students, Essay: more time, until Mon 26 Oct 2026, 13:00",
      "was ill",
    ]);
    expect(lineOf(give(null, ben), run(smallCourse(), give(UNTIL, ben)))).toEqual([
      "Ben Bolt, Essay: more time taken back",
      "was ill",
    ]);
  });

  it("ends after the assignment's own, and is given to students of the course alone", () => {
    const issueOf = (command: Command) => {
      const done = runCommand(smallCourse(), command, WORLD);
      return done.ok ? null : done.issue.code;
    };
    expect(issueOf(give("2026-10-24T12:00:00Z" as Instant, ben))).toBe("more_time_not_later");
    expect(issueOf(give(UNTIL, ben, studentId("zoe") as never))).toBe("unknown_record");
    expect(issueOf(give(null, ben))).toBe("nothing_to_change");
  });

  it("stands for work without a due time too, and counts among the times that have passed", () => {
    const undated = run(
      smallCourse(),
      { type: "editAssignment", assignmentId: essay, fields: { dueAt: null } },
      give(UNTIL, ben),
    );
    expect(dueFor(undated, work(undated), ben)).toBe(UNTIL);
    expect(dueFor(undated, work(undated), cleo)).toBeNull();
    expect(isOverFor(undated, work(undated), cleo, NOW)).toBe(false);
    const dated = run(smallCourse(), give(UNTIL, ben));
    expect(
      ["2026-10-24T11:00:00Z", NOW, "2026-10-27T12:00:00Z"].map((at) =>
        dueTimesPassed(dated, work(dated), at as Instant),
      ),
    ).toEqual([0, 1, 2]);
  });
});
