import { describe, expect, it } from "vitest";
import { decimal, fractionText, type Id, type Instant } from "#core/kernel";
import { resultOf, type Assignment, type CourseState, type Scale } from "#core/model";
import { isShown, shownTotals } from "#core/release";
import { assignmentId, makeRubric, run, smallCourse, studentId, WORLD } from "#core/testing";
import { figuresOf } from "#core/totals";
import { entryText, previewEntry, runCommand, type Command } from "./index";

const quiz = assignmentId("quiz");
const essay = assignmentId("essay");
const ben = { assignmentId: quiz, studentId: studentId("ben") };
const refusal = (state: CourseState, command: Command) => {
  const done = runCommand(state, command, WORLD);
  return done.ok ? null : done.issue;
};
const counted = (state: CourseState, assignment = quiz, student = "ben") => {
  const figure = figuresOf(state).figure(assignment, studentId(student)).counted;
  return figure && fractionText(figure);
};
const changed = (state: CourseState, id: typeof quiz, fields: Partial<Assignment>): CourseState => {
  const assignment = state.assignments[id];
  return assignment ? { ...state, assignments: { ...state.assignments, [id]: { ...assignment, ...fields } } } : state;
};
const typed = (text: string) => ({ type: "setScore", ...ben, text }) as const;

describe("scaling an assignment", () => {
  const scale = (scaling: Extract<Command, { type: "scaleAssignment" }>["scaling"]) =>
    ({ type: "scaleAssignment", assignmentId: quiz, scaling }) as const;

  it("changes what counts, keeps the scores, and is taken back without a trace", () => {
    const before = run(smallCourse(), typed("15"));
    const scaled = run(before, scale({ kind: "add", points: decimal("2") }));
    expect([counted(scaled), resultOf(scaled, quiz, ben.studentId).score]).toEqual(["17/1", "15"]);
    expect(run(scaled, scale(null))).toEqual(before);
  });

  it("refuses a line that falls or stands on one point", () => {
    const line = (x2: string, y2: string) =>
      scale({ kind: "linear", x1: decimal("0"), y1: decimal("10"), x2: decimal(x2), y2: decimal(y2) });
    expect(refusal(smallCourse(), line("20", "5"))).toMatchObject({ code: "falling_line" });
    expect(refusal(smallCourse(), line("0", "20"))).toMatchObject({ code: "same_x_twice" });
  });
});

describe("levels and percent", () => {
  const scaled = run(smallCourse(), {
    type: "addScale",
    name: "Pass",
    kind: "passNotYet",
    levels: [
      { name: "Pass", percent: decimal("100") },
      { name: "Not yet", percent: decimal("0") },
      { name: "Seen", percent: null },
    ],
  });
  const [scaleId = "" as Id<"scale">] = Object.keys(scaled.scales) as Id<"scale">[];
  const inLevels = changed(scaled, quiz, { scoredIn: { kind: "scale", scaleId } });

  it("a level is typed by its name, in any case, shows as it was typed and is cleared", () => {
    const state = run(inLevels, typed("not YET"));
    expect([counted(state), entryText(state, quiz, ben.studentId)]).toEqual(["0/1", "Not yet"]);
    expect(resultOf(run(state, typed("-")), quiz, ben.studentId).levelId).toBeNull();
    expect(resultOf(run(state, typed("m")), quiz, ben.studentId).decision).toBe("missing");
    expect(previewEntry(inLevels, ben, "Pass")).toMatchObject({ ok: true, value: { entry: { kind: "level" } } });
  });

  it("what is no level is refused with the names", () => {
    const issue = { code: "not_a_level", levels: ["Pass", "Not yet", "Seen"] };
    expect(refusal(inLevels, typed("12"))).toMatchObject(issue);
    expect(refusal(inLevels, typed("almost"))).toMatchObject(issue);
  });

  it("a level is typed by a beginning that no other level has; a letter of the entry language stays what it is", () => {
    const level = (text: string, state = inLevels) => {
      const read = previewEntry(state, ben, text);
      return read.ok ? read.value.entry : read.issue.code;
    };
    expect(level("pa")).toMatchObject({ kind: "level", level: { name: "Pass" } });
    expect(level("n")).toMatchObject({ kind: "level", level: { name: "Not yet" } });
    expect(level("q")).toBe("not_a_level");
    const [scale] = Object.values(inLevels.scales);
    const renamed = (names: readonly string[]): CourseState => ({
      ...inLevels,
      scales: {
        [scaleId]: {
          ...(scale as Scale),
          levels: names.map((name) => ({ ...(scale as Scale).levels[0], name })) as never,
        },
      },
    });
    expect(level("m", renamed(["Met", "Not met"]))).toEqual({ kind: "missing" });
    expect(level("me", renamed(["Met", "Not met"]))).toMatchObject({ level: { name: "Met" } });
    expect(level("se", renamed(["Seen", "Seen twice"]))).toBe("not_a_level");
    expect(level("seen", renamed(["Seen", "Seen twice"]))).toMatchObject({ level: { name: "Seen" } });
  });

  it("a scale has a name of its own, and its point values fall", () => {
    const add = (name: string, ...percents: string[]): Command => ({
      type: "addScale",
      name,
      kind: "attainment",
      levels: percents.map((percent, index) => ({ name: `L${String(index)}`, percent: decimal(percent) })),
    });
    expect(refusal(scaled, add("Pass", "1"))).toMatchObject({ code: "name_taken" });
    expect(refusal(scaled, add("Rising", "50", "60"))).toMatchObject({ code: "bands_not_falling", letter: "L1" });
    expect(refusal(scaled, add("Falling", "60", "50", "9"))).toBeNull();
  });

  it("percent is typed out of 100, whatever the points", () => {
    const inPercent = changed(smallCourse(), quiz, { scoredIn: { kind: "percent" } });
    expect(counted(run(inPercent, typed("85")))).toBe("17/1");
    expect(refusal(inPercent, typed("101"))).toMatchObject({ code: "score_above_maximum", maximum: "100" });
  });
});

describe("attempts", () => {
  const first = { type: "scoreAttempt", assignmentId: essay, studentId: studentId("ada"), attempt: 1 } as const;

  it("are scored one by one, again, and cleared", () => {
    const state = run(smallCourse(), { ...first, text: "70" }, { ...first, text: "72.5" });
    expect(counted(state, essay, "ada")).toBe("145/2");
    expect(resultOf(run(state, { ...first, text: "-" }), essay, studentId("ada")).attemptScores).toEqual([]);
  });

  it("that are not there, or figures that are not fit, are refused", () => {
    expect(refusal(smallCourse(), { ...first, attempt: 2, text: "5" })).toEqual({
      code: "no_such_attempt",
      attempt: 2,
    });
    expect(refusal(smallCourse(), { ...first, text: "x" })).toMatchObject({ code: "not_a_number" });
    expect(refusal(smallCourse(), { ...first, text: "101" })).toMatchObject({ code: "score_above_maximum" });
    expect(refusal(smallCourse(), { ...first, text: "101", confirmed: true })).toBeNull();
  });
});

describe("groups", () => {
  const form = (...groups: string[][]): Command => ({
    type: "formGroups",
    assignmentId: quiz,
    groups: groups.map((members, index) => ({ name: `Group ${String(index)}`, memberIds: members.map(studentId) })),
  });
  const formed = run(smallCourse(), form(["ada", "ben"]));
  const [groupId = "" as Id<"group">] = Object.keys(formed.groups) as Id<"group">[];

  it("give every member the score, with a part of their own", () => {
    const state = run(
      formed,
      { type: "scoreGroup", groupId, text: "14" },
      { type: "adjustMember", ...ben, text: "-1.5" },
    );
    expect([counted(state, quiz, "ada"), counted(state), counted(state, quiz, "cleo")]).toEqual(["14/1", "25/2", null]);
    expect(counted(run(state, { type: "adjustMember", ...ben, text: "" }))).toBe("14/1");
    expect(counted(run(state, { type: "scoreGroup", groupId, text: "-" }))).toBeNull();
  });

  it("take each student once, and only students of the roster", () => {
    expect(refusal(formed, form(["cleo", "ada"]))).toMatchObject({
      code: "student_in_two_groups",
      studentId: "student:ada",
    });
    expect(refusal(smallCourse(), form(["ada"], ["ada"]))).toMatchObject({ code: "student_in_two_groups" });
    expect(refusal(smallCourse(), form(["nobody"]))).toMatchObject({ code: "unknown_record" });
  });

  it("refuse what cannot be a score", () => {
    expect(refusal(formed, { type: "scoreGroup", groupId, text: "21" })).toMatchObject({ code: "score_above_maximum" });
    expect(refusal(formed, { type: "scoreGroup", groupId, text: "many" })).toMatchObject({ code: "not_a_number" });
    expect(refusal(formed, { type: "scoreGroup", groupId: "group:none" as Id<"group">, text: "1" })).toMatchObject({
      code: "unknown_record",
    });
    expect(refusal(formed, { type: "adjustMember", ...ben, text: "a bit" })).toMatchObject({ code: "not_a_number" });
  });
});

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

describe("a plan that cannot be", () => {
  const add = (more: object): Command =>
    ({
      type: "addAssignment",
      name: "New",
      shortName: "New",
      categoryId: "category:papers",
      points: "10",
      dueAt: null,
      channel: "file",
      bonus: false,
      task: "",
      rubric: null,
      ...more,
    }) as Command;

  it("a due date before the day it is given", () => {
    const dates = { givenAt: "2026-10-10T08:00:00Z", dueAt: "2026-10-09T08:00:00Z" };
    expect(refusal(smallCourse(), add(dates))).toMatchObject({ code: "due_before_given" });
    expect(refusal(smallCourse(), add({ ...dates, dueAt: dates.givenAt }))).toBeNull();
  });

  it("a rubric whose levels overlap; one with a gap is only pointed out", () => {
    expect(refusal(smallCourse(), add({ rubric: makeRubric("new", "a: 0-4, 3-6") }))).toMatchObject({
      code: "rubric_at_fault",
      finding: { code: "levels_overlap" },
    });
    expect(refusal(smallCourse(), add({ rubric: makeRubric("new", "a: 0-2, 4-6") }))).toBeNull();
  });

  it("a weight below 0, and letters that do not fall", () => {
    const weight = decimal("-5");
    expect(refusal(smallCourse(), { type: "addCategory", name: "Less", weight })).toMatchObject({
      code: "weight_below_zero",
    });
    const [course] = Object.values(smallCourse().courses);
    if (!course) throw new Error("no course");
    const letters = ["80", "90"].map((from, index) => ({ letter: `L${String(index)}`, from: decimal(from) }));
    expect(
      refusal(smallCourse(), { type: "startCourse", course: { ...course, letters }, markerName: "M", sections: [] }),
    ).toMatchObject({ code: "bands_not_falling", letter: "L1" });
  });
});
