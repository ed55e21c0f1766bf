import { type Command } from "#core/changes";
import { required, type Instant } from "#core/kernel";
import { type CourseState } from "#core/model";
import { assignmentId, judgedClass, run, smallCourse, studentId } from "#core/testing";
import { describe, expect, it } from "vitest";
import { preflight } from "./index";

const { judgeAll, ada, ben, essayOf, judged, release } = judgedClass();

describe("before a release", () => {
  const codes = (state: CourseState, ...facets: ("score" | "rubric" | "comments")[]) =>
    preflight({ state, assignment: essayOf(state), facets }).map(({ code, count }) => `${code} ${String(count)}`);

  it("says what waits and who is not decided", () => {
    expect(codes(smallCourse(), "score")).toEqual(["waiting 1", "undecided 2"]);
  });

  it("names those who still have time of their own and have handed in nothing", () => {
    const state = run(smallCourse(), {
      type: "giveMoreTime",
      assignmentId: assignmentId("essay"),
      studentIds: [studentId("ada"), studentId("ben"), studentId("cleo")],
      until: "2026-10-26T12:00:00Z" as Instant,
      reason: "was ill",
    });
    expect(codes(state, "score")).toEqual(["waiting 1", "undecided 2", "more_time_open 2"]);
  });

  it("says when all is done", () => {
    expect(codes(judged, "score", "comments")).toEqual(["all_scored 3"]);
  });

  it("finds scores above the maximum, missing comments and changes", () => {
    const state = run(
      judged,
      { type: "setStanding", ...ben, decision: null },
      { type: "setScore", ...ben, text: "120", confirmed: true },
    );
    expect(codes(state, "score", "comments")).toEqual(["above_maximum 1", "no_comment 1", "all_scored 3"]);
    const changed = run(judged, release("score"), ...judgeAll(ada, "20", "20", "10"));
    expect(codes(changed, "score")).toContain("changed 1");
  });

  it("warns that rubric detail tells a sealed score", () => {
    expect(codes(judged, "rubric")[0]).toBe("rubric_tells_score 1");
    expect(codes(judged, "score", "rubric")).not.toContain("rubric_tells_score 1");
    expect(codes(run(judged, release("score")), "rubric")).not.toContain("rubric_tells_score 1");
  });
});

describe("what is looked at before release", () => {
  const [essay, quiz] = [assignmentId("essay"), assignmentId("quiz")];
  const [ada, ben, cleo] = [studentId("ada"), studentId("ben"), studentId("cleo")];
  const type = (text: string, who = ben, of = quiz): Command => ({
    type: "setScore",
    assignmentId: of,
    studentId: who,
    text,
  });

  const findings = (state: CourseState, of = essay) =>
    preflight({ state, assignment: required(state.assignments[of], "assignment"), facets: ["score", "comments"] }).map(
      ({ code, weight, count, students }) => [code, weight, count, students[0]],
    );

  it("names what waits, what is undecided and what has no comment, with the first of each", () => {
    const state = run(smallCourse(), type("70", ben, essay));
    const found: unknown = Object.fromEntries(findings(state).map(([code, ...rest]) => [code, rest]));
    expect(found).toMatchObject({ waiting: ["look", 1, ada], undecided: ["look", 1, cleo] });
    const above: Command = { type: "setScore", assignmentId: essay, studentId: cleo, text: "120", confirmed: true };
    const late = run(state, type("l1", ben, essay), above);
    expect(Object.fromEntries(findings(late).map(([code, ...rest]) => [code, rest]))).toMatchObject({
      above_maximum: ["look", 1, cleo],
    });
  });

  it("names what changed since it was given out", () => {
    const given = run(
      smallCourse(),
      type("18"),
      { type: "release", assignmentId: quiz, facets: ["score"] },
      type("19"),
    );
    expect(findings(given, quiz)).toContainEqual(["changed", "look", 1, ben]);
  });

  it("finds nothing amiss where everybody is scored and commented", () => {
    const rows = [ada, ben, cleo].flatMap((who): Command[] => [
      type("18", who),
      { type: "setComment", assignmentId: quiz, studentId: who, facing: "student", text: "Good." },
    ]);
    expect(findings(run(smallCourse(), ...rows), quiz)).toEqual([["all_scored", "fine", 3, ada]]);
  });
});
