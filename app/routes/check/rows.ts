import { assignmentsOf, questionsOf, releaseOf, rubricOf, type Assignment, type CourseState } from "#core/model";
import { progressOf } from "#core/totals";
import type { CourseSession } from "#storage";
import { howJudged, type HowJudged } from "../../course/how-judged";
import { inAddress } from "../../ui/address";

/** What of an assignment, or of the course, is looked at. */
export const VIEWS = ["spread", "criteria", "questions", "second", "packets", "shared", "scaling"] as const;
/** What of an assignment is looked at. */
export type CheckView = (typeof VIEWS)[number];

/** What the address asks for. */
export interface CheckPlace {
  readonly assignment: string | null;
  readonly view: string | null;
}

/** What a look at one assignment rests on. */
export interface Looked extends HowJudged {
  readonly state: CourseState;
  readonly assignment: Assignment;
}

/** The assignment that is looked at, with the views it has. */
export interface CheckRows {
  readonly work: readonly Assignment[];
  readonly views: readonly CheckView[];
  readonly view: CheckView;
  readonly looked: Looked;
}

/** What the step Check shows; null where there is no assignment yet. */
export function checkRows(state: CourseState, session: CourseSession, place: CheckPlace): CheckRows | null {
  const work = assignmentsOf(state);
  const assignment = work.find(({ id }) => inAddress(id) === place.assignment) ?? likelyToCheck(state, work);
  if (!assignment) return null;
  const views = VIEWS.filter(
    (view) =>
      (view !== "criteria" || rubricOf(state, assignment) !== null) &&
      (view !== "questions" || questionsOf(state, assignment.id).length > 0),
  );
  return {
    work,
    views,
    view: views.find((view) => view === place.view) ?? "spread",
    looked: { state, assignment, ...howJudged(session, state, assignment) },
  };
}

/** The work that is most likely meant: scored and not yet out, the most complete first; else whatever has scores. */
function likelyToCheck(state: CourseState, work: readonly Assignment[]): Assignment | undefined {
  const share = (assignment: Assignment) => progressOf(state, assignment).scored;
  const scored = work.filter((assignment) => share(assignment) > 1).sort((a, b) => share(b) - share(a));
  return (
    scored.find((assignment) => releaseOf(state, assignment.id, "score").state !== "released") ?? scored[0] ?? work[0]
  );
}
