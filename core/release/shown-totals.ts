import {
  compare,
  fromFraction,
  HUNDRED,
  ratio,
  rounded,
  roundToText,
  subtract,
  add,
  ZERO,
  type Exact,
  type Interval,
  type StudentId,
} from "#core/kernel";
import { copyOf, courseOf, totalSealOf, type Assignment, type Course, type CourseState } from "#core/model";
import {
  bandsFromTop,
  categoryTotals,
  evaluate,
  figuresOf,
  itemOf,
  leastReaching,
  letterOf,
  planOf,
  type Item,
  type ItemSource,
  type CountingRules,
  type EvaluatedNow,
} from "#core/totals";
import { isShown } from "./visibility";

/** A total that a student can see, exactly as it is shown. */
export interface ShownTotal {
  /** `course`, a category or a term. */
  readonly id: string;
  readonly exact: Exact;
  /** The figure with the course's places, or the letter alone. */
  readonly text: string;
  /** What the text says about the figure: all figures that would be shown the same. */
  readonly interval: Interval;
}

/** The item an assignment is in totals that rest on released scores only: the fixed copy, or nothing at all. */
function releasedItem(state: CourseState, assignment: Assignment, studentId: StudentId): Item {
  const own = itemOf(assignment, figuresOf(state).figure(assignment.id, studentId));
  const copy = isShown(state, assignment, studentId, "score") && copyOf(state, assignment.id, studentId).score?.content;
  if (!copy) return { ...own, value: null, standing: "notCounted" };
  const counted = copy.exact === null ? null : fromFraction(copy.exact);
  return itemOf(assignment, { standing: copy.standing, counted, wordsOnly: copy.level !== null && counted === null });
}

/** The value of an assignment that a student has been given and sees; null where there is none. */
export function givenValue(state: CourseState, assignment: Assignment, studentId: StudentId): Exact | null {
  if (!isShown(state, assignment, studentId, "score")) return null;
  const exact = copyOf(state, assignment.id, studentId).score?.content.exact;
  return exact == null ? null : fromFraction(exact);
}

/** Whether a student has been given the very value that enters the totals. */
export function knowsValue(state: CourseState, assignment: Assignment, studentId: StudentId, value: Exact): boolean {
  const given = givenValue(state, assignment, studentId);
  return given !== null && compare(given, value) === 0;
}

/** Whether an item takes part in totals at all. */
export const entersTotals = (item: Item): item is Item & { readonly value: Exact } =>
  item.value !== null && item.standing !== "notCounted";

/** The totals shown to one student, and what they are made of. */
export interface Shown extends EvaluatedNow {
  readonly totals: readonly ShownTotal[];
}

/** What the totals shown to a student are made of (handbook, section 8). */
function shownBasis(state: CourseState, studentId: StudentId): EvaluatedNow {
  if (courseOf(state).totalsRestOn === "all") return figuresOf(state).evaluatedNow(studentId);
  const items = new Map<Assignment, Item>();
  const source: ItemSource = (assignment) => {
    let item = items.get(assignment);
    if (!item) items.set(assignment, (item = releasedItem(state, assignment, studentId)));
    return item;
  };
  return { source, evaluated: evaluate(planOf(state), source, "now") };
}

/** The totals whose seals are broken, as one student sees them, with what they are made of, for all that is asked about them. */
export function shownTo(state: CourseState, studentId: StudentId): Shown {
  const basis = shownBasis(state, studentId);
  return { ...basis, totals: totalsShown(state, basis) };
}

/** The totals whose seals are broken, as one student sees them. */
export const shownTotals = (state: CourseState, studentId: StudentId): readonly ShownTotal[] =>
  shownTo(state, studentId).totals;

function totalsShown(state: CourseState, { source, evaluated }: EvaluatedNow): ShownTotal[] {
  const plan = planOf(state);
  const open = (id: string) => totalSealOf(state, id).state === "released";
  const found: ShownTotal[] = [];
  const note = (id: string, exact: Exact | null) => {
    if (!exact || !open(id)) return;
    const seal = totalSealOf(state, id);
    const letter = seal.shows === "letter" ? letterOf(plan.course, exact) : null;
    if (seal.shows === "letter" && letter === null) return;
    const text = letter ?? roundToText(exact, plan.course.percentPlaces);
    const interval = letter === null ? displayedInterval(exact, plan.course) : letterInterval(exact, plan.course);
    found.push({ id, exact, text, interval });
  };
  note("course", evaluated.percent);
  for (const { term, total } of evaluated.terms) if (term) note(term.id, total.percent);
  if (Object.keys(state.categories).some(open)) {
    for (const [id, total] of categoryTotals(plan, source, "now", evaluated)) note(id, total.percent);
  }
  return found;
}

/** All figures that are displayed as this one: half a last place around it, the end away from zero outside. */
export function displayedInterval(exact: Exact, { percentPlaces }: Pick<Course, "percentPlaces">): Interval {
  const displayed = rounded(exact, percentPlaces);
  const half = ratio(1n, 2n * 10n ** BigInt(percentPlaces));
  const sign = compare(displayed, ZERO);
  return {
    low: subtract(displayed, half),
    lowIncluded: sign > 0,
    high: add(displayed, half),
    highIncluded: sign < 0,
  };
}

/** All figures with the same letter. The highest band has no end above; it ends far beyond any total. */
export function letterInterval(exact: Exact, course: CountingRules): Interval {
  const bands = bandsFromTop(course.letters);
  const place = bands.findIndex(({ letter }) => letter === letterOf(course, exact));
  const band = bands[place];
  const next = bands[place - 1];
  const far = add(exact, ratio(10_000n, 1n));
  return {
    low: band ? leastReaching(course, band.from) : subtract(ZERO, HUNDRED),
    lowIncluded: true,
    high: next ? leastReaching(course, next.from) : far,
    highIncluded: false,
  };
}
