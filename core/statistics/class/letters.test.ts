import { describe, expect, it } from "vitest";
import { decimal } from "#core/kernel";
import { courseOf } from "#core/model";
import { assignmentId, classStudent, wholeClass, withScores } from "#core/testing";
import { lettersMoved, lettersOf, withBound } from "../index";

describe("letters of a course", () => {
  // A from 90, B from 80, F from 0; totals are compared as displayed, to one place.
  const state = withScores(wholeClass(7), assignmentId("work"), [95, 90, 89.96, 89.5, 80, 79.4, null]);

  it("are counted as the totals stand, with a total that is displayed at a bound in the upper letter", () => {
    const { letters, withoutTotal } = lettersOf(state);
    expect(letters.map(({ band, studentIds }) => [band.letter, studentIds.length])).toEqual([
      ["A", 3],
      ["B", 2],
      ["F", 1],
    ]);
    expect(withoutTotal).toBe(1);
  });

  it("name who stands within half a point of the next, the nearest first, and what they lack", () => {
    expect(
      lettersOf(state).near.map(({ studentId, band, lacking }) => [
        studentId,
        band.letter,
        Math.round(lacking * 100) / 100,
      ]),
    ).toEqual([[classStudent(3), "A", 0.5]]);
    const nearer = withScores(state, assignmentId("work"), [95, 90, 89.96, 89.5, 80, 79.7, null]);
    expect(lettersOf(nearer).near.map(({ studentId }) => studentId)).toEqual([classStudent(5), classStudent(3)]);
  });

  it("move with a bound that is tried, and nothing is changed by asking", () => {
    const tried = withBound(courseOf(state).letters, "A", decimal("89.5"));
    expect(lettersMoved(state, tried)).toEqual([{ studentId: classStudent(3), before: "B", after: "A" }]);
    expect(lettersMoved(state, courseOf(state).letters)).toEqual([]);
    expect(courseOf(state).letters[0]?.from).toBe("90");
  });
});
