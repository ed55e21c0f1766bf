import { type Command } from "#core/changes";
import { decimal, type Instant } from "#core/kernel";
import { type Assignment, type CourseState } from "#core/model";
import { assignmentId, judgedClass, run, smallCourse, studentId } from "#core/testing";
import { describe, expect, it } from "vitest";
import { flowCounts, laneOf, undatedOf, weightsAddUp } from "./index";

const essay = assignmentId("essay");
const DUE = "2026-10-24T12:00:00Z" as Instant;
const BEFORE = "2026-10-24T11:00:00Z" as Instant;
const AFTER = "2026-10-26T12:00:00Z" as Instant;
const essayOf = (state: CourseState) => state.assignments[essay] as Assignment;
const lane = (state: CourseState, now = AFTER) => laneOf(state, essayOf(state), now);
const score = (student: string, text: string): Command => ({
  type: "setScore",
  assignmentId: essay,
  studentId: studentId(student),
  text,
});
const missing = (student: string): Command => ({
  type: "setStanding",
  assignmentId: essay,
  studentId: studentId(student),
  decision: "missing",
});
const excused = (student: string): Command => ({ ...missing(student), decision: "excused" }) as Command;
const release = (...facets: ("score" | "comments")[]): Command => ({ type: "release", assignmentId: essay, facets });

describe("the next step of an assignment", () => {
  it("is to score what is in, and names the first", () => {
    expect(lane(smallCourse())).toMatchObject({
      students: 3,
      waiting: 1,
      notIn: 2,
      scored: 0,
      released: 0,
      excused: 0,
      next: { kind: "score", count: 1, studentId: studentId("ada") },
    });
  });

  it("is to decide about those of whom nothing is known, only after the due time and never for bonus work", () => {
    const scored = run(smallCourse(), score("ada", "70"));
    expect(lane(scored).next).toEqual({ kind: "decide", count: 2, studentId: studentId("ben") });
    expect(lane(scored, DUE).next).toEqual({ kind: "release", count: 1 });
    expect(lane(scored, BEFORE).next).toEqual({ kind: "release", count: 1 });
    const bonus = { ...scored, assignments: { ...scored.assignments, [essay]: { ...essayOf(scored), bonus: true } } };
    expect(lane(bonus).next).toEqual({ kind: "release", count: 1 });
  });

  it("is to release what is scored or decided, then nothing, then to correct what changed", () => {
    const ready = run(smallCourse(), score("ada", "70"), missing("ben"), excused("cleo"));
    expect(lane(ready)).toMatchObject({ scored: 2, waiting: 0, notIn: 0, excused: 1, released: 0 });
    expect(lane(ready).next).toMatchObject({ kind: "release" });
    const given = run(ready, release("score"));
    expect(lane(given)).toMatchObject({ next: { kind: "released", release: { facet: "score", state: "released" } } });
    expect(lane(given).released).toBeGreaterThan(0);
    expect(lane(given).released + lane(given).scored + lane(given).excused).toBe(3);
    const changed = run(given, score("ada", "72"));
    expect(lane(changed).next).toEqual({ kind: "correct", count: 1 });
    // Comments alone released: the scores are still sealed.
    const words = run(ready, {
      type: "setComment",
      assignmentId: essay,
      studentId: studentId("ada"),
      facing: "student",
      text: "x",
    });
    expect(lane(run(words, release("comments")))).toMatchObject({ released: 0, next: { kind: "release" } });
  });

  it("names the time of a release that is to come", () => {
    const ready = run(smallCourse(), score("ada", "70"), missing("ben"), missing("cleo"));
    const at = "2026-12-01T08:00:00Z" as Instant;
    const key = `${essay}/score`;
    const timed = {
      ...ready,
      releases: {
        [key]: { id: key, assignmentId: essay, facet: "score" as const, state: "timed" as const, at, waves: [] },
      },
    };
    expect(lane(timed).next).toMatchObject({ kind: "timed", release: { at } });
    expect(lane(timed).released).toBe(0);
  });

  it("is to wait while nothing is due and nothing is in", () => {
    const quiz = smallCourse().assignments[assignmentId("quiz")] as Assignment;
    expect(laneOf(smallCourse(), quiz, AFTER).next).toEqual({ kind: "wait" });
  });
});

describe("what waits in the five steps", () => {
  const counts = (state: CourseState) =>
    flowCounts(
      state,
      Object.values(state.assignments).map((assignment) => laneOf(state, assignment, AFTER)),
    );

  it("is counted from the lanes and the plan", () => {
    const decide = run(smallCourse(), score("ada", "70"));
    expect(counts(decide)).toEqual({ plan: 1, collect: 2, score: 0, check: 0, release: 0 });
    const ready = run(decide, missing("ben"), missing("cleo"));
    expect(counts(ready)).toMatchObject({ collect: 0, check: 0 });
    expect(counts(ready).release).toBeGreaterThan(0);
    const changed = run(ready, release("score"), score("ada", "71"));
    expect(counts(changed)).toMatchObject({ collect: 0, check: 1, release: 0 });
    expect(counts(smallCourse())).toMatchObject({ score: 1 });
  });

  it("has the faults of the plan: work without a date, weights that do not come to 100", () => {
    expect(undatedOf(smallCourse()).map(({ name }) => name)).toEqual(["Quiz"]);
    expect(weightsAddUp(smallCourse())).toBe(true);
    const [papers] = Object.values(smallCourse().categories);
    const heavy = run(smallCourse(), { type: "addCategory", name: "Exams", weight: decimal("10") });
    expect(papers?.name).toBe("Papers");
    expect(weightsAddUp(heavy)).toBe(false);
    expect(counts(heavy).plan).toBe(2);
  });
});

describe("the board", () => {
  const { judgeAll, ada, ben, essayOf, judged, release } = judgedClass();

  const now = "2026-10-27T00:00:00Z" as Instant;
  const lane = (state: CourseState) => laneOf(state, essayOf(state), now);

  it("leads from scoring to deciding to releasing to correcting", () => {
    const start = smallCourse();
    expect(lane(start)).toMatchObject({ waiting: 1, notIn: 2, next: { kind: "score", studentId: ada.studentId } });
    const scored = run(start, ...judgeAll(ada, "15.5", "17", "8"));
    expect(lane(scored).next).toMatchObject({ kind: "decide", count: 2, studentId: ben.studentId });
    expect(lane(judged)).toMatchObject({ scored: 2, excused: 1, next: { kind: "release", count: 3 } });
    const out = run(judged, release("score"));
    expect(lane(out)).toMatchObject({ released: 3, next: { kind: "released" } });
    expect(lane(run(out, ...judgeAll(ada, "20", "20", "10"))).next).toEqual({ kind: "correct", count: 1 });
  });

  it("waits while nobody is overdue", () => {
    const before = "2026-10-24T11:30:00Z" as Instant;
    const scored = run(smallCourse(), ...judgeAll(ada, "15.5", "17", "8"));
    expect(laneOf(scored, essayOf(scored), before).next).toMatchObject({ kind: "release", count: 1 });
  });

  it("counts what waits in each step, and the faults of the plan", () => {
    const state = smallCourse();
    const lanes = Object.values(state.assignments).map((assignment) => laneOf(state, assignment, now));
    expect(flowCounts(state, lanes)).toEqual({ plan: 1, collect: 0, score: 1, check: 0, release: 0 });
    expect(undatedOf(state).map(({ name }) => name)).toEqual(["Quiz"]);
    expect(weightsAddUp(state)).toBe(true);
    expect(weightsAddUp(run(state, { type: "addCategory", name: "More", weight: "5" as never }))).toBe(false);
  });
});
