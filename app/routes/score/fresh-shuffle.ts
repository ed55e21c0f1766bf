/** An order that nobody chose, as it stands in an address: a number from 1 to 100,000. */
export const freshShuffle = (): string => String(1 + ((crypto.getRandomValues(new Uint32Array(1))[0] ?? 0) % 100_000));
