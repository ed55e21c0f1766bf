import { decimal, fractionText, type Id } from "#core/kernel";
import { resultOf, type Assignment, type CourseState, type Scale } from "#core/model";
import { assignmentId, run, smallCourse, studentId, WORLD } from "#core/testing";
import { figuresOf } from "#core/totals";
import { describe, expect, it } from "vitest";
import { entryText, previewEntry, runCommand, type Command } from "../../index";

const quiz = assignmentId("quiz");

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
