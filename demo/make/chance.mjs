/** Numbers from 0 to 1 that look like chance and are the same for the same seed. */
export const chance = (seed) => {
  let state = seed * 2_654_435_761 + 12_345;
  return () => {
    state = (state * 1_103_515_245 + 12_345) % 2_147_483_648;
    return state / 2_147_483_648;
  };
};
