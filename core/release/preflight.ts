import type { StudentId } from "#core/kernel";
import {
  copyOf,
  resultOf,
  releaseOf,
  studentsOf,
  judgementOf,
  notesOf,
  rubricOf,
  type Assignment,
  type CourseState,
  type Facet,
} from "#core/model";
import { lackingEvidence } from "#core/scoring";
import { figuresOf, type Figure } from "#core/totals";
import { repliesUnread } from "./conversation";
import { changedSinceRelease } from "./overview";

/** One finding before a release; `stop` is one to think about, `look` one to know. Words are made at the screen. */
export interface Finding {
  readonly code:
    | "waiting"
    | "undecided"
    | "above_maximum"
    | "no_comment"
    | "changed"
    | "rubric_tells_score"
    | "evidence_lacking"
    | "replies_unread"
    | "all_scored";
  readonly weight: "stop" | "look" | "fine";
  readonly count: number;
  /** The first paper the finding means, to go there. */
  readonly first: StudentId | null;
}

/** What to know before the given facets of an assignment are released. */
export function preflight(state: CourseState, assignment: Assignment, facets: readonly Facet[]): Finding[] {
  const { figure } = figuresOf(state);
  const students = studentsOf(state).map(({ id }) => ({ id, figure: figure(assignment.id, id) }));
  const finding = (
    code: Finding["code"],
    weight: Finding["weight"],
    test: (id: StudentId, figure: Figure) => boolean,
  ) => {
    const those = students.filter((student) => test(student.id, student.figure));
    return { code, weight, count: those.length, first: those[0]?.id ?? null };
  };
  const visible = (facet: Facet) => releaseOf(state, assignment.id, facet).state === "released";
  const scoreHidden = !facets.includes("score") && !visible("score");
  const telling = facets.includes("rubric") && scoreHidden;
  const changed = new Set(changedSinceRelease(state, assignment).map(({ student }) => student.id));
  const rubric = rubricOf(state, assignment);
  const unread = new Set(repliesUnread(state, assignment));
  const found = [
    finding(
      "rubric_tells_score",
      "stop",
      (id, { rubric }) => telling && rubric?.score != null && !copyOf(state, assignment.id, id).score,
    ),
    finding("waiting", "look", (_id, { waiting }) => waiting),
    finding("undecided", "look", (_id, { standing }) => standing === "expected" && !assignment.bonus),
    finding("above_maximum", "look", (_id, { aboveMaximum }) => aboveMaximum),
    finding("evidence_lacking", "look", (id) => {
      const notes = notesOf(state, assignment.id, id);
      const lacking =
        rubric && lackingEvidence(rubric, ({ id: one }) => judgementOf(state, assignment.id, id, one), notes);
      return (lacking ?? []).length > 0;
    }),
    finding("replies_unread", "look", (id) => unread.has(id)),
    finding("changed", "look", (id) => changed.has(id)),
    finding(
      "no_comment",
      "look",
      (id, { standing, counted }) =>
        facets.includes("comments") &&
        standing === "handedIn" &&
        counted !== null &&
        resultOf(state, assignment.id, id).overallComment.trim() === "" &&
        notesOf(state, assignment.id, id).length === 0,
    ),
  ].filter(({ count }) => count > 0);
  const open = found.some(({ code }) => code === "waiting" || code === "undecided");
  if (open) return found;
  const done = finding(
    "all_scored",
    "fine",
    (_id, { standing, counted }) => counted !== null || standing === "excused",
  );
  return [...found, done];
}
