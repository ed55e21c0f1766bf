import { describe, expect, it } from "vitest";
import { decimal, fractionText, type Id, type Instant } from "#core/kernel";
import type { Assignment, CourseState, Group, HandIn, ResultRecord, Scale } from "#core/model";
import { resultOf, withRecords } from "#core/model";
import { assignmentId, smallCourse, studentId } from "#core/testing";
import { figureOf } from "../index";

const quiz = assignmentId("quiz");
const ben = studentId("ben");
const key = `${quiz}/${ben}`;
const LEVELS: Scale = {
  id: "scale:marks" as Id<"scale">,
  name: "Pass or not yet",
  kind: "passNotYet",
  levels: [
    { id: "level:pass" as Id<"level">, name: "Pass", percent: decimal("100") },
    { id: "level:not" as Id<"level">, name: "Not yet", percent: decimal("0") },
    { id: "level:seen" as Id<"level">, name: "Seen", percent: null },
  ],
};

/** Ben's quiz of 20 points, due 24 Oct at noon, late rule 5 % of the points a day. */
function ofBen(
  result: Partial<ResultRecord>,
  more: { assignment?: Partial<Assignment>; attempts?: readonly string[]; group?: Partial<Group> } = {},
) {
  const state = smallCourse();
  const before = state.assignments[quiz];
  if (!before) throw new Error("no quiz");
  const assignment = { ...before, dueAt: "2026-10-24T12:00:00Z" as Instant, ...more.assignment };
  const handIn: HandIn = {
    id: key,
    assignmentId: quiz,
    studentId: ben,
    attempts: (more.attempts ?? []).map((at, index) => ({ number: index + 1, at: at as Instant, files: [] })),
  };
  const group: Group = {
    id: "group:one" as Id<"group">,
    assignmentId: quiz,
    name: "Herons",
    memberIds: [ben],
    score: null,
    ...more.group,
  };
  const plan: CourseState = {
    ...state,
    assignments: { ...state.assignments, [quiz]: assignment },
    scales: { [LEVELS.id]: LEVELS },
    groups: more.group ? { [group.id]: group } : {},
  };
  const handedIn = withRecords(plan, "handIns", more.attempts ? [handIn] : []);
  const changed = withRecords(handedIn, "results", [{ ...resultOf(state, quiz, ben), ...result }]);
  const figure = figureOf(changed, assignment, ben);
  return { ...figure, value: figure.counted && fractionText(figure.counted) };
}

const scores = (...points: string[]) => points.map((value, index) => ({ attempt: index + 1, points: decimal(value) }));
/** In time, and two days late: 2 points off. */
const TWO = ["2026-10-24T11:00:00Z", "2026-10-26T11:00:00Z"];

describe("attempts that are scored one by one", () => {
  const which = (countedAttempt: Assignment["countedAttempt"]) =>
    ofBen({ attemptScores: scores("12", "15") }, { assignment: { countedAttempt }, attempts: TWO });

  it("the last counts, with its own lateness: 15 - 2", () => {
    expect(which("last")).toMatchObject({ source: "attempt", value: "13/1", unitsLate: 2, standing: "handedIn" });
  });

  it("the first counts, in time", () => {
    expect(which("first")).toMatchObject({ value: "12/1", unitsLate: 0 });
  });

  it("the best after the rule counts, which need not be the best before it", () => {
    expect(which("best").value).toBe("13/1");
    const late = ofBen(
      { attemptScores: scores("14", "15") },
      { assignment: { countedAttempt: "best" }, attempts: TWO },
    );
    expect(late.value).toBe("14/1");
  });

  it("the mean of all, each after the rule: (12 + 13) / 2", () => {
    expect(which("mean").value).toBe("25/2");
  });

  it("stand in the order of their numbers, whatever the order they were scored in", () => {
    const swapped = ofBen({ attemptScores: scores("12", "15").reverse() }, { attempts: TWO });
    expect(swapped.steps.map(({ attempt }) => attempt)).toEqual([1, 2]);
  });

  it("a typed score takes its lateness from the attempt that counts", () => {
    const typed = (countedAttempt: Assignment["countedAttempt"]) =>
      ofBen({ score: decimal("15") }, { assignment: { countedAttempt }, attempts: TWO }).value;
    expect([typed("last"), typed("first")]).toEqual(["13/1", "15/1"]);
  });
});

describe("group work", () => {
  it("gives every member the group's score, with the member's own part", () => {
    expect(ofBen({}, { group: { score: decimal("14") } })).toMatchObject({ source: "group", value: "14/1" });
    expect(ofBen({ adjustment: decimal("-1.5") }, { group: { score: decimal("14") } }).value).toBe("25/2");
  });

  it("a member's own score stands before the group's, and a member may be excused or missing alone", () => {
    const group = { score: decimal("14") };
    expect(ofBen({ score: decimal("9") }, { group })).toMatchObject({ source: "typed", value: "9/1" });
    expect(ofBen({ decision: "excused" }, { group })).toMatchObject({ standing: "excused", value: null });
    expect(ofBen({ decision: "missing" }, { group })).toMatchObject({ standing: "missing", value: "0/1" });
  });

  it("waits while the group has no score", () => {
    expect(ofBen({ adjustment: decimal("1") }, { group: {}, attempts: TWO })).toMatchObject({
      waiting: true,
      value: null,
    });
  });
});

describe("kinds of score", () => {
  it("percent is converted exactly: 33.3333 % of 20", () => {
    const percent = ofBen({ score: decimal("33.3333") }, { assignment: { scoredIn: { kind: "percent" } } });
    expect(percent.value).toBe("333333/50000");
  });

  const level = (name: string) =>
    ofBen(
      { levelId: `level:${name}` as Id<"level"> },
      { assignment: { scoredIn: { kind: "scale", scaleId: LEVELS.id } } },
    );

  it("a level counts its share of the points", () => {
    expect([level("pass").value, level("not").value]).toEqual(["20/1", "0/1"]);
    expect(level("pass")).toMatchObject({ source: "level", standing: "handedIn" });
  });

  it("a level without a point value counts nowhere, and nothing waits", () => {
    expect(level("seen")).toMatchObject({ value: null, wordsOnly: true, waiting: false, standing: "handedIn" });
  });

  it("a level of an assignment that is no longer scored in levels counts nowhere", () => {
    expect(ofBen({ levelId: "level:pass" as Id<"level"> }).value).toBeNull();
  });
});

describe("scaling stands between the score and the late rule", () => {
  it("15 + 3 less two days of 1", () => {
    const scaled = ofBen(
      { score: decimal("15") },
      { assignment: { scaling: { kind: "add", points: decimal("3") } }, attempts: TWO },
    );
    expect(scaled).toMatchObject({ value: "16/1" });
    expect(scaled.steps[0] && fractionText(scaled.steps[0].raw)).toBe("15/1");
    expect(fractionText(scaled.deduction)).toBe("2/1");
  });
});
