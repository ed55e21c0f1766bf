import { describe, expect, it } from "vitest";
import type { Command } from "#core/changes";
import { decimal, required, toNumber, type Id, type Instant } from "#core/kernel";
import { courseOf, EMPTY_STATE, recordsOf, StateEditor, studentsOf, TABLE_NAMES, type CourseState } from "#core/model";
import { assignmentId, criterionId, run, smallCourse, studentId } from "#core/testing";
import { countingRules } from "../rules/counting-rules";
import { itemOf } from "../rules/evaluate";
import { changedTotals, figureOf, figuresOf, hasWaiting, planOf, progressOf } from "../index";

const [essay, quiz] = [assignmentId("essay"), assignmentId("quiz")];
const STUDENTS = ["ada", "ben", "cleo"].map(studentId);
const score = (assignment: typeof essay, student: string, text: string): Command => ({
  type: "setScore",
  assignmentId: assignment,
  studentId: studentId(student),
  text,
});
const judge = (student: string, digit: number): Command => ({
  type: "judge",
  assignmentId: essay,
  studentId: studentId(student),
  criterionId: criterionId("record"),
  verdict: { kind: "level", digit },
});

/** The same records in objects of their own, so that nothing kept from before fits them. */
function afresh(state: CourseState): CourseState {
  const editor = new StateEditor(EMPTY_STATE);
  for (const table of TABLE_NAMES) {
    for (const record of recordsOf(state, table)) editor.set(table, record.id, structuredClone(record));
  }
  return editor.finish();
}

const figuresAndTotals = (state: CourseState) =>
  STUDENTS.map((student) => ({
    totals: figuresOf(state).totals(student),
    figures: figuresOf(state).figures(student),
  }));

describe("figures that are kept from one state to the next", () => {
  const changes: Command[] = [
    score(quiz, "ada", "17.5"),
    score(essay, "ben", "64"),
    { type: "addHandIn", assignmentId: quiz, studentId: studentId("cleo"), at: null, files: [] },
    judge("ada", 3),
    { type: "setStanding", assignmentId: essay, studentId: studentId("cleo"), decision: "missing" },
    {
      type: "addHandIn",
      assignmentId: essay,
      studentId: studentId("ben"),
      at: "2026-10-26T10:00:00Z" as Instant,
      files: [],
    },
    judge("ada", 1),
    score(quiz, "ada", "-"),
    { type: "editCourse", fields: { missingPercent: decimal("25") } },
    score(quiz, "ben", "20"),
  ];

  it("are those a fresh look finds, after every kind of change", () => {
    let state = smallCourse();
    figuresAndTotals(state);
    for (const command of changes) {
      state = run(state, command);
      expect(figuresAndTotals(state)).toEqual(figuresAndTotals(afresh(state)));
    }
    const { now } = figuresOf(state).totals(studentId("ben"));
    expect(now && toNumber(now)).toBeGreaterThan(0);
  });

  it("stay the same objects for everyone whose figures did not change", () => {
    const before = run(smallCourse(), score(quiz, "ada", "12"), score(quiz, "ben", "15"));
    const old = figuresAndTotals(before);
    const after = run(before, score(quiz, "ada", "13"));
    const next = figuresAndTotals(after);
    expect(next[0]?.totals).not.toBe(old[0]?.totals);
    expect(next[0]?.figures).not.toBe(old[0]?.figures);
    expect(next[0]?.figures.map((figure, index) => figure === old[0]?.figures[index])).toEqual([true, false]);
    for (const other of [1, 2]) {
      expect(next[other]?.totals).toBe(old[other]?.totals);
      expect(next[other]?.figures).toBe(old[other]?.figures);
    }
    const noted = run(after, {
      type: "setComment",
      assignmentId: essay,
      studentId: studentId("ada"),
      facing: "private",
      text: "x",
    });
    expect(figuresOf(noted).totals(studentId("cleo"))).toBe(next[2]?.totals);
    expect(figuresOf(after).totals(studentId("ada"))).toBe(next[0]?.totals);
    expect(figuresOf(after).figure(quiz, studentId("ada"))).toBe(figuresOf(after).figure(quiz, studentId("ada")));
  });

  it("stay where only what students are shown is decided anew, and no other rule of the course is forgotten", () => {
    const before = run(smallCourse({ totalsRestOn: "released" }), score(quiz, "ada", "12"));
    const old = figuresAndTotals(before);
    const rested = run(before, { type: "restTotals", on: "all" });
    const stopping = run(rested, { type: "editCourse", fields: { releaseStops: ["leaks"] } });
    for (const state of [rested, stopping]) {
      figuresAndTotals(state).forEach(({ totals, figures }, index) => {
        expect(totals).toBe(old[index]?.totals);
        expect(figures).toBe(old[index]?.figures);
      });
    }
    const { totalsRestOn: _shown, releaseStops: _stops, releasePasses: _passes, ...counting } = courseOf(before);
    expect(countingRules(before)).toEqual(Object.values(counting));
  });

  it("follow a change of the groups, which every assignment may rest on", () => {
    const state = smallCourse();
    figuresAndTotals(state);
    const group = {
      id: "group:one" as Id<"group">,
      assignmentId: essay,
      name: "One",
      memberIds: [studentId("ada"), studentId("ben")],
      score: decimal("80"),
    };
    const editor = new StateEditor(state);
    editor.set("groups", group.id, group);
    const grouped = editor.finish();
    expect(figuresAndTotals(grouped)).toEqual(figuresAndTotals(afresh(grouped)));
    expect(figuresOf(grouped).totals(studentId("ben"))).not.toEqual(figuresOf(state).totals(studentId("ben")));
  });

  it("know the lowest total from the highest while work is open", () => {
    const { lowest, now, highest } = figuresOf(run(smallCourse(), score(quiz, "ada", "10"))).totals(studentId("ada"));
    expect([lowest, now, highest].map((value) => value && toNumber(value))).toEqual([20, 50, 80]);
  });

  it("are of no assignment that is not there", () => {
    expect(() => figuresOf(smallCourse()).figure(assignmentId("none"), studentId("ada"))).toThrow("assignment");
  });
});

describe("how an assignment stands", () => {
  const essayOf = (state: CourseState) => state.assignments[essay] as never;
  const state = run(
    smallCourse(),
    { type: "setStanding", assignmentId: essay, studentId: studentId("ben"), decision: "missing" },
    { type: "setStanding", assignmentId: quiz, studentId: studentId("ben"), decision: "excused" },
    { type: "addHandIn", assignmentId: quiz, studentId: studentId("cleo"), at: null, files: [] },
    score(quiz, "cleo", "11"),
  );

  it("is counted by students", () => {
    expect(progressOf(state, essayOf(state))).toEqual({
      students: 3,
      notIn: 1,
      waiting: 1,
      scored: 0,
      missing: 1,
      excused: 0,
    });
    expect(progressOf(state, state.assignments[quiz] as never)).toEqual({
      students: 3,
      notIn: 1,
      waiting: 0,
      scored: 1,
      missing: 0,
      excused: 1,
    });
  });

  it("waits while something handed in is not scored", () => {
    expect(hasWaiting(state, essayOf(state))).toBe(true);
    expect(hasWaiting(state, state.assignments[quiz] as never)).toBe(false);
    expect(hasWaiting(run(state, score(essay, "ada", "50")), essayOf(state))).toBe(false);
    const left = Object.fromEntries(Object.entries(state.students).filter(([id]) => id !== studentId("ada")));
    expect(hasWaiting({ ...state, students: left }, essayOf(state))).toBe(false);
    expect(hasWaiting(smallCourse(), smallCourse().assignments[quiz] as never)).toBe(false);
  });
});

describe("totals that a change of the rules would move", () => {
  const before = run(smallCourse(), score(quiz, "ada", "17.9"), score(quiz, "ben", "10"), score(quiz, "cleo", "10"));

  it("are those whose displayed figure or letter differs, with both", () => {
    const after = run(before, score(quiz, "ada", "18"), score(quiz, "ben", "-"));
    expect(changedTotals(before, after)).toEqual([
      { studentId: studentId("ada"), before: "89.5", after: "90.0", letterBefore: "B", letterAfter: "A" },
      { studentId: studentId("ben"), before: "50.0", after: null, letterBefore: "F", letterAfter: null },
    ]);
    const [, ben, cleo] = studentsOf(before);
    expect(
      changedTotals(before, after, [required(cleo, "Cleo"), required(ben, "Ben")]).map((one) => one.studentId),
    ).toEqual([studentId("ben")]);
    expect(changedTotals(after, after)).toEqual([]);
  });

  it("are also those whose figure moves under one letter, and whose letter moves under one figure", () => {
    const moved = run(before, score(quiz, "cleo", "10.1"));
    expect(changedTotals(before, moved)).toMatchObject([
      { before: "50.0", after: "50.5", letterBefore: "F", letterAfter: "F" },
    ]);
    const [course] = Object.values(before.courses);
    const stricter = {
      ...course,
      letters: [
        { letter: "A", from: "85" },
        { letter: "F", from: "0" },
      ],
    };
    const relettered = { ...before, courses: { [stricter.id as string]: stricter } } as CourseState;
    expect(changedTotals(before, relettered)).toMatchObject([
      { studentId: studentId("ada"), before: "89.5", after: "89.5", letterBefore: "B", letterAfter: "A" },
    ]);
  });
});

describe("what is counted over an assignment", () => {
  const assignment = smallCourse().assignments[essay] as NonNullable<CourseState["assignments"][string]>;

  it("is counted again only when something of that assignment is another", () => {
    const state = smallCourse();
    const before = progressOf(state, assignment);
    expect(progressOf(run(state, score(quiz, "ada", "3")), assignment)).toBe(before);
    expect(progressOf(run(state, score(essay, "ben", "3")), assignment)).not.toBe(before);
  });

  it("stays while a rule is tried, as do the plan, the figures and the totals in force", () => {
    const state = smallCourse();
    const seen = (of: CourseState) => [
      planOf(of),
      progressOf(of, assignment),
      figureOf(of, assignment, studentId("ada")),
      figuresOf({ ...of }).totals(studentId("ada")),
    ];
    const live = seen(state);
    const course = { ...required(Object.values(state.courses)[0], "course"), lateRule: null };
    const tried = seen({ ...state, courses: { [course.id]: course } });
    for (const [at, one] of tried.entries()) expect(one).not.toBe(live[at]);
    for (const [at, one] of seen(state).entries()) expect(one).toBe(live[at]);
  });
});

describe("what a result brings to a total", () => {
  const assignment = smallCourse().assignments[essay] as NonNullable<CourseState["assignments"][string]>;
  const five = figuresOf(run(smallCourse(), score(essay, "ben", "5"))).figure(essay, studentId("ben")).counted;
  it.each([
    [{ standing: "handedIn", counted: five, wordsOnly: false }, {}, "counts", five],
    [{ standing: "handedIn", counted: null, wordsOnly: false }, {}, "open", null],
    [{ standing: "expected", counted: null, wordsOnly: true }, {}, "wordsOnly", null],
    [{ standing: "handedIn", counted: five, wordsOnly: true }, {}, "counts", five],
    [{ standing: "missing", counted: five, wordsOnly: false }, {}, "missing", five],
    [{ standing: "excused", counted: five, wordsOnly: false }, {}, "excused", null],
    [{ standing: "handedIn", counted: five, wordsOnly: false }, { counts: false }, "notCounted", five],
  ] as const)("%o with %o is %s", (figure, more, standing, value) => {
    expect(itemOf({ ...assignment, ...more }, figure)).toMatchObject({
      standing,
      value,
      bonus: false,
      alwaysCounts: false,
    });
  });
});
