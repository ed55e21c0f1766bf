import values from "./reference.json";

/** A value from outside the project: where it comes from, what goes in and what must come out. */
export interface ReferenceCheck<I, E> {
  readonly title: string;
  readonly source: string;
  readonly status: string;
  readonly input: I;
  readonly expected: E;
}

/** A check by its id. @throws RangeError when there is no such check */
export function reference<I, E>(id: string): ReferenceCheck<I, E> {
  const found = (values as Record<string, unknown>)[id];
  if (!found) throw new RangeError(`no reference check ${id}`);
  return found as ReferenceCheck<I, E>;
}
