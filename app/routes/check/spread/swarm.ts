import type { MarkedPaper } from "#core/statistics";

/** A paper with how far its dot stands from the middle of its row, in steps: 0, 1, -1, 2, -2. */
export interface SwarmDot {
  readonly paper: MarkedPaper;
  readonly step: number;
  /** Papers of the very same points that this dot stands for as well, where there is no room left beside it. */
  readonly more: number;
}

/** Steps a dot may stand from the middle; beyond them dots lie on one another. */
const MOST = 2;

/** Places dots that would lie on one another beside each other; `near` is the distance in points that still covers. */
export function swarm(papers: readonly MarkedPaper[], near: number): SwarmDot[] {
  const last = new Map<number, number>();
  const steps = [0, ...Array.from({ length: MOST }, (_, at) => [at + 1, -at - 1]).flat()];
  const dots: { paper: MarkedPaper; step: number; more: number }[] = [];
  let middle = -1;
  for (const paper of [...papers].sort((a, b) => a.points - b.points)) {
    const free = steps.find((step) => paper.points - (last.get(step) ?? Number.NEGATIVE_INFINITY) >= near);
    const below = free === undefined ? dots[middle] : undefined;
    if (below?.paper.points === paper.points) {
      below.more += 1;
      continue;
    }
    const step = free ?? 0;
    last.set(step, paper.points);
    if (step === 0) middle = dots.length;
    dots.push({ paper, step, more: 0 });
  }
  return dots;
}
