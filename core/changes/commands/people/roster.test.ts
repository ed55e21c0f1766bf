import { scoresCsv } from "#core/formats";
import { type Id } from "#core/kernel";
import { leftStudentsOf, recordsOf, resultOf, studentsOf, type CourseState } from "#core/model";
import { visibleTo } from "#core/release";
import { assignmentId, run, smallCourse, studentId, WORLD } from "#core/testing";
import { figuresOf, progressOf } from "#core/totals";
import { describe, expect, it } from "vitest";
import { runCommand, type Command } from "../../index";

const [essay, quiz] = [assignmentId("essay"), assignmentId("quiz")];

const [ada, ben] = [studentId("ada"), studentId("ben")];

const refusal = (state: CourseState, command: Command) => {
  const done = runCommand(state, command, WORLD);
  return done.ok ? null : done.issue;
};

const scored = run(
  smallCourse(),
  { type: "setScore", assignmentId: quiz, studentId: ben, text: "15" },
  {
    type: "judge",
    assignmentId: essay,
    studentId: ada,
    criterionId: "criterion:record" as never,
    verdict: { kind: "level", digit: 3 },
  },
);

describe("the roster", () => {
  it("takes students with the sections they name, each section made once", () => {
    const state = run(smallCourse(), {
      type: "addStudents",
      students: [
        { number: "N7", givenName: "Ola", familyName: "Rim", section: "Heron" },
        { number: "N8", givenName: "Pia", familyName: "Sal", section: "Heron" },
        { number: "N9", givenName: "Quo", familyName: "", section: "Swift" },
      ],
    });
    expect(Object.values(state.sections).map(({ name, order }) => [name, order])).toEqual([
      ["Heron", 0],
      ["Swift", 1],
    ]);
    const heron = Object.values(state.sections)[0];
    expect(Object.values(state.students).filter(({ sectionId }) => sectionId === heron?.id)).toHaveLength(2);
  });

  it("changes an entry, keeps a note, and refuses a number that is taken", () => {
    const state = run(smallCourse(), { type: "editStudent", studentId: ben, fields: { note: "Met on Monday." } });
    expect(state.students[ben]).toMatchObject({ note: "Met on Monday.", givenName: "Ben", number: "N2" });
    expect(refusal(state, { type: "editStudent", studentId: ben, fields: { number: "N1" } })).toMatchObject({
      code: "number_taken",
    });
    expect(refusal(state, { type: "editStudent", studentId: ben, fields: { number: "N2" } })).toMatchObject({
      code: "nothing_to_change",
    });
  });

  it("lets students go with everything that is known of them, and one undo brings it back", () => {
    const done = runCommand(scored, { type: "removeStudents", studentIds: [ada, ben] }, WORLD);
    if (!done.ok) throw new Error("refused");
    const { state } = done.value;
    expect(Object.keys(state.students)).toEqual(["student:cleo"]);
    for (const table of ["results", "handIns", "judgements"] as const) expect(recordsOf(state, table)).toEqual([]);
  });

  it("renames and removes sections; their students stay", () => {
    const state = run(smallCourse(), { type: "addSection", name: "Heron" });
    const id = Object.keys(state.sections)[0] as Id<"section">;
    const placed = run(
      state,
      { type: "editStudent", studentId: ben, fields: { sectionId: id } },
      { type: "editSection", sectionId: id, name: "Grebe" },
    );
    expect(placed.sections[id]).toMatchObject({ name: "Grebe" });
    expect(refusal(placed, { type: "addSection", name: "Grebe" })).toMatchObject({ code: "name_taken" });
    const without = run(placed, { type: "removeSection", sectionId: id });
    expect(without.sections).toEqual({});
    expect(without.students[ben]).toMatchObject({ sectionId: null });
  });
});

describe("a student who leaves", () => {
  const [ada, ben, cleo] = ["ada", "ben", "cleo"].map(studentId) as [Id<"student">, Id<"student">, Id<"student">];
  const quiz = assignmentId("quiz");
  const refusal = (state: CourseState, command: Command) => {
    const done = runCommand(state, command, WORLD);
    return done.ok ? null : done.issue;
  };
  const ids = (state: CourseState) => studentsOf(state).map(({ id }) => id);

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
