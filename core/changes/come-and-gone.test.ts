import { describe, expect, it } from "vitest";
import { decimal, type Id, type Instant } from "#core/kernel";
import { leftStudentsOf, resultOf, studentsOf, type CourseState } from "#core/model";
import { newcomersOf, visibleTo } from "#core/release";
import { assignmentId, run, smallCourse, studentId, WORLD } from "#core/testing";
import { figuresOf, progressOf } from "#core/totals";
import { scoresCsv } from "#core/formats";
import { runCommand, type Command } from "./index";

const [ada, ben, cleo] = ["ada", "ben", "cleo"].map(studentId) as [Id<"student">, Id<"student">, Id<"student">];
const essay = assignmentId("essay");
const quiz = assignmentId("quiz");
const NOW = "2026-11-01T12:00:00Z" as Instant;
const refusal = (state: CourseState, command: Command) => {
  const done = runCommand(state, command, WORLD);
  return done.ok ? null : done.issue;
};
const ids = (state: CourseState) => studentsOf(state).map(({ id }) => id);

describe("a student who leaves", () => {
  const scored = run(smallCourse(), { type: "setScore", assignmentId: quiz, studentId: ben, text: "15" });
  const gone = run(scored, { type: "setLeft", studentIds: [ben], left: true });

  it("is kept with all that is known, and is in no list, count or file of the class", () => {
    expect(ids(gone)).toEqual([ada, cleo]);
    expect(leftStudentsOf(gone).map(({ id }) => id)).toEqual([ben]);
    expect(progressOf(gone, gone.assignments[quiz] as never).students).toBe(2);
    expect(scoresCsv(gone)).not.toContain("Ben Bolt");
    expect(resultOf(gone, quiz, ben).score).toBe("15");
    expect(visibleTo(gone, ben)).toEqual([]);
  });

  it("can return, with every figure as it was", () => {
    const back = run(gone, { type: "setLeft", studentIds: [ben], left: false });
    expect(ids(back)).toEqual(ids(scored));
    expect(figuresOf(back).totals(ben)).toEqual(figuresOf(scored).totals(ben));
    expect(refusal(gone, { type: "setLeft", studentIds: [ben], left: true })).toEqual({ code: "nothing_to_change" });
  });

  it("is given nothing by a release to everyone, and keeps their number", () => {
    const released = run(gone, { type: "release", assignmentId: quiz, facets: ["score"] });
    expect(visibleTo(released, ben)).toEqual([]);
    const again = { number: "N2", givenName: "Eve", familyName: "East", sectionId: null };
    expect(refusal(gone, { type: "addStudents", students: [again] })).toMatchObject({ code: "number_taken" });
  });
});

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

describe("a scale", () => {
  const level = (name: string, percent: string | null) => ({
    name,
    percent: percent === null ? null : decimal(percent),
  });
  const made = run(smallCourse(), {
    type: "addScale",
    name: "Check",
    kind: "passNotYet",
    levels: [level("Pass", "100"), level("Not yet", "0")],
  });
  const scale = Object.values(made.scales)[0] as CourseState["scales"][string];
  const edit = (levels: ReturnType<typeof level>[], name = "Check") =>
    ({ type: "editScale", scaleId: scale.id, name, kind: "passNotYet", levels }) as const;
  const used = run(
    made,
    { type: "editAssignment", assignmentId: quiz, fields: { scoredIn: { kind: "scale", scaleId: scale.id } } },
    { type: "setScore", assignmentId: quiz, studentId: ben, text: "Pass" },
  );

  it("is changed in name and worth; who was given a level keeps it under its new name", () => {
    const changed = run(used, edit([level("Passed", "90"), level("Not yet", "10")]));
    expect(resultOf(changed, quiz, ben).levelId).toBe(scale.levels[0]?.id);
    expect(changed.scales[scale.id]?.levels.map(({ name }) => name)).toEqual(["Passed", "Not yet"]);
    const more = run(used, edit([level("Pass", "100"), level("Nearly", "50"), level("Not yet", "0")]));
    expect(more.scales[scale.id]?.levels.map(({ id }) => id)).toMatchObject({ 0: scale.levels[0]?.id });
    expect(resultOf(more, quiz, ben).levelId).toBe(scale.levels[0]?.id);
  });

  it("loses no level that somebody was given, and goes only when nothing uses it", () => {
    expect(refusal(used, edit([level("Not yet", "0")]))).toEqual({ code: "level_in_use", name: "Pass" });
    expect(refusal(used, edit([level("Pass", "0"), level("Not yet", "50")]))).toMatchObject({
      code: "bands_not_falling",
    });
    const remove = { type: "removeScale", scaleId: scale.id } as const;
    expect(refusal(used, remove)).toMatchObject({ code: "record_in_use", by: "Quiz" });
    expect(run(made, remove).scales).toEqual({});
  });
});
