import { describe, expect, it } from "vitest";
import type { MarkedPaper } from "#core/statistics";
import { swarm } from "./swarm";

const papers = (...points: number[]) =>
  points.map((one, at) => ({ studentId: `student:${String(at)}`, points: one }) as MarkedPaper);
const places = (near: number, ...points: number[]) =>
  swarm(papers(...points), near).map(({ paper, step }) => [paper.points, step]);

describe("dots of a row", () => {
  it("stand in the middle where nothing is near, and beside each other where they would cover one another", () => {
    expect(places(2, 30, 10, 20)).toEqual([
      [10, 0],
      [20, 0],
      [30, 0],
    ]);
    expect(places(2, 10, 10, 11, 13)).toEqual([
      [10, 0],
      [10, 1],
      [11, -1],
      [13, 0],
    ]);
  });

  it("lie on one another only where five are already there", () => {
    expect(places(2, 10, 10, 10, 10, 10, 10).map(([, step]) => step)).toEqual([0, 1, -1, 2, -2, 0]);
  });
});
