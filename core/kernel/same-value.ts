type Fields = Readonly<Record<string, unknown>>;

/** Whether two values of plain data (as in JSON) are equal; the order of an object's keys does not matter. */
export function sameValue(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (typeof a !== "object" || typeof b !== "object" || a === null || b === null) return false;
  if (Array.isArray(a) !== Array.isArray(b)) return false;
  const keys = Object.keys(a);
  return (
    keys.length === Object.keys(b).length &&
    keys.every((key) => Object.hasOwn(b, key) && sameValue((a as Fields)[key], (b as Fields)[key]))
  );
}
