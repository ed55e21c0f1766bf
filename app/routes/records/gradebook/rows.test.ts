import { describe, expect, it } from "vitest";
import { decimal, type Instant } from "#core/kernel";
import type { CourseState, Term } from "#core/model";
import { assignmentId, run, smallCourse, studentId } from "#core/testing";
import { cellsToEnter, copyText, fillPlan, pastePlan } from "./entries/blocks";
import { columnSummary } from "./pane/column-summary";
import { entryHint } from "./entries/hint";
import { gradeTable, WHOLE_VIEW, type GradeView } from "./rows";
import { boundsOf, inside, placesIn, single } from "./grid/selection";
import { standingCommand } from "./grid/standing";

const quiz = assignmentId("quiz");
const essay = assignmentId("essay");
const [ada, ben, cleo] = [studentId("ada"), studentId("ben"), studentId("cleo")];
const type = (text: string, more: { assignmentId?: typeof quiz; studentId?: typeof ben; confirmed?: boolean } = {}) =>
  ({ type: "setScore", assignmentId: quiz, studentId: ben, text, ...more }) as const;
const view = (more: Partial<GradeView> = {}): GradeView => ({ ...WHOLE_VIEW, ...more });
const table = (state: CourseState, more: Partial<GradeView> = {}) => gradeTable(state, view(more));
const names = (state: CourseState, more: Partial<GradeView> = {}) =>
  table(state, more).students.map(({ name }) => name);
/** Ben's cells; his row is the second one. */
const benCells = (state: CourseState, more: Partial<GradeView> = {}) =>
  [0, 1].map((column) => {
    const { text, look, late, second } = table(state, more).cell(1, column);
    return [text, look, late, second];
  });
const ALL_THREE = ["Ada Ames", "Ben Bolt", "Cleo Crane"];

describe("the gradebook's table", () => {
  it("stands under bands with their weights, and marks the columns where something waits", () => {
    const { columns, bands } = table(smallCourse());
    expect(bands.map(({ title, columns: count }) => [title, count])).toEqual([
      ["Papers 60 %", 1],
      ["Quizzes 40 %", 1],
    ]);
    expect(columns.map(({ shortName, of, current }) => [shortName, of, current])).toEqual([
      ["Essay", "of 100", true],
      ["Quiz", "of 20", false],
    ]);
  });

  it("shows each state by a word of its own", () => {
    expect(benCells(smallCourse())).toEqual([
      ["·", "open", "", ""],
      ["·", "open", "", ""],
    ]);
    expect(benCells(run(smallCourse(), type("15 l1")))[1]).toEqual(["14", "figure", "1 d", ""]);
    expect(benCells(run(smallCourse(), type("m")))[1]).toEqual(["missing", "missing", "", ""]);
    expect(benCells(run(smallCourse(), type("x")))[1]).toEqual(["excused", "excused", "", ""]);
    expect(table(smallCourse()).cell(0, 0)).toMatchObject({ text: "waiting", look: "waiting" });
  });

  it("shows figures as points, percent or letters, or two of them beside each other", () => {
    const state = run(smallCourse(), type("17"));
    const shown = (mode: GradeView["mode"]) => benCells(state, { mode })[1]?.filter((_, index) => index % 3 === 0);
    expect(shown("points")).toEqual(["17", ""]);
    expect(shown("percent")).toEqual(["85.0 %", ""]);
    expect(shown("letter")).toEqual(["B", ""]);
    expect(shown("points-percent")).toEqual(["17", "85.0 %"]);
    expect(shown("percent-letter")).toEqual(["85.0 %", "B"]);
  });

  it("gives now, lowest to highest, and the letter", () => {
    // 18 of 20 is 90 %: now 90.0, an A; lowest 0.4 x 90 = 36, highest 60 + 36 = 96.
    expect(table(run(smallCourse(), type("18"))).totalOf(1)).toEqual({
      now: "90.0",
      range: "36–96",
      letter: "A",
      terms: [],
    });
    expect(table(smallCourse()).totalOf(1)).toMatchObject({ now: "–", letter: "" });
  });

  it("finds a student by part of the name or number, blind to case and accents, or an assignment by its name", () => {
    const accent = { number: "N44", givenName: "Zoë", familyName: "Ångström", sectionId: null };
    const state = run(smallCourse(), { type: "addStudents", students: [accent] });
    expect(names(state, { find: "ANGS" })).toEqual(["Zoë Ångström"]);
    expect(names(state, { find: "zoe" })).toEqual(["Zoë Ångström"]);
    expect(names(state, { find: " n2 " })).toEqual(["Ben Bolt"]);
    expect(names(state, { find: "nobody" })).toEqual([]);
    expect(table(state, { find: "zoe" }).total).toBe(4);
    expect(names(state, { find: "quiz" })).toHaveLength(4);
    expect(table(state, { find: "quiz" }).columns.map(({ name }) => name)).toEqual(["Quiz"]);
  });

  it.each<[GradeView["show"], string[]]>([
    ["all", ALL_THREE],
    ["waiting", ["Ada Ames"]],
    ["missing", ["Ben Bolt"]],
    ["excused", ["Cleo Crane"]],
    ["notIn", ["Ada Ames", "Ben Bolt", "Cleo Crane"]],
    ["late", []],
    ["changed", []],
    ["setByHand", []],
    ["above", []],
  ])("shows only students of one kind: %s", (show, expected) => {
    const state = run(smallCourse(), type("m"), type("x", { studentId: cleo }));
    expect(names(state, { show })).toEqual(expected);
  });

  it("shows only what is late, set by hand, above the maximum, or changed since release", () => {
    const late = run(smallCourse(), type("15 l1"));
    expect(names(late, { show: "late" })).toEqual(["Ben Bolt"]);
    expect(names(run(smallCourse(), type("25", { confirmed: true })), { show: "above" })).toEqual(["Ben Bolt"]);
    const setByHand = run(late, { type: "setByHand", assignmentId: quiz, studentId: ben, text: "16" });
    expect(names(setByHand, { show: "setByHand" })).toEqual(["Ben Bolt"]);
    const released = run(late, { type: "release", assignmentId: quiz, facets: ["score"] }, type("16 l1"));
    expect(names(released, { show: "changed" })).toEqual(["Ben Bolt"]);
  });

  it("sorts by name, total or a column, either way; those without a figure come last", () => {
    const state = run(smallCourse(), type("12"), type("18", { studentId: cleo }));
    expect(names(state, { sort: { by: "name", down: true } })).toEqual(["Cleo Crane", "Ben Bolt", "Ada Ames"]);
    expect(names(state, { sort: { by: "total", down: true } })).toEqual(["Cleo Crane", "Ben Bolt", "Ada Ames"]);
    expect(names(state, { sort: { by: quiz, down: false } })).toEqual(["Ben Bolt", "Cleo Crane", "Ada Ames"]);
  });

  it("leaves out hidden columns and those of other categories, and their bands", () => {
    const shown = (more: Partial<GradeView>) => {
      const { columns, bands } = table(smallCourse(), more);
      return [columns.map(({ name }) => name), bands.length];
    };
    expect(shown({ hidden: new Set([essay]) })).toEqual([["Quiz"], 1]);
    expect(shown({ category: "category:papers" })).toEqual([["Essay"], 1]);
    expect(shown({ term: "term:none" })).toEqual([[], 0]);
  });

  it("gives the same cell until its figure changes, so that only what changed is drawn again", () => {
    const before = run(smallCourse(), type("12"));
    const after = run(before, type("18", { studentId: cleo }));
    expect(table(after).cell(1, 1)).toBe(table(before).cell(1, 1));
    expect(table(after).cell(2, 1)).not.toBe(table(before).cell(2, 1));
    expect(table(after).totalOf(1)).toBe(table(before).totalOf(1));
  });

  it("gives the same columns and rows of cells in the same view while nothing of theirs changes", () => {
    const view: GradeView = { ...WHOLE_VIEW };
    // One figure stands already, so that the second changes nothing of what waits.
    const state = run(smallCourse(), type("12"), type("18", { studentId: cleo }));
    const [before, after] = [gradeTable(state, view), gradeTable(run(state, type("19", { studentId: cleo })), view)];
    expect(after.columns).toBe(before.columns);
    expect(after.cells(1, 0, 1)).toBe(before.cells(1, 0, 1));
    expect(after.cells(2, 0, 1)).not.toBe(before.cells(2, 0, 1));
    const renamed = run(state, { type: "editAssignment", assignmentId: quiz, fields: { name: "Quiz one" } });
    expect(gradeTable(renamed, view).columns).not.toBe(before.columns);
  });
});

describe("a selection", () => {
  it("has its corners in order, its cells row by row, and stays inside the table", () => {
    const selection = { from: { row: 2, column: 1 }, to: { row: 1, column: 0 } };
    expect(boundsOf(selection)).toEqual({ top: 1, bottom: 2, left: 0, right: 1 });
    expect(placesIn(table(smallCourse()), selection)).toEqual([
      [
        { assignmentId: essay, studentId: ben },
        { assignmentId: quiz, studentId: ben },
      ],
      [
        { assignmentId: essay, studentId: cleo },
        { assignmentId: quiz, studentId: cleo },
      ],
    ]);
    expect(inside({ row: 9, column: -1 }, 3, 2)).toEqual({ row: 2, column: 0 });
  });

  it("is copied in the entry language", () => {
    const state = run(smallCourse(), type("15 l1"), type("m", { studentId: cleo }));
    const selection = { from: { row: 1, column: 0 }, to: { row: 2, column: 1 } };
    expect(copyText(state, table(state), selection)).toBe("\t15 l1\n\tm");
    const comma = run(state, { type: "editCourse", fields: { decimalMark: "comma" } }, type("15.5"));
    expect(copyText(comma, table(comma), selection)).toBe("\t15,5 l1\n\tm");
  });

  it("gets a standing by one key, unless that letter begins a level there", () => {
    const places = [ada, ben].map((studentId) => ({ assignmentId: quiz, studentId }));
    expect(standingCommand(smallCourse(), places.slice(0, 1), "m")).toMatchObject({ type: "setScore", text: "m" });
    expect(standingCommand(smallCourse(), places, "X")).toMatchObject({
      type: "enterScores",
      cells: [{ text: "x" }, { text: "x" }],
    });
    expect(standingCommand(smallCourse(), places, "q")).toBeNull();
    const levels = [{ name: "Met", percent: null }];
    const scaled = run(smallCourse(), { type: "addScale", name: "Met or not", kind: "passNotYet", levels });
    const scaleId = Object.values(scaled.scales)[0]?.id as never;
    const met = run(scaled, {
      type: "editAssignment",
      assignmentId: quiz,
      fields: { scoredIn: { kind: "scale", scaleId } },
    });
    expect(standingCommand(met, places, "m")).toBeNull();
    expect(standingCommand(met, places, "x")).not.toBeNull();
  });
});

describe("the totals beside the names", () => {
  const term = (name: string, startsAt: string, endsAt: string): Term => ({
    id: `term:${name.toLowerCase()}` as Term["id"],
    name,
    weight: decimal("1"),
    startsAt: startsAt as Instant,
    endsAt: endsAt as Instant,
    order: 0,
  });

  it("are those of the term that is shown, without a letter, which only the course has", () => {
    const autumn = term("Autumn", "2026-09-01T00:00:00Z", "2027-01-01T00:00:00Z");
    const spring = term("Spring", "2027-01-01T00:00:00Z", "2027-06-01T00:00:00Z");
    const dated = run(smallCourse(), type("10"), {
      type: "editAssignment",
      assignmentId: quiz,
      fields: { dueAt: "2027-02-01T10:00:00Z" as Instant },
    });
    const state: CourseState = { ...dated, terms: { [autumn.id]: autumn, [spring.id]: spring } };
    const total = (more: Partial<GradeView>) => [table(state, more).totalsOf, table(state, more).totalOf(1)] as const;
    expect(total({ term: spring.id })).toEqual(["Spring", { now: "50.0", range: "50–50", letter: "", terms: [] }]);
    expect(total({ term: autumn.id })[1].now).toBe("–");
    expect(total({})).toMatchObject(["the course", { now: "50.0" }]);
    expect([table(state).terms, table(state).totalOf(1).terms]).toEqual([
      ["Autumn", "Spring"],
      ["–", "50.0"],
    ]);
    expect(table(state, { term: spring.id }).terms).toEqual([]);
  });

  it("say which categories they leave out for want of a weight", () => {
    const state = run(smallCourse(), {
      type: "editCategory",
      categoryId: "category:quizzes" as never,
      fields: { weight: null },
    });
    expect(table(state).weightless).toEqual(["Quizzes"]);
    expect(table(smallCourse()).weightless).toEqual([]);
  });
});

describe("a pasted block", () => {
  const at = (row: number, column: number) => single({ row, column });
  const paste = (text: string, selection = at(0, 1), state = smallCourse()) =>
    pastePlan(state, table(state), selection, text);

  it("goes in from the marked cell on; refused and unusual cells are named, and the rest can be entered", () => {
    const plan = paste("18\nabc\n25");
    expect(plan).toMatchObject({ how: "pasted", changes: 1, same: 0, outside: 0 });
    expect(plan.refused).toMatchObject([{ who: "Ben Bolt", work: "Quiz", text: "abc" }]);
    expect(plan.asks).toMatchObject([{ who: "Cleo Crane", words: "25 is above the maximum of 20." }]);
    expect(cellsToEnter(plan, false).map(({ text }) => text)).toEqual(["18"]);
    expect(cellsToEnter(plan, true).map(({ text }) => text)).toEqual(["18", "25"]);
  });

  it("says how many cells fall outside the table", () => {
    expect(paste("1\t2\n3\t4\n5\t6", at(1, 1))).toMatchObject({ changes: 2, outside: 4 });
  });

  it("of one cell fills the selection, and a block is repeated where there is room", () => {
    const whole = { from: { row: 0, column: 1 }, to: { row: 2, column: 1 } };
    expect(paste("7", whole).cells.map(({ text }) => text)).toEqual(["7", "7", "7"]);
    const twoWide = { from: { row: 0, column: 0 }, to: { row: 1, column: 1 } };
    expect(paste("7\n8", twoWide).cells.map(({ text }) => text)).toEqual(["7", "7", "8", "8"]);
  });

  it("that reaches beyond the marked cells is looked at first, and says whom it reaches", () => {
    const whole = { from: { row: 0, column: 1 }, to: { row: 2, column: 1 } };
    expect(paste("7\n8\n9", whole).reachesFurther).toBe(false);
    expect(paste("7").reachesFurther).toBe(false);
    const further = paste("7\n8");
    expect(further.reachesFurther).toBe(true);
    expect(further.reach).toEqual([
      expect.stringMatching(/^Ada Ames .*: Quiz 7$/),
      expect.stringMatching(/^Ben Bolt .*: Quiz 8$/),
    ]);
  });

  it("with names goes to them, not to the rows it stands beside; by position only where that is wished", () => {
    const text = "Cleo Crane\t9\nAda Ames\t7\nNobody Known\t3";
    const plan = paste(text);
    expect(plan.cells.map((cell) => [cell.studentId, cell.assignmentId, cell.text])).toEqual([
      [cleo, quiz, "9"],
      [ada, quiz, "7"],
    ]);
    expect(plan).toMatchObject({ by: "name", reachesFurther: true });
    expect(plan.nobody).toEqual(["Nobody Known: nobody of that number or name."]);
    const byPosition = pastePlan(smallCourse(), table(smallCourse()), at(0, 1), text, "position");
    expect(byPosition).toMatchObject({ by: "position", nobody: [] });
  });

  it("with heads goes to the assignments they name; a column of another name is left out and said", () => {
    const plan = paste("Name\tRemarks\tQuiz\nBen Bolt\tgood\t12", at(0, 0));
    expect(plan.cells.map((cell) => [cell.studentId, cell.assignmentId, cell.text])).toEqual([[ben, quiz, "12"]]);
    expect(plan.leftOut).toEqual(["Remarks"]);
  });

  it("that changes nothing says so", () => {
    const state = run(smallCourse(), type("15"));
    expect(paste("15", at(1, 1), state)).toMatchObject({ changes: 0, same: 1 });
    expect(fillPlan(state, [{ assignmentId: quiz, studentId: ben }], "-")).toMatchObject({ how: "filled", changes: 1 });
  });
});

describe("the summary of a column", () => {
  it("counts where students stand and describes their scores", () => {
    const state = run(smallCourse(), type("12"), type("18", { studentId: ada }), type("m", { studentId: cleo }));
    const { counts, figures, bars } = columnSummary(state, state.assignments[quiz] as never, [ada, ben, cleo]);
    expect(Object.fromEntries(counts)).toMatchObject({ scored: "2", missing: "1", waiting: "0" });
    // 12, 18 and the 0 that missing counts: mean 10, median 12, sample deviation 9.17 (by hand).
    expect(Object.fromEntries(figures)).toEqual({
      mean: "10",
      median: "12",
      "standard deviation": "9.17",
      lowest: "0",
      highest: "18",
    });
    expect(bars.map(({ count }) => count).reduce((sum, count) => sum + count, 0)).toBe(3);
    const none = columnSummary(smallCourse(), state.assignments[quiz] as never, [ada]);
    expect([none.figures, none.bars]).toEqual([[["mean", "no score yet"]], []]);
  });
});

describe("the hint while typing", () => {
  const hint = (text: string, state = smallCourse(), assignment = quiz) => entryHint(state, assignment, ben, text);

  it.each([
    ["15", "15 · Enter to keep"],
    ["15 l2", "15 → 13 after 2 days late · Enter to keep"],
    ["m", "missing, counts 0 · Enter to keep"],
    ["x", "excused, counts nowhere · Enter to keep"],
    ["l2", "2 days late · Enter to keep"],
    ["-", "cleared · Enter to keep"],
    ["15: nice graphs", "15, with a comment · Enter to keep"],
    [": nice graphs", "a comment to the student · Enter to keep"],
  ])("%s: %s", (text, words) => {
    expect(hint(text)).toEqual({ words, reason: "", refused: false, asks: false });
  });

  it("says before Enter what will be refused, and what can be kept by a second Enter", () => {
    expect(hint("abc")).toMatchObject({ refused: true, asks: false });
    expect(hint("25")).toMatchObject({ refused: true, asks: true });
    expect(hint("12", run(smallCourse(), type("m")))).toMatchObject({ refused: true, asks: true });
  });

  it("says when a figure will be set by hand, and what clearing goes back to", () => {
    const rubric = ["record", "reasoning", "writing"].map(
      (name) =>
        ({
          type: "judge",
          assignmentId: essay,
          studentId: ben,
          criterionId: `criterion:${name}` as never,
          verdict: { kind: "level", digit: 1 },
        }) as const,
    );
    const judged = run(smallCourse(), ...rubric); // 8 + 6 + 4 = 18 of 50, so 36
    expect(hint("50", judged, essay).words).toBe("set by hand: 50 in place of 36 · Enter to keep");
    const setByHand = run(judged, type("50", { assignmentId: essay }));
    expect(hint("-", setByHand, essay).words).toBe("back to 36 · Enter to keep");
  });
});
