import { describe, expect, it } from "vitest";
import type { Command } from "#core/changes";
import { decimal, fractionText, required, type Exact } from "#core/kernel";
import type { Assignment, CourseState } from "#core/model";
import { assignmentId, criterionId, run, smallCourse, studentId } from "#core/testing";
import { explainResult, type Account } from "../index";

const [essay, quiz] = [assignmentId("essay"), assignmentId("quiz")];
const ben = studentId("ben");
const place = { assignmentId: quiz, studentId: ben };
const exact = (value: Exact | null) => (value ? fractionText(value) : null);

/** A tree as nested lists: what it is, its figure, its rule, its parts and what was left out. Figures as fractions. */
type Told = [head: string, rule: unknown, parts: Told[], leftOut: (readonly [why: string, told: Told])[]];
const told = ({ kind, id, unit, exact: figure, shown, rule, parts, leftOut }: Account): Told => [
  `${kind} ${id} ${exact(figure) ?? "-"} = ${shown ?? "-"} ${unit}`,
  JSON.parse(JSON.stringify(rule, (_, value: unknown) => (typeof value === "bigint" ? Number(value) : value))),
  parts.map((part) => told(part.account)),
  leftOut.map(({ why, account }) => [why, told(account)] as const),
];
const tell = (state: CourseState, of = quiz) =>
  told(explainResult(state, required(state.assignments[of], "work"), ben));
const type = (text: string, of = quiz): Command => ({ type: "setScore", assignmentId: of, studentId: ben, text });
const entered = (figure: string, shown: string, source = "typed"): Told => [
  `score ${quiz} ${figure} = ${shown} points`,
  { name: "entered", source, by: null },
  [],
  [],
];
const whole = (n: number) => ({ n, d: 1 });
const withQuiz = (state: CourseState, fields: Partial<Assignment>): CourseState => ({
  ...state,
  assignments: { ...state.assignments, [quiz]: { ...required(state.assignments[quiz], "quiz"), ...fields } },
});

describe("the account of a result, whole", () => {
  it("for nothing, a typed score, missing and excused", () => {
    expect(tell(smallCourse())).toEqual([`result ${quiz} - = - points`, { name: "open", outlook: "now" }, [], []]);
    expect(tell(run(smallCourse(), type("15")))).toEqual(entered("15/1", "15"));
    expect(tell(run(smallCourse(), type("m")))).toEqual([
      `result ${quiz} 0/1 = 0 points`,
      { name: "missing", percent: "0", maximum: whole(20) },
      [],
      [],
    ]);
    expect(tell(run(smallCourse(), type("15"), type("x")))).toEqual([
      `result ${quiz} - = - points`,
      { name: "excused" },
      [],
      [["excused", entered("15/1", "15")]],
    ]);
  });

  it("for a late score, and none of it for one in time", () => {
    const [head, rule, parts] = tell(run(smallCourse(), type("15 l2")));
    expect([head, parts]).toEqual([`result ${quiz} 13/1 = 13 points`, [entered("15/1", "15")]]);
    expect(rule).toMatchObject({ name: "late", units: 2, maximum: whole(20), rule: { ratePercent: "5" } });
    expect(tell(run(smallCourse(), type("15 l0")))).toEqual(entered("15/1", "15"));
  });

  it("for a scaled score", () => {
    const scaling = { kind: "add", points: decimal("2") } as const;
    expect(tell(run(smallCourse(), type("15"), { type: "scaleAssignment", assignmentId: quiz, scaling }))).toEqual([
      `result ${quiz} 17/1 = 17 points`,
      { name: "scaled", scaling, maximum: whole(20) },
      [entered("15/1", "15")],
      [],
    ]);
  });

  it("for a figure set by hand, with the computed one beside it", () => {
    expect(tell(run(smallCourse(), type("15"), { type: "setByHand", ...place, text: "16" }))).toEqual([
      `result ${quiz} 16/1 = 16 points`,
      { name: "setByHand" },
      [entered("16/1", "16", "setByHand")],
      [["replaced", entered("15/1", "15")]],
    ]);
  });

  it("for the score of a group, with and without an own part", () => {
    const grouped = run(smallCourse(), {
      type: "formGroups",
      assignmentId: quiz,
      groups: [{ name: "Herons", memberIds: [ben] }],
    });
    const groupId = Object.values(grouped.groups)[0]?.id as never;
    const scored = run(grouped, { type: "scoreGroup", groupId, text: "14" });
    expect(tell(scored)).toEqual([
      `score ${quiz} 14/1 = 14 points`,
      { name: "group", adjustment: whole(0) },
      [entered("14/1", "14", "group")],
      [],
    ]);
    expect(tell(run(scored, { type: "adjustMember", ...place, text: "-1.5" }))).toEqual([
      `score ${quiz} 25/2 = 12.5 points`,
      { name: "group", adjustment: { n: -3, d: 2 } },
      [entered("14/1", "14", "group")],
      [],
    ]);
  });

  it.each<[Assignment["countedAttempt"], string, string[], string[]]>([
    ["last", "9/1 = 9", ["9/1"], ["12/1", "12/1"]],
    ["first", "12/1 = 12", ["12/1"], ["12/1", "9/1"]],
    ["best", "12/1 = 12", ["12/1"], ["12/1", "9/1"]],
    ["mean", "11/1 = 11", ["12/1", "12/1", "9/1"], []],
  ])("for three attempts of which the %s counts", (countedAttempt, figure, kept, out) => {
    const times = ["2026-10-20T10:00:00Z", "2026-10-21T10:00:00Z", "2026-10-22T10:00:00Z"];
    const handed = run(
      smallCourse(),
      ...times.map((at): Command => ({ type: "addHandIn", ...place, at: at as never, files: [] })),
    );
    const scored = run(
      withQuiz(handed, { countedAttempt }),
      ...["12", "12", "9"].map((text, index): Command => ({
        type: "scoreAttempt",
        ...place,
        attempt: index + 1,
        text,
      })),
    );
    const [head, rule, parts, leftOut] = tell(scored);
    const figures = (list: Told[]) => list.map(([one]) => one.split(" ")[2]);
    expect([head, rule]).toEqual([`result ${quiz} ${figure} points`, { name: "attempts", which: countedAttempt }]);
    expect(figures(parts)).toEqual(kept);
    expect(figures(leftOut.map(([, one]) => one))).toEqual(out);
    expect(leftOut.every(([why]) => why === "otherAttempt")).toBe(true);
  });

  const judge = (criterion: string, text: string | null): Command => ({
    type: "judge",
    assignmentId: essay,
    studentId: ben,
    criterionId: criterionId(criterion),
    verdict: text === null ? { kind: "notApplicable" } : { kind: "points", text },
  });
  const criterion = (name: string, figure: string): Told => [
    `criterion criterion:${name} ${figure} = ${figure === "-" ? "-" : figure.replace("/1", "")} points`,
    { name: "entered", source: "judged", by: null },
    [],
    [],
  ];
  const judged = run(smallCourse(), judge("record", "16"), judge("reasoning", "8"), judge("writing", null));

  it("for a rubric, with a criterion that does not apply left out", () => {
    expect(tell(judged, essay)).toEqual([
      `score ${essay} 60/1 = 60 points`,
      { name: "rubric", weighted: false, scaledTo: whole(100) },
      [criterion("record", "16/1"), criterion("reasoning", "8/1")],
      [["notApplicable", criterion("writing", "-")]],
    ]);
  });

  it("for a rubric taken as it is, and for a weighted one", () => {
    const rubric = required(judged.rubrics["rubric:essay"], "rubric");
    const changed = (fields: Partial<typeof rubric>): CourseState => ({
      ...judged,
      rubrics: { [rubric.id]: { ...rubric, ...fields } },
    });
    expect(tell(changed({ scaled: false }), essay).slice(0, 2)).toEqual([
      `score ${essay} 24/1 = 24 points`,
      { name: "rubric", weighted: false, scaledTo: null },
    ]);
    const weights = ["75", null, "25"].map((weight) => (weight === null ? null : decimal(weight)));
    const criteria = rubric.criteria.map((one, index) => ({ ...one, weight: weights[index] ?? null }));
    // 16 of 20 with weight 75; writing does not apply, so that is all there is: 80 %.
    const account = explainResult(changed({ criteria }), required(judged.assignments[essay], "essay"), ben);
    expect(told(account).slice(0, 2)).toEqual([
      `score ${essay} 80/1 = 80 points`,
      { name: "rubric", weighted: true, scaledTo: whole(100) },
    ]);
    expect(account.parts.map(({ size, weight, bonus }) => [exact(size), exact(weight), bonus])).toEqual([
      ["20/1", "75/1", false],
      ["20/1", "0/1", false],
    ]);
  });
});
