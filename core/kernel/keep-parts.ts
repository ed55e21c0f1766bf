const isPlain = (value: unknown): value is Record<string, unknown> =>
  typeof value === "object" && value !== null && Object.getPrototypeOf(value) === Object.prototype;

function keepInList(before: readonly unknown[], next: readonly unknown[]): readonly unknown[] {
  const kept = next.map((item, place) => keepParts(before[place], item));
  return before.length === next.length && kept.every((item, place) => item === before[place]) ? before : kept;
}

function keepInRecord(before: Record<string, unknown>, next: Record<string, unknown>): Record<string, unknown> {
  const names = Object.keys(next);
  const kept = Object.fromEntries(names.map((name) => [name, keepParts(before[name], next[name])]));
  const isAsBefore =
    names.length === Object.keys(before).length &&
    names.every((name) => Object.hasOwn(before, name) && kept[name] === before[name]);
  return isAsBefore ? before : kept;
}

/**
 * `next`, in which every part that equals the same part of `before` is that very object, so that whoever shows it sees by
 * identity what became another. Goes into lists and plain objects; anything else is kept only where it is the same.
 */
export function keepParts<T>(before: T | undefined, next: T): T;
export function keepParts(before: unknown, next: unknown): unknown {
  if (Object.is(before, next)) return before;
  if (Array.isArray(before) && Array.isArray(next)) return keepInList(before, next);
  return isPlain(before) && isPlain(next) ? keepInRecord(before, next) : next;
}
