import {
  compare,
  divide,
  fromDecimal,
  HUNDRED,
  multiply,
  shuffledBy,
  subtract,
  toNumber,
  type StudentId,
} from "#core/kernel";
import { courseOf, type Assignment, type CourseState, type SampleWay } from "#core/model";
import { bandsFromTop, letterOf } from "#core/totals";
import { markedPapers, type MarkedPaper } from "./marked";

/**
 * The papers that a way of sampling chooses of those that are scored, in the order of the roster. By hand it is the
 * papers that are given.
 */
export function sampleOf(
  state: CourseState,
  assignment: Assignment,
  way: SampleWay,
  named: readonly StudentId[] = [],
): StudentId[] {
  const papers = markedPapers(state, assignment, new Map());
  const chosen = new Set(chosenOf(state, assignment, way, papers, named));
  return papers.map(({ studentId }) => studentId).filter((id) => chosen.has(id));
}

function chosenOf(
  state: CourseState,
  assignment: Assignment,
  way: SampleWay,
  papers: readonly MarkedPaper[],
  named: readonly StudentId[],
): readonly StudentId[] {
  const ids = papers.map(({ studentId }) => studentId);
  switch (way.kind) {
    case "named":
      return named;
    case "all":
      return ids;
    case "everyNth":
      return ids.filter((_, at) => at % way.every === way.every - 1);
    case "random":
      return shuffledBy(ids, way.seed).slice(0, way.count);
    case "byLetter":
      return byLetter(state, assignment, papers, way.each);
    case "nearBound":
      return nearBounds(state, assignment, papers, toNumber(fromDecimal(way.within)));
  }
}

/** So many papers of each letter, spread over its band. */
function byLetter(
  state: CourseState,
  assignment: Assignment,
  papers: readonly MarkedPaper[],
  each: number,
): StudentId[] {
  const course = courseOf(state);
  const maximum = fromDecimal(assignment.points);
  const bands = new Map<string, MarkedPaper[]>();
  for (const paper of papers) {
    const { counted } = paper.figure;
    if (!counted || maximum.n <= 0n) continue;
    const letter = letterOf(course, divide(multiply(counted, HUNDRED), maximum)) ?? "";
    bands.set(letter, [...(bands.get(letter) ?? []), paper]);
  }
  return [...bands.values()].flatMap((those) => {
    const rising = [...those].sort((a, b) => a.points - b.points);
    const count = Math.min(each, rising.length);
    return Array.from(
      { length: count },
      (_, at) => rising[Math.floor(((at + 0.5) * rising.length) / count)]?.studentId ?? [],
    ).flat();
  });
}

function nearBounds(
  state: CourseState,
  assignment: Assignment,
  papers: readonly MarkedPaper[],
  within: number,
): StudentId[] {
  const course = courseOf(state);
  const maximum = fromDecimal(assignment.points);
  const bounds = [...bandsFromTop(course.letters).map(({ from }) => from), course.passMark]
    .map((from) => divide(multiply(maximum, fromDecimal(from)), HUNDRED))
    .filter(({ n }) => n > 0n);
  return papers
    .filter(({ figure: { counted } }) =>
      bounds.some(
        (bound) => counted && Math.abs(toNumber(subtract(counted, bound))) <= within && compare(bound, maximum) <= 0,
      ),
    )
    .map(({ studentId }) => studentId);
}
