import { expect, it } from "vitest";
import { required } from "#core/kernel";
import { assignmentId, smallCourse } from "#core/testing";
import { sweepRows } from "./sweep-rows";

it("where names are hidden, files are called by the paper: students write theirs into the name of a file", () => {
  const state = smallCourse();
  const essay = required(state.assignments[assignmentId("essay")], "essay");
  const names = (nameless: boolean) =>
    sweepRows(state, essay, [], { criterion: null, nameless, shuffle: 0 })?.sheets.map(({ file }) => file?.name);
  expect(names(false)).toContain("ada.pdf");
  expect(names(true)).not.toContain("ada.pdf");
  expect(names(true)).toContain("Paper 1.pdf");
  const shown = sweepRows(state, essay, [], { criterion: null, nameless: true, shuffle: 0 })?.sheets[0]?.file;
  expect(sweepRows(state, essay, [], { criterion: null, nameless: true, shuffle: 0 })?.sheets[0]?.file).toBe(shown);
});
