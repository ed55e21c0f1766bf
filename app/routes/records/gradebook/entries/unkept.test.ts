import { describe, expect, it } from "vitest";
import type { AssignmentId, StudentId } from "#core/kernel";
import { draftPlace, leftEntries, NOTHING_UNKEPT, outrunDrafts, unkeptPlaces, withUnkept } from "./unkept";

const cell = (assignment: string, student: string) => ({
  assignmentId: `assignment:${assignment}` as AssignmentId,
  studentId: `student:${student}` as StudentId,
});

describe("entries that are not kept", () => {
  it("leave the rows of other students as they are", () => {
    const before = withUnkept(NOTHING_UNKEPT, cell("quiz", "ilse"), { text: "12", words: "Above the maximum." });
    const after = withUnkept(before, cell("quiz", "jorun"), { text: "abc", words: null });
    expect(after.get(cell("", "ilse").studentId)).toBe(before.get(cell("", "ilse").studentId));
    expect(unkeptPlaces(after)).toEqual([cell("quiz", "ilse"), cell("quiz", "jorun")]);
  });

  it("are the same object where one is let go that is not there", () => {
    const before = withUnkept(NOTHING_UNKEPT, cell("quiz", "ilse"), { text: "12", words: null });
    expect(withUnkept(before, cell("memo", "ilse"), null)).toBe(before);
    expect(withUnkept(before, cell("quiz", "ilse"), null).size).toBe(0);
  });

  it("come back from the drafts, but for cells that no longer exist, and for those in which what was begun is kept", () => {
    const kept = new Map<string, unknown>([
      [draftPlace(cell("quiz", "ilse")), "12"],
      [draftPlace(cell("gone", "ilse")), "3"],
      [draftPlace(cell("quiz", "jorun")), { no: "text" }],
      [draftPlace(cell("quiz", "kai")), "3"],
    ]);
    const drafts = {
      placesUnder: (beginning: string) => [...kept.keys()].filter((place) => place.startsWith(beginning)),
      at: (place: string) => ({ value: kept.get(place), seen: "7" }),
    };
    const present = ({ assignmentId, studentId }: ReturnType<typeof cell>) =>
      assignmentId === "assignment:gone" ? null : studentId === "student:kai" ? "36" : "7";
    const found = leftEntries(drafts, present);
    expect(outrunDrafts(drafts, present)).toEqual([draftPlace(cell("quiz", "kai"))]);
    expect(unkeptPlaces(found)).toEqual([cell("quiz", "ilse")]);
    expect(found.get(cell("", "ilse").studentId)?.get(cell("quiz", "").assignmentId)).toEqual({
      text: "12",
      words: null,
    });
  });
});
