import { describe, expect, it } from "vitest";
import { decimal, required, type Id, type Instant, type MarkerId } from "#core/kernel";
import { blankRecord, resultKey, withRecords, type Assignment, type CourseState, type ResultRecord } from "#core/model";
import {
  assignmentId,
  classStudent,
  criterionId,
  wholeClass,
  withAnswers,
  withCriteria,
  withJudgements,
  withScores,
} from "#core/testing";
import { oddFound, oddBasis, oddSubject, type Oddity, type Scoring, type Scorings } from "../index";

const work = assignmentId("work");
const roster = (count: number) => Array.from({ length: count }, (_, place) => classStudent(place));
const SCORING: Scoring = {
  by: "marker:one" as MarkerId,
  at: "2026-10-01T10:00:00Z" as Instant,
  seq: 1,
  reason: null,
  seconds: null,
};

function oddIn(state: CourseState, scorings: Scorings = new Map(), count = 30): readonly Oddity[] {
  const assignment = required(state.assignments[work], "work");
  return oddFound(state, assignment, scorings, () => roster(count)).open;
}
const withResult = (state: CourseState, place: number, fields: Partial<ResultRecord>): CourseState =>
  withRecords(state, "results", [
    {
      ...(state.results[work]?.[resultKey(work, classStudent(place))] ??
        blankRecord("results", resultKey(work, classStudent(place)))),
      ...fields,
    },
  ]);
const withWork = (state: CourseState, fields: Partial<Assignment>): CourseState =>
  withRecords(state, "assignments", [{ ...required(state.assignments[work], "work"), ...fields }]);
const class4 = withScores(wholeClass(4), work, [60, 70, 80, 90]);

describe("what looks odd of one paper", () => {
  it("a score above the maximum, where the assignment does not allow it", () => {
    const above = withResult(class4, 1, { score: decimal("104") });
    expect(oddIn(above)).toEqual([{ code: "above_maximum", studentId: classStudent(1), points: 104, maximum: 100 }]);
    expect(oddIn(withWork(above, { aboveAllowed: true }))).toEqual([]);
  });

  it("a figure set by hand without a reason; with one it is not odd", () => {
    const byHand = withResult(class4, 2, { setByHand: decimal("85") });
    expect(oddIn(byHand)).toEqual([{ code: "by_hand_no_reason", studentId: classStudent(2), points: 85 }]);
    expect(oddIn(byHand, new Map([[classStudent(2), { ...SCORING, reason: "Tram strike." }]]))).toEqual([]);
  });

  it("a typed 0 of somebody who handed nothing in; not one on a paper that is there, nor decided as missing", () => {
    const zero = withResult(class4, 0, { score: decimal("0") });
    expect(oddIn(zero)).toEqual([{ code: "zero_maybe_missing", studentId: classStudent(0) }]);
    const handedIn = withRecords(zero, "handIns", [
      {
        id: resultKey(work, classStudent(0)),
        assignmentId: work,
        studentId: classStudent(0),
        attempts: [{ number: 1, at: null, files: [] }],
      },
    ]);
    expect(oddIn(handedIn)).toEqual([]);
    expect(oddIn(withResult(zero, 0, { decision: "missing" }))).toEqual([]);
  });

  it("a score that came after the release, while the student is neither held back nor has it", () => {
    const key = `${work}/score`;
    const released = withRecords(class4, "releases", [{ ...blankRecord("releases", key), state: "released" as const }]);
    const given = roster(3).map((id) => ({
      ...blankRecord("copies", resultKey(work, id)),
      score: { at: SCORING.at, content: {} as never } as never,
    }));
    const late = withRecords(released, "copies", given);
    expect(oddIn(late)).toEqual([{ code: "scored_after_release", studentId: classStudent(3), points: 90 }]);
    expect(oddIn(withResult(late, 3, { held: true }))).toEqual([]);
  });

  it("a paper read on the screen that was judged in seconds; on paper points are often typed that fast", () => {
    const fast: Scorings = new Map([[classStudent(1), { ...SCORING, seconds: 4 }]]);
    expect(oddIn(withWork(class4, { channel: "file" }), fast)).toEqual([
      { code: "judged_in_seconds", studentId: classStudent(1), seconds: 4 },
    ]);
    expect(oddIn(class4, fast)).toEqual([]);
    expect(
      oddIn(withWork(class4, { channel: "file" }), new Map([[classStudent(1), { ...SCORING, seconds: 200 }]])),
    ).toEqual([]);
  });

  it("a member apart from a group that shares a score, unless they have a part of their own", () => {
    const group = {
      id: "group:g" as Id<"group">,
      assignmentId: work,
      name: "Sluice",
      memberIds: roster(3),
      score: null,
    };
    const grouped = withRecords(withScores(wholeClass(4), work, [70, 70, 55, 90]), "groups", [group]);
    expect(oddIn(grouped)).toEqual([
      { code: "group_but_one", studentId: classStudent(2), points: 55, group: 70, name: "Sluice" },
    ]);
    expect(oddIn(withResult(grouped, 2, { adjustment: decimal("-15") }))).toEqual([]);
  });

  it("evidence that a criterion asks for and that is not there", () => {
    const levels = [["any", 0, 10]] as const;
    const judged = withJudgements(
      withCriteria(wholeClass(2), work, [{ name: "one", levels }]),
      work,
      [criterionId("one")],
      [[5], [6]],
    );
    const rubric = required(Object.values(judged.rubrics)[0], "rubric");
    const asking = { ...rubric, criteria: rubric.criteria.map((criterion) => ({ ...criterion, asksEvidence: true })) };
    expect(oddIn(withRecords(judged, "rubrics", [asking])).map(({ code }) => code)).toEqual([
      "evidence_lacking",
      "evidence_lacking",
    ]);
    expect(oddIn(judged)).toEqual([]);
  });

  it("a paper far from the student's other work; not one of a class that is everywhere alike, nor what is missing", () => {
    const names = ["work", "two", "three", "four"];
    const steady = Array.from({ length: 12 }, (_, place) => 60 + (place % 5));
    const fallen = steady.map((score, place) => (place === 7 ? 20 : score + 1));
    const state = names.reduce(
      (all, name) => withScores(all, assignmentId(name), name === "work" ? fallen : steady),
      wholeClass(12, names),
    );
    expect(oddIn(state)).toEqual([{ code: "far_from_own_work", studentId: classStudent(7), percent: 20, others: 62 }]);
    expect(oddIn(withResult(state, 7, { decision: "missing" }))).toEqual([]);
  });
});

describe("another student's name in a comment", () => {
  const people = ["Ilse Tarnowe", "Bram Oduya", "April Moor", "Bo Lind", "Bram Hask"];
  const named = withRecords(
    withScores(wholeClass(5), work, [60, 65, 70, 75, 80]),
    "students",
    people.map((name, place) => {
      const [givenName = "", familyName = ""] = name.split(" ");
      return {
        ...required(class4.students[classStudent(0)], "student"),
        id: classStudent(place),
        givenName,
        familyName,
      };
    }),
  );
  const told = (overallComment: string, place = 0) =>
    oddIn(withResult(named, place, { overallComment })).flatMap((odd) => (odd.code === "other_name" ? [odd.name] : []));

  it.each([
    ["Bram, your second page is the best.", ["Bram"]],
    ["Read this with what Bram wrote.", ["Bram"]],
    ["As Bram's gauge shows, the bank matters.", ["Bram"]],
    ["See the memo of April Moor.", ["April Moor"]],
    ["Ilse, you show each step.", []],
    ["The survey was in April and the flood in May.", []],
    ["Bring the bo staff.", []],
    ["Bramble grows on the bank.", []],
    ["Your unit is wrong: April is not a unit.", []],
  ])("%s", (comment, expected) => {
    expect(told(comment)).toEqual(expected);
  });

  it("is not that of a namesake, nor that of somebody of the same group", () => {
    expect(told("Bram, well done.", 1)).toEqual([]);
    const group = {
      id: "group:g" as Id<"group">,
      assignmentId: work,
      name: "Sluice",
      memberIds: [classStudent(0), classStudent(1)],
      score: null,
    };
    const grouped = withRecords(named, "groups", [group]);
    expect(oddIn(withResult(grouped, 0, { overallComment: "Ilse and Bram, well argued." }))).toEqual([]);
  });

  it("is found in a criterion's comment and in a note too", () => {
    const levels = [["any", 0, 100]] as const;
    const judged = withJudgements(
      withCriteria(named, work, [{ name: "one", levels }]),
      work,
      [criterionId("one")],
      [[60], [65], [70], [75], [80]],
    );
    const record = required(Object.values(judged.judgements[work] ?? {})[0], "judgement");
    const commented = withRecords(judged, "judgements", [{ ...record, comment: "Compare with Bram here." }]);
    expect(oddIn(commented).map(({ code }) => code)).toContain("other_name");
  });
});

describe("what looks odd over the class", () => {
  const LEVELS = [
    ["low", 0, 4],
    ["middle", 5, 7],
    ["high", 8, 10],
  ] as const;
  const criteria = [
    { name: "one", levels: LEVELS },
    { name: "two", levels: LEVELS },
  ];
  const ids = [criterionId("one"), criterionId("two")];
  const judged = (rows: readonly (readonly number[])[]) =>
    withJudgements(withCriteria(wholeClass(rows.length), work, criteria), work, ids, rows);

  it("a criterion that drifts from the first ten papers to the last ten", () => {
    const rows = Array.from({ length: 24 }, (_, place) => [
      place < 12 ? 8 + (place % 3) : 4 + (place % 3),
      5 + (place % 2),
    ]);
    expect(oddIn(judged(rows), new Map(), 24)).toContainEqual({
      code: "drift",
      criterionId: ids[0],
      first: 8.9,
      last: 5.1,
      studentIds: roster(24).slice(-10),
    });
    const still = Array.from({ length: 24 }, (_, place) => [5 + (place % 3), 5 + (place % 2)]);
    expect(oddIn(judged(still), new Map(), 24)).toEqual([]);
  });

  it("a score that drifts where there is no rubric, if the scores were given one by one", () => {
    const scores = Array.from({ length: 20 }, (_, place) => (place < 10 ? 80 : 60) + (place % 4));
    const state = withScores(wholeClass(20), work, scores);
    const each: Scorings = new Map(roster(20).map((id, place) => [id, { ...SCORING, seq: place + 1 }]));
    expect(oddIn(state, each, 20).map(({ code }) => code)).toEqual(["drift"]);
    const together: Scorings = new Map(roster(20).map((id) => [id, SCORING]));
    expect(oddIn(state, together, 20)).toEqual([]);
  });

  it("a level whose papers did worse in the rest than those of the level below", () => {
    const rows = Array.from({ length: 20 }, (_, place) => (place < 10 ? [6, 8 + (place % 2)] : [9, 2 + (place % 2)]));
    const found = oddIn(judged(rows), new Map(), 5);
    expect(found).toContainEqual(
      expect.objectContaining({
        code: "level_against_rest",
        criterionId: ids[0],
        lower: "middle",
        higher: "high",
        lowerRest: 8.5,
        higherRest: 2.5,
      }),
    );
  });

  it("a key that the best papers do not give", () => {
    const key = { kind: "choice" as const, options: ["a", "b", "c"], right: [0], partial: false };
    const questions = [0, 1, 1, 1].map((right) => ({ key: { ...key, right: [right] }, points: decimal("1") }));
    const rows = Array.from({ length: 20 }, (_, place) =>
      place < 10 ? ["B", "B", "B", "B"] : ["A", "A", "C", place % 2 ? "B" : "A"],
    );
    const state = withAnswers(wholeClass(20, ["work"], { channel: "answers" }), work, questions, rows);
    expect(oddIn(state).filter(({ code }) => code === "key_suspected")).toMatchObject([
      { questionId: "question:q0", likelier: "B" },
    ]);
  });
});

describe("what was set aside", () => {
  const above = withResult(class4, 1, { score: decimal("104") });
  const [odd] = oddIn(above);
  const aside = (state: CourseState, basis: string) =>
    withRecords(state, "asides", [
      {
        id: `${work}/${oddSubject(required(odd, "odd"))}`,
        assignmentId: work,
        basis,
        studentIds: [],
        word: "extra page",
      },
    ]);
  const found = (state: CourseState) => oddFound(state, required(state.assignments[work], "work"), new Map(), () => []);

  it("stays aside with its word until its figure is another", () => {
    const kept = aside(above, oddBasis(required(odd, "odd")));
    expect(found(kept)).toMatchObject({ open: [], aside: [{ word: "extra page" }] });
    const changed = withResult(kept, 1, { score: decimal("106") });
    expect(found(changed)).toMatchObject({ open: [{ code: "above_maximum", points: 106 }], aside: [] });
  });
});
