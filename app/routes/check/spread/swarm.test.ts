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

  it("stand for several papers of the same points only where five are already there", () => {
    const dots = swarm(papers(10, 10, 10, 10, 10, 10, 10), 2);
    expect(dots.map(({ step, more }) => [step, more])).toEqual([
      [0, 2],
      [1, 0],
      [-1, 0],
      [2, 0],
      [-2, 0],
    ]);
  });

  it("lie on one another where there is no room and the points differ", () => {
    const dots = swarm(papers(10, 10, 10, 10, 10, 11, 11, 12), 2);
    expect(dots.map(({ paper, step, more }) => [paper.points, step, more])).toEqual([
      [10, 0, 0],
      [10, 1, 0],
      [10, -1, 0],
      [10, 2, 0],
      [10, -2, 0],
      [11, 0, 1],
      [12, 1, 0],
    ]);
  });
});
