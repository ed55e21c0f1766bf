import { describe, expect, it } from "vitest";
import { required } from "#core/kernel";
import type { CourseState } from "#core/model";
import { assignmentId, criterionId, fileId, run, smallCourse, studentId } from "#core/testing";
import { latenessShort, latenessWords } from "#core/words";
import { arithmeticWords } from "./judgement/arithmetic";
import type { PileOrder } from "../../../course/choices";
import { deskRows } from "./rows";

const essay = assignmentId("essay");
const ada = { assignmentId: essay, studentId: studentId("ada") };
const points = (text: string, criterion: string, who = "ada") =>
  ({
    type: "judge",
    assignmentId: essay,
    studentId: studentId(who),
    criterionId: criterionId(criterion),
    verdict: { kind: "points", text },
  }) as const;
const rowsOf = (state: CourseState, who = "ada", order: PileOrder = "name") =>
  deskRows(state, required(state.assignments[essay], "essay"), required(state.students[studentId(who)], who), order);
const judged = run(smallCourse(), points("15.5", "record"), points("17", "reasoning"), points("8", "writing"));

describe("the desk's rows", () => {
  it("hold the paper, its file and its criteria in the order of their keys", () => {
    const rows = rowsOf(smallCourse());
    expect(rows.name).toBe("Ada Ames");
    expect(rows.files).toMatchObject([{ name: "ada.pdf", attempt: 1 }]);
    expect(rows.criteria.map(({ criterion }) => criterion.name)).toEqual(["record", "reasoning", "writing"]);
    expect(new Set(rows.criteria.map(({ colour }) => colour)).size).toBe(3);
  });

  it("show where the other papers lie on a ruler, and never this one", () => {
    const state = run(
      smallCourse(),
      points("10", "record", "ben"),
      points("20", "record", "cleo"),
      points("5", "record"),
    );
    expect(rowsOf(state).criteria[0]?.others).toEqual([0.5, 1]);
  });

  it("list the evidence of each criterion by its words, shortened", () => {
    const note = (exact: string, criterion: string | null) =>
      ({
        type: "addNote",
        ...ada,
        fileId: fileId("ada"),
        mark: "highlight",
        target: { kind: "passage", page: 1, start: 0, end: exact.length, exact, prefix: "", suffix: "" },
        criterionId: criterion === null ? null : criterionId(criterion),
        body: "",
      }) as const;
    const state = run(
      smallCourse(),
      note("short words", "record"),
      note("a passage that is much too long for a chip", "record"),
      note("x", null),
    );
    const labels = rowsOf(state).criteria.map(({ evidence }) => evidence.map(({ label }) => label));
    expect(labels).toEqual([["“short words”", "“a passage that is much t...”"], [], []]);
  });

  it("order the pile, and know what comes before, after, and next of those that wait", () => {
    const state = run(smallCourse(), {
      type: "setStanding",
      assignmentId: essay,
      studentId: studentId("ben"),
      decision: "missing",
    });
    const names = (order: PileOrder) =>
      rowsOf(state, "ada", order).pile.map(({ initials, mark }) => `${initials} ${mark}`);
    expect(names("name")).toEqual(["AA waiting", "BB missing", "CC not in"]);
    expect(names("waiting")).toEqual(["AA waiting", "CC not in", "BB missing"]);
    expect(names("number")).toEqual(["AA waiting", "BB missing", "CC not in"]);
    expect(names("time")[0]).toBe("AA waiting");
    expect(rowsOf(state, "ben")).toMatchObject({
      before: studentId("ada"),
      after: studentId("cleo"),
      nextWaiting: studentId("ada"),
    });
    expect(rowsOf(state, "cleo").after).toBeNull();
  });

  it("give the class mean of the papers that count, missing ones left out", () => {
    expect(rowsOf(smallCourse()).classMean).toBeNull();
    const state = run(
      judged,
      { type: "setScore", assignmentId: essay, studentId: studentId("ben"), text: "60" },
      { type: "setStanding", assignmentId: essay, studentId: studentId("cleo"), decision: "missing" },
    );
    expect(rowsOf(state)).toMatchObject({ classMean: "70.5", scored: 2 });
  });
});

describe("the sum in words", () => {
  const words = (state: CourseState, who = "ada") => rowsOf(state, who).arithmetic;
  const late = (units: number) => ({ type: "setLateness", ...ada, unitsLate: units }) as const;

  it("counts what is open", () => {
    expect(words(smallCourse())).toEqual({ first: "50 points open", second: "", total: "–" });
    expect(words(run(smallCourse(), points("15.5", "record")))).toEqual({
      first: "15.5 of 20 so far · 30 open",
      second: "",
      total: "–",
    });
  });

  it("goes from the rubric to the score", () => {
    expect(words(judged)).toEqual({ first: "40.5 of 50 → 81 of 100", second: "", total: "81" });
  });

  it("shows what being late takes off", () => {
    expect(words(run(judged, late(2))).second).toBe("2 days late: 81 −10 → 71");
    expect(words(run(smallCourse(), late(1))).second).toBe("1 day late: the rule takes off points when complete");
    expect(latenessWords(3, 1)).toBe("3 hours");
    expect(latenessWords(1, 12)).toBe("1 12 h unit");
    expect([latenessShort(2, 24), latenessShort(2, 12)]).toEqual(["2 d", "24 h"]);
  });

  it("says what was set by hand, and what the rules give", () => {
    const byHand = words(run(judged, late(2), { type: "setScore", ...ada, text: "85" }));
    expect(byHand).toEqual({ first: "40.5 of 50 → 81 of 100", second: "Set by hand; the rules give 71", total: "85" });
  });

  it("says that a typed score stands beside rulers that do not change it", () => {
    const typed = run(smallCourse(), { type: "setScore", ...ada, text: "70" }, points("1", "record"));
    expect(words(typed).second).toBe("Typed score; the rulers do not change it");
  });

  it("says what missing and excused count", () => {
    expect(words(run(judged, { type: "setStanding", ...ada, decision: "missing" })).second).toBe("Missing: counts 0");
    expect(words(run(judged, { type: "setStanding", ...ada, decision: "excused" }))).toMatchObject({
      second: "Excused: counts nowhere",
      total: "–",
    });
  });

  it("says so when no criterion applies", () => {
    const figure = {
      ...rowsOf(judged).figure,
      counted: null,
      score: null,
      rubric: { ...required(rowsOf(judged).figure.rubric, "rubric"), score: null },
    };
    expect(arithmeticWords(figure, { points: rowsOf(judged).assignment.points }, 24).first).toBe(
      "No criterion applies",
    );
  });
});
