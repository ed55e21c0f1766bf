import { describe, expect, it } from "vitest";
import { decimal, required } from "#core/kernel";
import type { Scaling } from "#core/model";
import { tScaling } from "#core/scoring";
import { assignmentId, reference, wholeClass, withScores } from "#core/testing";
import { givenScores, scalingPreview } from "../index";

const work = assignmentId("work");
const tried = (scores: readonly number[], scaling: Scaling | null) => {
  const state = withScores(wholeClass(scores.length), work, scores);
  return scalingPreview(state, required(state.assignments[work], "work"), scaling);
};

describe("a scaling that is tried", () => {
  it("by square root, as arithmetic has it", () => {
    const { input, expected } = reference<{ percent: number[] }, { curved: number[] }>("curve.sqrt");
    tried(input.percent, { kind: "squareRoot" }).papers.forEach(({ after }, at) => {
      // What is not rational is kept to four places.
      expect(after).toBeCloseTo(expected.curved[at] ?? 0, 4);
    });
  });

  it("to T scores with the population's deviation (McCall 1922; numpy and scipy zscore)", () => {
    const { input, expected } = reference<{ scores: number[] }, { tPopulation: number[] }>("curve.tscore");
    const state = withScores(wholeClass(input.scores.length), work, input.scores);
    const given = givenScores(state, required(state.assignments[work], "work"));
    const scaling = tScaling(given);
    expect(scaling.ok).toBe(true);
    if (!scaling.ok) return;
    tried(input.scores, scaling.value).papers.forEach(({ after }, at) => {
      expect(after).toBeCloseTo(expected.tPopulation[at] ?? 0, 3);
    });
  });

  it("tells who gains, who loses and who would stand above the maximum", () => {
    const line: Scaling = { kind: "linear", x1: decimal("0"), y1: decimal("20"), x2: decimal("50"), y2: decimal("50") };
    const { gain, lose, above, papers } = tried([40, 50, 60], line);
    expect([gain.length, lose.length, above]).toEqual([1, 1, 0]);
    expect(papers.map(({ before, after }) => [before, after])).toEqual([
      [40, 44],
      [50, 50],
      [60, 56],
    ]);
    expect(tried([96, 90], { kind: "add", points: decimal("5") }).above).toBe(1);
  });

  it("begins from the scores as they were given, also where a scaling is in force", () => {
    const state = withScores(wholeClass(2), work, [40, 60]);
    const plain = required(state.assignments[work], "work");
    const scaled = { ...plain, scaling: { kind: "add", points: decimal("10") } as const };
    const now = { ...state, assignments: { [work]: scaled } };
    expect(givenScores(now, scaled).map(({ n, d }) => Number(n) / Number(d))).toEqual([40, 60]);
    expect(scalingPreview(now, scaled, null).papers.map(({ before, after }) => [before, after])).toEqual([
      [50, 40],
      [70, 60],
    ]);
  });
});
