/** The middle one of some times; of an even number the later of the two. Nothing for none. */
export const median = (times: readonly number[]): number =>
  [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)] ?? 0;
