import type { StudentId } from "#core/kernel";
import {
  copyOf,
  courseOf,
  resultOf,
  releaseOf,
  studentsOf,
  judgementOf,
  notesOf,
  rubricOf,
  type Assignment,
  type Course,
  type CourseState,
  type Facet,
} from "#core/model";
import { lackingEvidence } from "#core/scoring";
import { figuresOf, unsettledPapers, type Figure } from "#core/totals";
import {
  classDifferenceLeaks,
  classFigureLeaks,
  classPapers,
  papersBetween,
  scoredCount,
  type ClassPapers,
} from "./give/class-figures";
import { repliesUnread } from "./conversation";
import { changedSinceRelease } from "./visibility";

/** Everything that can be found before a release, in the order it is listed. */
export const FINDING_CODES = [
  "leaks",
  "rubric_tells_score",
  "moderation_open",
  "moderation_unsettled",
  "class_too_small",
  "class_difference",
  "waiting",
  "undecided",
  "more_time_open",
  "above_maximum",
  "evidence_lacking",
  "replies_unread",
  "changed",
  "held_back",
  "no_comment",
  "all_scored",
] as const;
/** What can be found before a release. */
export type FindingCode = (typeof FINDING_CODES)[number];

/** One finding before a release; `stop` is one to think about, `look` one to know. Words are made at the screen. */
export interface Finding {
  readonly code: FindingCode;
  readonly weight: "stop" | "look" | "fine";
  readonly count: number;
  /** The papers the finding means, to go there. */
  readonly students: readonly StudentId[];
  /** The course wants it to stop a release. */
  readonly stops: boolean;
}

/** Findings that stop a release unless the course says otherwise: a sealed score given away by itself, a judgement not settled. */
const STOPPING: ReadonlySet<FindingCode> = new Set(["rubric_tells_score", "class_difference", "moderation_unsettled"]);

/** Whether a finding stops a release in a course. */
export function stopsRelease({ releaseStops, releasePasses }: Course, code: FindingCode): boolean {
  return STOPPING.has(code) ? !releasePasses.includes(code) : releaseStops.includes(code);
}

/** The rules of a course in which a finding stops a release, or does not. */
export function withStop(
  { releaseStops, releasePasses }: Course,
  code: FindingCode,
  stops: boolean,
): Pick<Course, "releaseStops" | "releasePasses"> {
  const set = (list: readonly string[], wanted: boolean) => [
    ...list.filter((one) => one !== code),
    ...(wanted ? [code] : []),
  ];
  return STOPPING.has(code)
    ? { releaseStops, releasePasses: set(releasePasses, !stops) }
    : { releaseStops: set(releaseStops, stops), releasePasses };
}

/** A state of the same course in which nothing stops a release. */
export function withoutStops(state: CourseState): CourseState {
  const course = courseOf(state);
  return {
    ...state,
    courses: { ...state.courses, [course.id]: { ...course, releaseStops: [], releasePasses: [...STOPPING] } },
  };
}

/** What is looked at before a release. */
interface Looking {
  readonly state: CourseState;
  readonly assignment: Assignment;
  readonly facets: readonly Facet[];
  /** Left out: every student. */
  readonly meant?: readonly { readonly id: StudentId }[] | undefined;
  /** Each set of papers that class figures were given out over before and may have been seen. */
  readonly earlier?: readonly ClassPapers[] | undefined;
}
type Test = (id: StudentId, figure: Figure) => boolean;

/** What makes a student count in a finding. */
function testsOf({ state, assignment, facets }: Looking): readonly (readonly [FindingCode, Finding["weight"], Test])[] {
  const visible = (facet: Facet) => releaseOf(state, assignment.id, facet).state === "released";
  const telling = facets.includes("rubric") && !facets.includes("score") && !visible("score");
  const changed = new Set(changedSinceRelease(state, assignment).map(({ student }) => student.id));
  const unread = new Set(repliesUnread(state, assignment));
  const rubric = rubricOf(state, assignment);
  return [
    [
      "rubric_tells_score",
      "stop",
      (id, { rubric: sum }) => telling && sum?.score != null && !copyOf(state, assignment.id, id).score,
    ],
    ["waiting", "look", (_id, { waiting }) => waiting],
    ["undecided", "look", (_id, { standing }) => standing === "expected" && !assignment.bonus],
    [
      "more_time_open",
      "look",
      (id, { standing }) => standing === "expected" && resultOf(state, assignment.id, id).moreTime !== null,
    ],
    ["above_maximum", "look", (_id, { aboveMaximum }) => aboveMaximum],
    [
      "evidence_lacking",
      "look",
      (id) => {
        if (!rubric) return false;
        const notes = notesOf(state, assignment.id, id);
        return lackingEvidence(rubric, ({ id: one }) => judgementOf(state, assignment.id, id, one), notes).length > 0;
      },
    ],
    ["replies_unread", "look", (id) => unread.has(id)],
    ["changed", "look", (id) => changed.has(id)],
    ["held_back", "look", (id) => resultOf(state, assignment.id, id).held],
    [
      "no_comment",
      "look",
      (id, { standing, counted }) =>
        facets.includes("comments") &&
        standing === "handedIn" &&
        counted !== null &&
        resultOf(state, assignment.id, id).overallComment.trim() === "" &&
        notesOf(state, assignment.id, id).length === 0,
    ],
  ];
}

/** Findings about the assignment as a whole. */
function wholeFindings({ state, assignment, facets, earlier = [] }: Looking): Omit<Finding, "stops">[] {
  const found: Omit<Finding, "stops">[] = [];
  if (assignment.held) found.push({ code: "moderation_open", weight: "stop", count: 1, students: [] });
  const unsettled = unsettledPapers(state, assignment);
  if (unsettled.length > 0) {
    found.push({ code: "moderation_unsettled", weight: "stop", count: unsettled.length, students: unsettled });
  }
  if (!facets.includes("classFigures")) return found;
  const count = scoredCount(state, assignment);
  if (classFigureLeaks(count)) found.push({ code: "class_too_small", weight: "look", count, students: [] });
  const papers = classPapers(state, assignment);
  const telling = earlier.filter((before) => classDifferenceLeaks(before, papers));
  if (!classFigureLeaks(count) && telling.length > 0) {
    const fewest = Math.min(...telling.map((before) => papersBetween(before, papers)));
    found.push({ code: "class_difference", weight: "stop", count: fewest, students: [] });
  }
  return found;
}

/**
 * What to know before the given facets of an assignment are released, to everyone or to the students meant. Leaks are
 * looked for apart, because they take longer.
 */
export function preflight(looking: Looking): Finding[] {
  const { state, assignment } = looking;
  const { figure } = figuresOf(state);
  const students = (looking.meant ?? studentsOf(state)).map(({ id }) => ({ id, figure: figure(assignment.id, id) }));
  const those = (test: Test) => students.filter((one) => test(one.id, one.figure)).map(({ id }) => id);
  const single = testsOf(looking).map(([code, weight, test]) => {
    const list = those(test);
    return { code, weight, count: list.length, students: list };
  });
  const found = [...wholeFindings(looking), ...single.filter(({ count }) => count > 0)];
  if (!found.some(({ code }) => code === "waiting" || code === "undecided")) {
    const done = those((_id, { standing, counted }) => counted !== null || standing === "excused");
    if (done.length > 0) found.push({ code: "all_scored", weight: "fine", count: done.length, students: done });
  }
  const course = courseOf(state);
  return found
    .map((finding) => ({ ...finding, stops: stopsRelease(course, finding.code) }))
    .sort((a, b) => FINDING_CODES.indexOf(a.code) - FINDING_CODES.indexOf(b.code));
}

/** The first finding that stops a release; null where nothing stops it. */
export const stopsOf = (looking: Looking): Finding | null => preflight(looking).find(({ stops }) => stops) ?? null;
