/** The same order for the same number (Fisher and Yates' shuffle, driven by a linear congruential generator). */
export function shuffledBy<T>(list: readonly T[], seed: number): T[] {
  const out = [...list];
  let state = seed;
  for (let at = out.length - 1; at > 0; at -= 1) {
    state = (state * 1_103_515_245 + 12_345) % 2_147_483_648;
    const other = Math.floor((state / 2_147_483_648) * (at + 1));
    [out[at], out[other]] = [out[other] as T, out[at] as T];
  }
  return out;
}
