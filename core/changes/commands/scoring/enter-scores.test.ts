import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { resultOf, studentsOf, type CourseState } from "#core/model";
import { assignmentId, criterionId, run, runs, smallCourse, studentId, WORLD } from "#core/testing";
import { figuresOf } from "#core/totals";
import {
  advance,
  applyPatches,
  blankCells,
  EMPTY_HISTORY,
  ENTRY_SCHEMA,
  isUndone,
  prepareUndoOf,
  previewCells,
  runCommand,
  type Command,
  type Entry,
} from "../../index";

const [essay, quiz] = [assignmentId("essay"), assignmentId("quiz")];
const [ada, ben, cleo] = [studentId("ada"), studentId("ben"), studentId("cleo")];
const cell = (who: typeof ada, text: string, more: object = {}) => ({
  assignmentId: quiz,
  studentId: who,
  text,
  ...more,
});
const enter = (...cells: ReturnType<typeof cell>[]) => ({ type: "enterScores", how: "pasted", cells }) as const;
const refusal = (state: CourseState, command: Command) => {
  const done = runCommand(state, command, WORLD);
  return done.ok ? null : done.issue;
};
const judged = run(smallCourse(), {
  type: "judge",
  assignmentId: essay,
  studentId: ada,
  criterionId: criterionId("record"),
  verdict: { kind: "level", digit: 3 },
});

describe("a block of entries", () => {
  it("is one change with one line, and comments come with it", () => {
    const done = runCommand(
      smallCourse(),
      enter(cell(ada, "12", { comment: "Neat." }), cell(ben, "m"), cell(cleo, "9 l2")),
      WORLD,
    );
    if (!done.ok) throw new Error("refused");
    expect(done.value.change.line).toBe("3 scores pasted, Quiz");
    const { state } = done.value;
    expect(resultOf(state, quiz, ada)).toMatchObject({ score: "12", overallComment: "Neat." });
    expect(resultOf(state, quiz, ben)).toMatchObject({ decision: "missing" });
    expect(resultOf(state, quiz, cleo)).toMatchObject({ score: "9", unitsLate: 2 });
  });

  it("is refused whole, naming the first refused cell and how many there are", () => {
    const state = smallCourse();
    expect(refusal(state, enter(cell(ada, "12"), cell(ben, "abc"), cell(cleo, "99")))).toEqual({
      code: "cells_refused",
      count: 2,
      title: "Ben Bolt, Quiz",
      first: { code: "entry_not_understood", text: "abc" },
    });
    expect(refusal(state, enter(cell(studentId("nobody"), "12")))).toMatchObject({ first: { code: "unknown_record" } });
    expect(refusal(run(state, enter(cell(ada, "3"))), enter(cell(ada, "4", { seen: "" })))).toMatchObject({
      first: { code: "seen_differs" },
    });
  });

  it("is looked over before: what changes, what stays, what asks, what is refused", () => {
    const state = run(smallCourse(), enter(cell(ada, "12")));
    const outcomes = previewCells(state, [cell(ada, "12"), cell(ben, "7.5"), cell(cleo, "25"), cell(cleo, "?")]);
    expect(outcomes.map(({ before, outcome }) => [before, outcome.kind])).toEqual([
      ["12", "same"],
      ["", "changes"],
      ["", "asks"],
      ["", "refused"],
    ]);
    expect(refusal(state, enter(cell(ada, "12")))).toMatchObject({ code: "nothing_to_change" });
  });

  it("fills only students whose result is still blank", () => {
    const state = run(smallCourse(), enter(cell(ada, "12"), cell(ben, "x")));
    const places = studentsOf(state).map((student) => ({ assignmentId: quiz, studentId: student.id }));
    expect(blankCells(state, places, "m")).toEqual([{ assignmentId: quiz, studentId: cleo, text: "m" }]);
  });

  it("comes to the same whatever the order of its cells", () => {
    const texts = fc.array(fc.constantFrom("1", "7.5", "20", "m", "x", "12 l1"), { minLength: 3, maxLength: 3 });
    fc.assert(
      fc.property(texts, fc.shuffledSubarray([0, 1, 2], { minLength: 3 }), (entries, order) => {
        const cells = [ada, ben, cleo].map((who, index) => cell(who, entries[index] ?? ""));
        const shuffled = order.map((index) => cells[index] ?? cell(ada, ""));
        expect(run(smallCourse(), enter(...shuffled))).toEqual(run(smallCourse(), enter(...cells)));
      }),
      { numRuns: runs(60) },
    );
  });
});

describe("figures set by hand", () => {
  const byHand = (text: string, more: object = {}) =>
    ({ type: "setByHand", assignmentId: quiz, studentId: ben, text, ...more }) as const;

  it("stand beside the computed one and go back to it", () => {
    const state = run(smallCourse(), { type: "setScore", assignmentId: quiz, studentId: ben, text: "10 l1" });
    const figure = (at: CourseState) => figuresOf(at).figure(quiz, ben);
    const set = run(state, byHand("11", { reason: "Tram strike." }));
    // 5 % of 20 for one day: 9 is computed, 11 counts.
    expect(figure(set)).toMatchObject({ source: "setByHand", counted: { n: 11n }, computed: { n: 9n } });
    expect(figure(run(set, byHand("")))).toMatchObject({ counted: { n: 9n } });
    expect(refusal(set, byHand("12", { seen: "" }))).toMatchObject({ code: "seen_differs" });
    expect(refusal(state, byHand("-"))).toMatchObject({ code: "nothing_to_change" });
    expect(refusal(state, byHand("eleven"))).toMatchObject({ code: "not_a_number" });
  });

  it("of a selection are adjusted with a reason that stands in the journal, never below 0", () => {
    const state = run(smallCourse(), enter(cell(ada, "12"), cell(ben, "1.5")));
    const adjust: Extract<Command, { type: "adjustScores" }> = {
      type: "adjustScores",
      assignmentId: quiz,
      studentIds: [ada, ben],
      text: "-2",
      reason: "Task 3 was wrong.",
    };
    const done = runCommand(state, adjust, WORLD);
    if (!done.ok) throw new Error("refused");
    expect(done.value.change).toMatchObject({ line: "Quiz: 2 scores adjusted by -2", reason: "Task 3 was wrong." });
    expect([ada, ben].map((who) => resultOf(done.value.state, quiz, who).setByHand)).toEqual(["10", "0"]);
    expect(resultOf(done.value.state, quiz, ada).score).toBe("12");
    expect(refusal(state, { ...adjust, studentIds: [ada, cleo] })).toMatchObject({ code: "no_figure_to_adjust" });
  });
});

describe("one change out of the middle", () => {
  /** A journal of commands, and the state after it. */
  function journal(...commands: Command[]) {
    let state = judged;
    let history = EMPTY_HISTORY;
    const entries: Entry[] = commands.map((command, index) => {
      const done = runCommand(state, command, WORLD);
      if (!done.ok) throw new Error(JSON.stringify(done.issue));
      state = done.value.state;
      const entry: Entry = {
        seq: index + 1,
        schema: ENTRY_SCHEMA,
        kind: "change",
        of: null,
        change: done.value.change,
      };
      history = advance(history, entry);
      return entry;
    });
    const undo = (index: number) =>
      prepareUndoOf(state, entries, entries[index]?.change.id ?? ("change:none" as never), WORLD);
    return { state, history, entries, undo };
  }

  it("is undone while later ones stay, and leaves the list of what can be undone", () => {
    const { state, history, entries, undo } = journal(enter(cell(ada, "12")), enter(cell(ben, "13")));
    const step = undo(0);
    if (!step.ok) throw new Error("refused");
    const next = applyPatches(state, step.value.change.patches);
    expect(next.ok && [resultOf(next.value, quiz, ada).score, resultOf(next.value, quiz, ben).score]).toEqual([
      null,
      "13",
    ]);
    expect(step.value.change.line).toBe("Undone: Ada Ames, Quiz: score 12");
    const after = advance(history, step.value);
    expect(after.undoable.map(({ id }) => id)).toEqual([entries[1]?.change.id]);
    expect(
      isUndone([...entries, { seq: 3, schema: ENTRY_SCHEMA, ...step.value }], entries[0]?.change.id as never),
    ).toBe(true);
  });

  it("is refused when a later change touched the same fields", () => {
    expect(journal(enter(cell(ada, "12")), enter(cell(ada, "13"))).undo(0)).toMatchObject({
      issue: { code: "something_rests_on_it", what: "results" },
    });
  });

  it.each<[string, Command, (state: CourseState) => Command]>([
    [
      "students",
      { type: "addStudents", students: [{ number: "N9", givenName: "Dov", familyName: "Elm" }] },
      (state) => ({ ...enter(cell(studentsOf(state).find(({ number }) => number === "N9")?.id ?? ada, "5")) }),
    ],
    [
      "categories",
      { type: "addCategory", name: "New", weight: null },
      () => ({
        type: "addAssignments",
        assignments: [
          {
            name: "W",
            shortName: "W",
            points: "5" as never,
            dueAt: null,
            channel: "paper",
            bonus: false,
            task: "",
            category: { name: "New" },
          },
        ],
      }),
    ],
  ])("is refused when something made later names a record of %s that would go", (what, first, second) => {
    const one = runCommand(judged, first, WORLD);
    if (!one.ok) throw new Error("refused");
    const two = runCommand(one.value.state, second(one.value.state), WORLD);
    if (!two.ok) throw new Error(JSON.stringify(two.issue));
    const entries = [one.value.change, two.value.change].map((change, index): Entry => ({
      seq: index + 1,
      schema: ENTRY_SCHEMA,
      kind: "change",
      of: null,
      change,
    }));
    const undo = (index: number) =>
      prepareUndoOf(two.value.state, entries, entries[index]?.change.id ?? ("" as never), WORLD);
    expect(undo(0)).toMatchObject({ issue: { code: "something_rests_on_it", what } });
    expect(undo(1).ok).toBe(true);
  });

  it("is refused when it is undone already, unknown, or no gesture of a person", () => {
    const { entries, state, undo } = journal(enter(cell(ada, "12")));
    const step = undo(0);
    if (!step.ok) throw new Error("refused");
    const longer = [...entries, { seq: 2, schema: ENTRY_SCHEMA, ...step.value } as Entry];
    expect(prepareUndoOf(state, longer, entries[0]?.change.id as never, WORLD)).toMatchObject({
      issue: { code: "already_undone" },
    });
    expect(undo(7)).toMatchObject({ issue: { code: "not_undoable" } });
  });
});
