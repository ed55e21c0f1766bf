/** One possible pair with its weight, a positive whole number. */
export interface WeightedPair<L, R> {
  readonly left: L;
  readonly right: R;
  readonly weight: number;
}

/**
 * Pairs every left with at most one right and the other way round, so that the weights of all pairs come to the most there
 * is: shortest augmenting paths on the pairs that exist (Kuhn 1955; Ahuja, Magnanti, Orlin, Network Flows, 1993, ch. 12).
 * Of answers that weigh the same, the one found by the order of the pairs.
 */
export function bestAssignment<L, R>(pairs: readonly WeightedPair<L, R>[]): ReadonlyMap<L, R> {
  const byLeft = new Map<L, WeightedPair<L, R>[]>();
  for (const pair of pairs) byLeft.set(pair.left, [...(byLeft.get(pair.left) ?? []), pair]);
  const taken = new Map<R, WeightedPair<L, R>>();
  const given = new Map<L, WeightedPair<L, R>>();
  for (const left of byLeft.keys()) augment(byLeft, taken, given, left);
  return new Map([...given].map(([left, { right }]) => [left, right]));
}

interface Step<L, R> {
  readonly pair: WeightedPair<L, R>;
  /** What all weights together gain on the way to here. */
  readonly gain: number;
  readonly before: Step<L, R> | null;
}

/** Takes one more left in, along the way on which all weights together gain most; it may push another one out. */
function augment<L, R>(
  byLeft: ReadonlyMap<L, readonly WeightedPair<L, R>[]>,
  taken: Map<R, WeightedPair<L, R>>,
  given: Map<L, WeightedPair<L, R>>,
  start: L,
): void {
  const best = new Map<R, Step<L, R>>();
  const queue: { readonly left: L; readonly gain: number; readonly before: Step<L, R> | null }[] = [
    { left: start, gain: 0, before: null },
  ];
  /** Where the way ends: at a right that nobody has, or at a left that goes without. */
  let end: { readonly step: Step<L, R>; readonly without: L | null; readonly gain: number } | null = null;
  for (let at = queue[0]; at; queue.shift(), at = queue[0]) {
    for (const pair of byLeft.get(at.left) ?? []) {
      if (given.get(at.left) === pair) continue;
      const gain = at.gain + pair.weight;
      if (gain <= (best.get(pair.right)?.gain ?? -Infinity)) continue;
      const step: Step<L, R> = { pair, gain, before: at.before };
      best.set(pair.right, step);
      const holder = taken.get(pair.right);
      const after = holder ? gain - holder.weight : gain;
      if (after > (end?.gain ?? 0)) end = { step, without: holder?.left ?? null, gain: after };
      if (holder) queue.push({ left: holder.left, gain: after, before: step });
    }
  }
  if (!end) return;
  if (end.without !== null) given.delete(end.without);
  for (let step: Step<L, R> | null = end.step; step; step = step.before) {
    taken.set(step.pair.right, step.pair);
    given.set(step.pair.left, step.pair);
  }
}
