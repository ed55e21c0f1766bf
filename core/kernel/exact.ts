/**
 * An exact rational number: `n / d`, reduced, `d` above 0. Every figure between entry and display is one of these,
 * so that no binary floating point decides a total, a comparison or a letter.
 */
export interface Exact {
  readonly n: bigint;
  readonly d: bigint;
}

function gcd(a: bigint, b: bigint): bigint {
  let x = a < 0n ? -a : a;
  let y = b;
  while (y !== 0n) [x, y] = [y, x % y];
  return x;
}

/** @throws RangeError when `d` is 0: a division by zero is a programmer's error, callers ask first. */
export function ratio(n: bigint, d: bigint): Exact {
  if (d === 0n) throw new RangeError("ratio with denominator 0");
  const [top, bottom] = d < 0n ? [-n, -d] : [n, d];
  if (bottom === 1n) return { n: top, d: 1n };
  const common = gcd(top, bottom);
  return common === 1n ? { n: top, d: bottom } : { n: top / common, d: bottom / common };
}

/** An exact whole number. @throws RangeError when `value` has a fraction. */
export const whole = (value: number | bigint): Exact => ({ n: BigInt(value), d: 1n });

/** Exactly 0. */
export const ZERO: Exact = whole(0);
/** Exactly 100, for percentages. */
export const HUNDRED: Exact = whole(100);

/** Exact sum, reduced. */
export const add = (a: Exact, b: Exact): Exact =>
  a.d === b.d ? ratio(a.n + b.n, a.d) : ratio(a.n * b.d + b.n * a.d, a.d * b.d);
/** Exact difference, reduced. */
export const subtract = (a: Exact, b: Exact): Exact => add(a, { n: -b.n, d: b.d });
/** Exact product, reduced. */
export const multiply = (a: Exact, b: Exact): Exact => ratio(a.n * b.n, a.d * b.d);
/** @throws RangeError when `b` is 0. */
export const divide = (a: Exact, b: Exact): Exact => ratio(a.n * b.d, a.d * b.n);

/** Below 0, 0 or above 0, as `a` is less than, equal to or greater than `b`. */
export function compare(a: Exact, b: Exact): number {
  const difference = a.n * b.d - b.n * a.d;
  return difference < 0n ? -1 : difference > 0n ? 1 : 0;
}

/** The smaller of two; the first where they are equal. */
export const smaller = (a: Exact, b: Exact): Exact => (compare(a, b) <= 0 ? a : b);
/** The larger of two; the first where they are equal. */
export const larger = (a: Exact, b: Exact): Exact => (compare(a, b) >= 0 ? a : b);
/** Exact sum of a list; 0 for an empty one. */
export const sum = (values: readonly Exact[]): Exact => values.reduce(add, ZERO);
/** Whether a figure is exactly 0. */
export const isZero = (value: Exact): boolean => value.n === 0n;

/** The nearest double, for drawing and statistics only, never for a decision. */
export const toNumber = (value: Exact): number => Number(value.n) / Number(value.d);

/** A figure as text that loses nothing: `114/205`. */
export const fractionText = ({ n, d }: Exact): string => `${String(n)}/${String(d)}`;

/** Reads what `fractionText` wrote. @throws RangeError when the text is no fraction */
export function fromFraction(text: string): Exact {
  const [top, bottom, ...rest] = text.split("/");
  if (!top || !bottom || rest.length > 0) throw new RangeError(`not a fraction: ${text}`);
  return ratio(BigInt(top), BigInt(bottom));
}
