import { subtract, fromDecimal, toNumber, type Decimal, type StudentId } from "#core/kernel";
import { courseOf, studentsOf, type Band, type CourseState } from "#core/model";
import { bandsFromTop, figuresOf, letterOf } from "#core/totals";

/** A letter with the students whose total falls into it. */
export interface LetterCount {
  readonly band: Band;
  readonly studentIds: readonly StudentId[];
}

/** A student who stands just below a bound. */
export interface NearBound {
  readonly studentId: StudentId;
  /** The letter they would have. */
  readonly band: Band;
  readonly percent: number;
  /** Percentage points they lack. */
  readonly lacking: number;
}

/** The letters of a course as its totals stand now. */
export interface LetterFigures {
  /** From the highest to the lowest. */
  readonly letters: readonly LetterCount[];
  readonly near: readonly NearBound[];
  readonly withoutTotal: number;
  /** Totals in percent, by student. */
  readonly totals: ReadonlyMap<StudentId, number>;
}

/** How far below a bound counts as near, in percentage points. */
const NEAR = 0.5;

/** How many students have each letter, and who stands within half a point of the next. */
export function lettersOf(state: CourseState): LetterFigures {
  const course = courseOf(state);
  const { totals } = figuresOf(state);
  const bands = bandsFromTop(course.letters);
  const known = studentsOf(state).flatMap(({ id }) => {
    const { now, letter } = totals(id);
    return now ? [{ id, now, letter }] : [];
  });
  const near = known.flatMap(({ id, now, letter }): NearBound[] => {
    const place = bands.findIndex((band) => band.letter === letter);
    const next = letter === null ? bands.at(-1) : bands[place - 1];
    if (!next) return [];
    const lacking = toNumber(subtract(fromDecimal(next.from), now));
    return lacking <= NEAR ? [{ studentId: id, band: next, percent: toNumber(now), lacking }] : [];
  });
  return {
    letters: bands.map((band) => ({
      band,
      studentIds: known.filter(({ letter }) => letter === band.letter).map(({ id }) => id),
    })),
    near: near.sort((a, b) => a.lacking - b.lacking),
    withoutTotal: studentsOf(state).length - known.length,
    totals: new Map(known.map(({ id, now }) => [id, toNumber(now)])),
  };
}

/** A student whose letter would be another one. */
export interface LetterMove {
  readonly studentId: StudentId;
  readonly before: string | null;
  readonly after: string | null;
}

/** Who would move if the bounds were others. Nothing is changed by asking. */
export function lettersMoved(state: CourseState, letters: readonly Band[]): LetterMove[] {
  const course = courseOf(state);
  const { totals } = figuresOf(state);
  return studentsOf(state).flatMap(({ id }): LetterMove[] => {
    const { now, letter } = totals(id);
    if (!now) return [];
    const after = letterOf({ ...course, letters: [...letters] }, now);
    return after === letter ? [] : [{ studentId: id, before: letter, after }];
  });
}

/** The letter scale with one bound moved. */
export const withBound = (letters: readonly Band[], letter: string, from: Decimal): Band[] =>
  letters.map((band) => (band.letter === letter ? { ...band, from } : band));
