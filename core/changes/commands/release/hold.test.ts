import { runCommand, type Command } from "#core/changes";
import { type Instant } from "#core/kernel";
import { type CourseState } from "#core/model";
import { isShown, shownTotals, visibleTo } from "#core/release";
import { assignmentId, run, scoredClass, smallCourse, studentId, WORLD } from "#core/testing";
import { describe, expect, it } from "vitest";

const quiz = assignmentId("quiz");

const ben = { assignmentId: quiz, studentId: studentId("ben") };

const refusal = (state: CourseState, command: Command) => {
  const done = runCommand(state, command, WORLD);
  return done.ok ? null : done.issue;
};

const typed = (text: string) => ({ type: "setScore", ...ben, text }) as const;

describe("holding and showing", () => {
  const out = run(smallCourse(), typed("15"), { type: "release", assignmentId: quiz, facets: ["score"] });
  const shown = (state: CourseState) => {
    const assignment = state.assignments[quiz];
    return assignment !== undefined && isShown(state, assignment, ben.studentId, "score");
  };

  it("an assignment held for moderation, or one student held back, shows nothing until let go", () => {
    expect(shown(out)).toBe(true);
    for (const hold of [
      (held: boolean) => ({ type: "holdAssignment", assignmentId: quiz, held }) as const,
      (held: boolean) => ({ type: "holdResult", ...ben, held }) as const,
    ]) {
      const held = run(out, hold(true));
      expect(shown(held)).toBe(false);
      expect(run(held, hold(false))).toEqual(out);
    }
  });

  const seal = (more: Partial<Extract<Command, { type: "sealTotal" }>> = {}) =>
    ({ type: "sealTotal", id: "course", state: "released", at: null, shows: "percent", ...more }) as const;

  it("a total shows once its seal is broken, as a figure or as a letter", () => {
    expect(shownTotals(out, ben.studentId)).toEqual([]);
    expect(shownTotals(run(out, seal()), ben.studentId)).toMatchObject([{ id: "course", text: "75.0" }]);
    expect(shownTotals(run(out, seal({ shows: "letter" })), ben.studentId)).toMatchObject([{ text: "F" }]);
    expect(shownTotals(run(out, seal({ id: "category:quizzes" })), ben.studentId)).toMatchObject([
      { id: "category:quizzes" },
    ]);
  });

  it("a total that is not there, or a time that has passed, is refused", () => {
    expect(refusal(out, seal({ id: "category:none" }))).toMatchObject({ code: "unknown_record" });
    expect(refusal(out, seal({ state: "timed", at: "2026-10-01T00:00:00Z" as Instant }))).toMatchObject({
      code: "time_is_past",
    });
    expect(refusal(out, seal({ state: "timed" }))).toMatchObject({ code: "time_is_past" });
    expect(refusal(out, seal({ state: "timed", at: "2026-12-01T00:00:00Z" as Instant }))).toBeNull();
  });
});

describe("a hold", () => {
  const { essay, ben, everyone: EVERYONE, scored, release } = scoredClass();
  const scoresSeen = (state: CourseState) =>
    EVERYONE.map((student) => visibleTo(state, student).map(({ score: shown }) => shown?.points ?? null));

  const given = run(scored, release());
  it("of an assignment hides it from all, with its reason kept from students", () => {
    const held = run(given, {
      type: "holdAssignment",
      assignmentId: essay,
      held: true,
      reason: "board meets Thursday",
    });
    expect(scoresSeen(held)).toEqual([[], [], []]);
    expect(held.assignments[essay]?.heldReason).toBe("board meets Thursday");
    const free = run(held, { type: "holdAssignment", assignmentId: essay, held: false });
    expect(scoresSeen(free)).toEqual([["70"], ["71"], ["72"]]);
    expect(free.assignments[essay]?.heldReason).toBe("");
  });

  it("of one student hides it from them alone", () => {
    const place = { assignmentId: essay, studentId: ben };
    expect(scoresSeen(run(given, { type: "holdResult", ...place, held: true, reason: "appeal" }))).toEqual([
      ["70"],
      [],
      ["72"],
    ]);
  });
});
