import { describe, expect, it } from "vitest";
import { decimal, fractionText, pointsText, required, type Exact } from "#core/kernel";
import { moderationOf, secondMarkOf, type CourseState } from "#core/model";
import { preflight } from "#core/release";
import { assignmentId, criterionId, judgedClass, run, smallCourse, studentId, WORLD } from "#core/testing";
import { figuresOf, moderatedPapers, unsettledPapers } from "#core/totals";
import { runCommand, type Command } from "../../index";

const essay = assignmentId("essay");
const [ada, ben] = [studentId("ada"), studentId("ben")];
const { judged, judgeAll } = judgedClass();
const both = run(
  judged,
  { type: "setStanding", assignmentId: essay, studentId: ben, decision: null },
  ...judgeAll({ assignmentId: essay, studentId: ben }, "10", "10", "5"),
);

const choose = (more: object = {}): Command => ({
  type: "setModeration",
  assignmentId: essay,
  way: { kind: "all" },
  studentIds: [ada, ben],
  markerName: "I. Marsh",
  blind: true,
  within: decimal("5"),
  ...more,
});
const second = (student: typeof ada, ...points: string[]): Command[] =>
  ["record", "reasoning", "writing"].map((criterion, at) => ({
    type: "judgeSecond",
    assignmentId: essay,
    studentId: student,
    criterionId: criterionId(criterion),
    verdict: { kind: "points", text: points[at] ?? "0" },
  }));
const settle = (student: typeof ada, choice: "first" | "second" | "mean" | "other", more: object = {}): Command => ({
  type: "settle",
  assignmentId: essay,
  studentId: student,
  choice,
  reason: "",
  ...more,
});
const essayOf = (state: CourseState) => required(state.assignments[essay], "essay");
const states = (state: CourseState) => moderatedPapers(state, essayOf(state)).map((paper) => paper.state);
const text = (exact: Exact | null) => exact && pointsText(exact);
const counted = (state: CourseState, student = ada) => text(figuresOf(state).figure(essay, student).counted);
const refused = (state: CourseState, command: Command) => {
  const done = runCommand(state, command, WORLD);
  return done.ok ? null : done.issue.code;
};

// Ada: 15.5 + 17 + 8 of 50 is 81 of 100. Ben, once 10 + 10 + 5, is 50; second judgements below.
const chosen = run(both, choose());
const judgedTwice = run(chosen, ...second(ada, "12", "12", "6"), ...second(ben, "10", "11", "5"));

describe("a sample for second marking", () => {
  it("stands with how it was chosen, and makes a marker of a new name but not of one that is known", () => {
    const moderation = required(moderationOf(chosen, essay), "moderation");
    expect(moderation).toMatchObject({ way: { kind: "all" }, studentIds: [ada, ben], blind: true, within: "5" });
    expect(chosen.markers[moderation.markerId]?.name).toBe("I. Marsh");
    const again = run(chosen, choose({ within: decimal("3") }));
    expect(Object.keys(again.markers)).toEqual(Object.keys(chosen.markers));
  });

  it("is refused empty, with somebody who is not in the course, and with a difference below 0", () => {
    expect(refused(both, choose({ studentIds: [] }))).toBe("sample_empty");
    expect(refused(both, choose({ studentIds: [studentId("gone")] }))).toBe("unknown_record");
    expect(refused(both, choose({ within: decimal("-1") }))).toBe("points_below_zero");
  });
});

describe("a second judgement", () => {
  it("stands beside the first and never over it: no figure changes by it", () => {
    expect(counted(chosen)).toBe("81");
    expect(counted(judgedTwice)).toBe("81");
    const mark = required(secondMarkOf(judgedTwice, essay, ada), "mark");
    expect(mark.judgements.map(({ points }) => points)).toEqual(["12", "12", "6"]);
    expect(judgedTwice.judgements).toEqual(chosen.judgements);
  });

  it("is given by level, by step, opened again, and not at all outside of the sample or its ruler", () => {
    const verdict = (wish: object): Command => ({
      type: "judgeSecond",
      assignmentId: essay,
      studentId: ada,
      criterionId: criterionId("record"),
      verdict: wish as never,
    });
    const points = (...wishes: object[]) =>
      secondMarkOf(run(chosen, ...wishes.map(verdict)), essay, ada)?.judgements[0];
    expect(points({ kind: "level", digit: 2 })).toMatchObject({ points: "15.5" });
    expect(points({ kind: "level", digit: 2 }, { kind: "step", direction: -1 })).toMatchObject({ points: "15" });
    expect(points({ kind: "notApplicable" })).toMatchObject({ points: null, notApplicable: true });
    expect(points({ kind: "notApplicable" }, { kind: "notApplicable" })).toMatchObject({ notApplicable: false });
    expect(refused(chosen, verdict({ kind: "level", digit: 7 }))).toBe("no_rubric_level");
    expect(refused(chosen, verdict({ kind: "points", text: "21" }))).not.toBeNull();
    expect(refused(chosen, verdict({ kind: "points", text: "abc" }))).not.toBeNull();
    expect(refused(chosen, { ...verdict({ kind: "open" }), studentId: studentId("cleo") } as Command)).toBe(
      "not_in_sample",
    );
    expect(refused(both, verdict({ kind: "open" }))).toBe("not_in_sample");
  });

  it("is a score where there is no rubric, with the question above the maximum, and a comment to the first marker", () => {
    const quiz = assignmentId("quiz");
    const typed = run(smallCourse(), { type: "setScore", assignmentId: quiz, studentId: ada, text: "12" });
    const sample = run(typed, choose({ assignmentId: quiz, studentIds: [ada] }));
    const score = (given: string): Command => ({
      type: "scoreSecond",
      assignmentId: quiz,
      studentId: ada,
      text: given,
    });
    const scored = run(sample, score("15.5"), {
      type: "commentSecond",
      assignmentId: quiz,
      studentId: ada,
      comment: "Task 3 is right.",
    });
    expect(secondMarkOf(scored, quiz, ada)).toMatchObject({ score: "15.5", comment: "Task 3 is right." });
    expect(refused(sample, score("21"))).toBe("score_above_maximum");
    expect(secondMarkOf(run(scored, score("-")), quiz, ada)?.score).toBeNull();
  });
});

describe("what is settled", () => {
  it("waits where two judgements lie further apart than agreed, worked by hand: 81 and 60, 50 and 52", () => {
    expect(
      moderatedPapers(judgedTwice, essayOf(judgedTwice)).map(({ first, second: other }) => [text(first), text(other)]),
    ).toEqual([
      ["81", "60"],
      ["50", "52"],
    ]);
    expect(states(judgedTwice)).toEqual(["apart", "agree"]);
    expect(unsettledPapers(judgedTwice, essayOf(judgedTwice))).toEqual([ada]);
    expect(states(chosen)).toEqual(["open", "open"]);
    expect(unsettledPapers(chosen, essayOf(chosen))).toEqual([ada, ben]);
  });

  it.each([
    ["first", {}, "81"],
    ["second", {}, "60"],
    ["mean", {}, "70.5"],
    ["other", { text: "75", reason: "Task 2 counts for both." }, "75"],
  ] as const)("stands as %s", (choice, more, figure) => {
    const settled = run(judgedTwice, settle(ada, choice, more));
    expect(counted(settled)).toBe(figure);
    expect(states(settled)).toEqual(["settled", "agree"]);
    expect(unsettledPapers(settled, essayOf(settled))).toEqual([]);
    const done = runCommand(judgedTwice, settle(ada, choice, more), WORLD);
    expect(done.ok && done.value.change.line).toContain("first 81, second 60");
  });

  it("is a score like any other to the rules: two days late at 5 % of the maximum a day leave 60.5 of 70.5", () => {
    const late = run(judgedTwice, settle(ada, "mean"), {
      type: "setLateness",
      assignmentId: essay,
      studentId: ada,
      unitsLate: 2,
    });
    expect(counted(late)).toBe("60.5");
    expect(figuresOf(late).figure(essay, ada)).toMatchObject({ source: "settled", unitsLate: 2 });
    expect(fractionText(required(figuresOf(late).figure(essay, ada).first, "first"))).toBe("81/1");
  });

  it("is open again when either judgement is another one, and stands again when it is what it was", () => {
    const settled = run(judgedTwice, settle(ada, "second"));
    const changed = run(settled, ...second(ada, "14").slice(0, 1));
    expect([states(changed)[0], counted(changed)]).toEqual(["apart", "81"]);
    const first = run(settled, ...judgeAll({ assignmentId: essay, studentId: ada }, "10").slice(0, 1));
    expect([states(first)[0], counted(first)]).toEqual(["apart", "70"]);
    expect(counted(run(changed, ...second(ada, "12").slice(0, 1)))).toBe("60");
    expect(counted(run(settled, { type: "unsettle", assignmentId: essay, studentId: ada }))).toBe("81");
  });

  it("is refused without two judgements, without a reason for another figure, above the maximum, outside of the sample", () => {
    expect(refused(chosen, settle(ada, "mean"))).toBe("judgement_lacking");
    expect(refused(judgedTwice, settle(ada, "other", { text: "75" }))).toBe("reason_lacking");
    expect(refused(judgedTwice, settle(ada, "other", { text: "abc", reason: "so" }))).not.toBeNull();
    expect(refused(judgedTwice, settle(ada, "other", { text: "104", reason: "so" }))).toBe("score_above_maximum");
    expect(refused(judgedTwice, settle(studentId("cleo"), "mean"))).toBe("not_in_sample");
  });
});

describe("held until settled", () => {
  const release: Command = { type: "release", assignmentId: essay, facets: ["score"] };

  it("a release is refused with the papers that wait, and goes out once they are settled", () => {
    const done = runCommand(judgedTwice, release, WORLD);
    expect(done).toMatchObject({
      ok: false,
      issue: { code: "release_stopped", finding: "moderation_unsettled", count: 1 },
    });
    const finding = preflight({ state: judgedTwice, assignment: essayOf(judgedTwice), facets: ["score"] });
    expect(finding[0]).toMatchObject({ code: "moderation_unsettled", weight: "stop", stops: true, students: [ada] });
    const settled = run(judgedTwice, settle(ada, "second"));
    expect(run(settled, release).copies[essay]?.[`${essay}/${ada}`]?.score?.content.points).toBe("60");
  });

  it("while a second judgement is lacking too, unless the paper is missing or excused by now", () => {
    const half = run(chosen, ...second(ada, "16", "17", "8"));
    expect(runCommand(half, release, WORLD)).toMatchObject({
      ok: false,
      issue: { finding: "moderation_unsettled", count: 1 },
    });
    const excused = run(half, { type: "setStanding", assignmentId: essay, studentId: ben, decision: "excused" });
    expect(runCommand(excused, release, WORLD).ok).toBe(true);
  });

  it("ends with the second marking: judgements go, figures fall back to the first", () => {
    const ended = run(judgedTwice, settle(ada, "second"), { type: "endModeration", assignmentId: essay });
    expect([counted(ended), ended.secondMarks, moderationOf(ended, essay)]).toEqual(["81", {}, undefined]);
    expect(runCommand(ended, release, WORLD).ok).toBe(true);
  });
});
