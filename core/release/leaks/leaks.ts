import {
  closed,
  compare,
  fractionText,
  fromDecimal,
  larger,
  smaller,
  ZERO,
  type AssignmentId,
  type Exact,
  type Interval,
  type StudentId,
} from "#core/kernel";
import { courseOf, totalSealOf, type Assignment, type CourseState } from "#core/model";
import { figuresOf, type Item } from "#core/totals";
import { leakTotals } from "./leak-totals";
import type { Source, Total } from "./narrowing";
import { narrowAlike } from "./patterns";
import { countSteps, stepOf, verdictOf, type Verdict } from "./verdict";
import { isShown } from "../visibility";
import { entersTotals, givenValue, shownTo, type ShownTotal } from "../shown-totals";

/** A sealed score that enters a visible total, with what follows about it. */
export interface Leak {
  readonly assignmentId: AssignmentId;
  readonly verdict: Verdict;
  /** All values consistent with what is visible, in points. */
  readonly interval: Interval;
  readonly maximum: Exact;
  /** The sealed score itself, in points. */
  readonly score: Exact;
  /** Scores on the score's step that lie in the interval. */
  readonly scoresLeft: number;
  /** What it follows from. */
  readonly from: "totals" | "rubric";
  /** The totals it follows from, the nearest first; empty where it follows from the rubric. */
  readonly through: readonly Through[];
}

/** A total that was on show and takes the sealed score in. */
export interface Through {
  readonly totalId: string;
  /** As it was shown: the figure with the course's places, or the letter. */
  readonly text: string;
  readonly shows: "percent" | "letter";
  /** Scores in it that the student knows. */
  readonly known: number;
  /** Scores in it that are sealed, this one with them. */
  readonly sealed: number;
}

/** A state of the course in which a student saw totals, and which of them; null for all that are open in it. */
export interface Observation {
  readonly state: CourseState;
  readonly totals: ReadonlySet<string> | null;
}

/** What one student could work out. */
export interface LeakReport {
  readonly studentId: StudentId;
  readonly leaks: readonly Leak[];
  /** Visible totals that their parts cannot give; never to be taken as safe. */
  readonly inconsistent: readonly string[];
  /** Visible totals that may leap when a score moves, and are not used; not to be taken as safe either. */
  readonly unchecked: readonly string[];
}

/**
 * Checks one student against the totals they saw, each as it was when they saw it: a total seen before and after a change
 * tells the change. Left out, they see the totals that are open now. The student is taken to know the rules, the weights,
 * the maxima and every released value.
 */
export function leaksOf(
  state: CourseState,
  studentId: StudentId,
  observed: readonly Observation[] = [{ state, totals: null }],
): LeakReport {
  const hidden = new Map<string, Interval>();
  const hasHidden = new Set<AssignmentId>();
  const known = knownTo([...new Set([state, ...observed.map((one) => one.state)])], studentId);
  const leaf = (assignment: Assignment, item: Item): Source => {
    if (!entersTotals(item)) return { kind: "known", value: null };
    if (known(assignment, item.value)) return { kind: "known", value: item.value };
    // A value that has not changed since is the same unknown then and now.
    const id = hiddenId(assignment, item.value);
    const maximum = fromDecimal(assignment.points);
    hidden.set(id, closed(smaller(ZERO, item.value), larger(maximum, item.value)));
    hasHidden.add(assignment.id);
    return { kind: "hidden", id, like: likeOf(item) };
  };
  const found = observed.map((one) => {
    const shown = shownTo(one.state, studentId);
    return { ...leakTotals(one.state, studentId, leaf, one.totals, shown), at: one.state, shown: shown.totals };
  });
  const { intervals, inconsistent } = narrowAlike(
    state,
    found.flatMap((totals) => totals.trees),
    hidden,
  );
  const through = throughTotals(found);
  const { source } = figuresOf(state).evaluatedNow(studentId);
  const fromTotals = Object.values(state.assignments).flatMap((assignment) => {
    if (!hasHidden.has(assignment.id)) return [];
    const { value } = source(assignment);
    if (value === null || known(assignment, value)) return [];
    const id = hiddenId(assignment, value);
    const [interval, before] = [intervals.get(id), hidden.get(id)];
    if (!interval || !before) return [];
    return [leakOf(state, assignment, { value, interval, before, through: through.get(id) ?? [] })];
  });
  return {
    studentId,
    leaks: [...fromTotals, ...throughRubrics(state, studentId)],
    inconsistent,
    unchecked: [...new Set(found.flatMap(({ unchecked }) => unchecked))],
  };
}

/** Whether a student knows a value of an assignment at any of several times; what they were given is read once for each. */
function knownTo(
  times: readonly CourseState[],
  studentId: StudentId,
): (assignment: Assignment, value: Exact) => boolean {
  const given = new Map<Assignment, readonly Exact[]>();
  return (assignment, value) => {
    let values = given.get(assignment);
    if (!values) {
      values = times.flatMap((at) => givenValue(at, assignment, studentId) ?? []);
      given.set(assignment, values);
    }
    return values.some((one) => compare(one, value) === 0);
  };
}

/** What decides how an item enters its category beside its value. */
const likeOf = ({ points, bonus, alwaysCounts, standing }: Item): string =>
  [fractionText(points), bonus, alwaysCounts, standing].join(" ");

const hiddenId = (assignment: Assignment, value: Exact): string => `${assignment.id}=${fractionText(value)}`;

/** For each hidden value the shown totals it enters, the nearest first. */
function throughTotals(
  found: readonly {
    readonly trees: readonly Total[];
    readonly at: CourseState;
    readonly shown: readonly ShownTotal[];
  }[],
): ReadonlyMap<string, readonly Through[]> {
  const through = new Map<string, Through[]>();
  for (const { trees, at, shown } of found) {
    const texts = new Map(shown.map(({ id, text }) => [id, text]));
    const visit = (source: Source): { readonly known: number; readonly ids: readonly string[] } => {
      if (source.kind === "known") return { known: source.value === null ? 0 : 1, ids: [] };
      if (source.kind === "hidden") return { known: 0, ids: [source.id] };
      const parts = source.parts.map(visit);
      const ids = parts.flatMap((part) => part.ids);
      const known = parts.reduce((count, part) => count + part.known, 0);
      const text = source.shown ? texts.get(source.id) : undefined;
      if (text === undefined) return { known, ids };
      const { shows } = totalSealOf(at, source.id);
      for (const id of ids) {
        const list = through.get(id) ?? [];
        list.push({ totalId: source.id, text, shows, known, sealed: ids.length });
        through.set(id, list);
      }
      return { known, ids };
    };
    trees.forEach(visit);
  }
  return through;
}

/** Scores whose rubric detail is out while they are sealed: the points add up to them. */
function throughRubrics(state: CourseState, studentId: StudentId): Leak[] {
  const figures = figuresOf(state).figures(studentId);
  return Object.values(state.assignments).flatMap((assignment, place): Leak[] => {
    const score = figures[place]?.rubric?.score;
    const isOpen = (facet: "rubric" | "score") => isShown(state, assignment, studentId, facet);
    if (!score || !isOpen("rubric") || isOpen("score")) return [];
    const maximum = fromDecimal(assignment.points);
    return [
      {
        assignmentId: assignment.id,
        verdict: "certain",
        interval: closed(score, score),
        maximum,
        score,
        scoresLeft: 1,
        from: "rubric",
        through: [],
      },
    ];
  });
}

function leakOf(
  state: CourseState,
  assignment: Assignment,
  found: {
    readonly value: Exact;
    readonly interval: Interval;
    readonly before: Interval;
    readonly through: readonly Through[];
  },
): Leak {
  const { value, interval, before, through } = found;
  const maximum = fromDecimal(assignment.points);
  const scoresLeft = countSteps(interval, stepOf(state, assignment));
  const verdict = verdictOf(courseOf(state), interval, before, maximum, scoresLeft);
  return {
    assignmentId: assignment.id,
    verdict,
    interval,
    maximum,
    score: value,
    scoresLeft,
    from: "totals",
    through,
  };
}
