import { expect, it } from "vitest";
import { assignmentId, run, smallCourse, studentId } from "#core/testing";
import { EMPTY_STATE } from "./state";
import { fullState, slimState } from "./slim";

const quiz = assignmentId("quiz");
const ben = studentId("ben");

it("keeps of a result only what was entered, and makes the same course of it again, also by way of JSON", () => {
  const state = run(
    smallCourse(),
    { type: "setScore", assignmentId: quiz, studentId: ben, text: "12 l1" },
    { type: "setComment", assignmentId: quiz, studentId: ben, facing: "private", text: "Grüße" },
    { type: "release", assignmentId: quiz, facets: ["score"] },
  );
  const slim = slimState(state);
  expect(slim.results?.[quiz]).toEqual({
    [`${quiz}/${ben}`]: { score: "12", unitsLate: 1, privateNote: "Grüße" },
  });
  expect(Object.values(slim.releases ?? {})).not.toHaveLength(0);
  expect(fullState(JSON.parse(JSON.stringify(slim)) as typeof slim)).toEqual(state);
});

it("an empty course stays empty; tables that a course was kept without are empty ones", () => {
  expect(fullState(slimState(EMPTY_STATE))).toEqual(EMPTY_STATE);
  expect(fullState({})).toEqual(EMPTY_STATE);
});
