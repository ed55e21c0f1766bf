import { decimal, required } from "#core/kernel";
import { blankRecord, studentsOf, withRecords, type CourseState } from "#core/model";
import { criteriaOf, findOverlaps, oddFound, quotationsIn, spreadOf } from "#core/statistics";
import { chance } from "../core/testing/naming-habits";

const NOBODY = new Map();

/** Milliseconds for spread and criteria of 1,000 students, and for the list of what looks odd of one assignment. */
export function measureCheck(state: CourseState): {
  readonly shown: number;
  readonly odd: number;
  readonly again: number;
} {
  const assignment = required(
    Object.values(state.assignments).find(({ rubricId }) => rubricId !== null),
    "assignment",
  );
  const order = () => studentsOf(state).map(({ id }) => id);
  const start = performance.now();
  spreadOf(state, assignment, new Map());
  criteriaOf(state, assignment, new Map(), order);
  const shown = performance.now() - start;
  oddFound(state, assignment, NOBODY, order);
  const odd = performance.now() - start - shown;
  // Another assignment has changed: what was found of this one stands.
  const other = required(
    Object.values(state.assignments).find(({ rubricId }) => rubricId === null),
    "another",
  );
  const key = Object.keys(state.results[other.id] ?? {})[0] ?? "";
  const record = { ...blankRecord("results", key), score: decimal("1") };
  const changed = withRecords(state, "results", [record]);
  const begun = performance.now();
  oddFound(changed, assignment, NOBODY, order);
  return { shown, odd, again: performance.now() - begun };
}

/** Milliseconds to hold 300 papers of 1,500 words against each other, a paragraph shared by every tenth pair. */
export function measureOverlap(): number {
  const next = chance(7);
  const word = () => next(4_000).toString(36) + "ing";
  const words = (count: number) => Array.from({ length: count }, word).join(" ");
  const shared = Array.from({ length: 15 }, () => words(60));
  const texts = Array.from({ length: 300 }, (_, at) => {
    const own = words(at % 10 === 0 ? 1_440 : 1_500);
    const text = at % 10 === 0 ? `${own} ${shared[Math.floor(at / 20)] ?? ""}` : own;
    return { id: String(at), text, given: quotationsIn(text) };
  });
  const start = performance.now();
  findOverlaps(texts, words(200));
  return performance.now() - start;
}
