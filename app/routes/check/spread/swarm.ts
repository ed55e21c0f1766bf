import type { MarkedPaper } from "#core/statistics";

/** A paper with how far its dot stands from the middle of its row, in steps: 0, 1, -1, 2, -2. */
export interface SwarmDot {
  readonly paper: MarkedPaper;
  readonly step: number;
}

/** Steps a dot may stand from the middle; beyond them dots lie on one another. */
const MOST = 2;

/** Places dots that would lie on one another beside each other; `near` is the distance in points that still covers. */
export function swarm(papers: readonly MarkedPaper[], near: number): SwarmDot[] {
  const last = new Map<number, number>();
  const steps = [0, ...Array.from({ length: MOST }, (_, at) => [at + 1, -at - 1]).flat()];
  return [...papers]
    .sort((a, b) => a.points - b.points)
    .map((paper) => {
      const free = steps.find((step) => paper.points - (last.get(step) ?? Number.NEGATIVE_INFINITY) >= near);
      const step = free ?? 0;
      last.set(step, paper.points);
      return { paper, step };
    });
}
