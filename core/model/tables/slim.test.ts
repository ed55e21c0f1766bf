import { expect, it } from "vitest";
import { assignmentId, run, smallCourse, studentId } from "#core/testing";
import { packedState, unpackedState } from "./packed-state";
import { EMPTY_STATE } from "./state";
import { fullState, slimRecords } from "./slim";

const quiz = assignmentId("quiz");
const ben = studentId("ben");

const state = run(
  smallCourse(),
  { type: "setScore", assignmentId: quiz, studentId: ben, text: "12 l1" },
  { type: "setComment", assignmentId: quiz, studentId: ben, facing: "private", text: "Grüße" },
  { type: "release", assignmentId: quiz, facets: ["score"] },
);

it("keeps of a result only what was entered", () => {
  expect(slimRecords("results", state.results[quiz] ?? {})).toEqual({
    [`${quiz}/${ben}`]: { score: "12", unitsLate: 1, privateNote: "Grüße" },
  });
});

it("makes the same course of bytes again, part by part; an empty course stays empty", () => {
  const packed = packedState(state);
  expect(packed.parts.filter(({ table }) => table === "results")).toMatchObject([{ cut: quiz }]);
  expect(packed.parts.reduce((sum, { length }) => sum + length, 0)).toBe(packed.bytes.length);
  expect(unpackedState(packed)).toEqual(state);
  expect(unpackedState(packedState(EMPTY_STATE))).toEqual(EMPTY_STATE);
  expect(() => unpackedState({ ...packed, bytes: packed.bytes.slice(0, -1) })).toThrow(SyntaxError);
});

it("packs anew what changed, and hands the bytes of the rest out as they are", () => {
  const before = packedState(state);
  const changed = run(state, { type: "setScore", assignmentId: quiz, studentId: ben, text: "13" });
  const after = packedState(changed);
  expect(unpackedState(after)).toEqual(changed);
  expect(unpackedState(before)).toEqual(state);
});

it("makes a course of what was kept of it as one text; tables that it was kept without are empty ones", () => {
  const slim = { ...state, results: { [quiz]: slimRecords("results", state.results[quiz] ?? {}) } };
  expect(fullState(JSON.parse(JSON.stringify(slim)) as typeof slim)).toEqual(state);
  expect(fullState({})).toEqual(EMPTY_STATE);
});
