/** Narrows away null and undefined where a missing value can only be a programmer's error. @throws RangeError */
export function required<T>(value: T | null | undefined, what: string): T {
  if (value === null || value === undefined) throw new RangeError(`${what} is not there`);
  return value;
}
