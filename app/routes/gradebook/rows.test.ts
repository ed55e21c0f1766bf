import { describe, expect, it } from "vitest";
import type { CourseState } from "#core/model";
import { assignmentId, run, smallCourse, studentId } from "#core/testing";
import { entryHint, gradeRows } from "./rows";

const quiz = assignmentId("quiz");
const essay = assignmentId("essay");
const ben = studentId("ben");
const ALL = { find: "", section: null };
const type = (text: string, more: { assignmentId?: typeof quiz; confirmed?: boolean } = {}) =>
  ({ type: "setScore", assignmentId: quiz, studentId: ben, text, ...more }) as const;
const benCells = (state: CourseState) =>
  gradeRows(state, ALL)
    .rows.find(({ name }) => name === "Ben Bolt")
    ?.cells.map(({ text, look, late }) => [text, look, late]);

describe("the gradebook's rows", () => {
  it("stand under bands with their weights, and mark the columns where something waits", () => {
    const { columns, bands } = gradeRows(smallCourse(), ALL);
    expect(bands.map(({ title, columns: count }) => [title, count])).toEqual([
      ["Papers 60 %", 1],
      ["Quizzes 40 %", 1],
    ]);
    expect(columns.map(({ shortName, of, current }) => [shortName, of, current])).toEqual([
      ["Essay", "of 100", true],
      ["Quiz", "of 20", false],
    ]);
  });

  it("show each state by a word of its own", () => {
    expect(benCells(smallCourse())).toEqual([
      ["·", "open", ""],
      ["·", "open", ""],
    ]);
    expect(benCells(run(smallCourse(), type("15 l1")))?.[1]).toEqual(["14", "figure", "1 d"]);
    expect(benCells(run(smallCourse(), type("m")))?.[1]).toEqual(["missing", "missing", ""]);
    expect(benCells(run(smallCourse(), type("x")))?.[1]).toEqual(["excused", "excused", ""]);
    expect(gradeRows(smallCourse(), ALL).rows[0]?.cells[0]).toMatchObject({ text: "waiting", look: "waiting" });
  });

  it("give now, lowest to highest, and the letter", () => {
    const [, row] = gradeRows(run(smallCourse(), type("18")), ALL).rows;
    // 18 of 20 is 90 %: now 90.0, an A; lowest 0.4 x 90 = 36, highest 60 + 36 = 96.
    expect(row).toMatchObject({ now: "90.0", range: "36–96", letter: "A" });
    expect(gradeRows(smallCourse(), ALL).rows[1]).toMatchObject({ now: "–", letter: "" });
  });

  it("find a student by part of the name or number, blind to case and accents", () => {
    const accent = { number: "N44", givenName: "Zoë", familyName: "Ångström", sectionId: null };
    const state = run(smallCourse(), { type: "addStudents", students: [accent] });
    const found = (find: string) => gradeRows(state, { find, section: null }).rows.map(({ name }) => name);
    expect(found("ANGS")).toEqual(["Zoë Ångström"]);
    expect(found("zoe")).toEqual(["Zoë Ångström"]);
    expect(found(" n2 ")).toEqual(["Ben Bolt"]);
    expect(found("nobody")).toEqual([]);
    expect(gradeRows(state, { find: "zoe", section: null }).total).toBe(4);
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
  ])("%s: %s", (text, words) => {
    expect(hint(text)).toEqual({ words, refused: false, asks: false });
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
    const byHand = run(judged, type("50", { assignmentId: essay }));
    expect(hint("-", byHand, essay).words).toBe("back to 36 · Enter to keep");
  });
});
