/** How many times larger than packed a part may be. Our own text packs to a thirtieth; deflate alone could give 1,032. */
const MOST_TIMES = 200;
/** Packed bytes below which that is not asked. */
const FEW = 64;

/** Whether a part is so much larger than packed that reading takes it for a bomb. */
export const isSwollen = (size: number, packed: number): boolean => size > MOST_TIMES * Math.max(packed, FEW);
