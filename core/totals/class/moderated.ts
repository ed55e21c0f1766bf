import { compare, fromDecimal, subtract, type Exact, type MarkerId, type StudentId } from "#core/kernel";
import {
  moderationOf,
  secondMarkOf,
  type Assignment,
  type CourseState,
  type Moderation,
  type Settled,
} from "#core/model";
import { secondPoints, settledOf } from "../rules/settled";
import { figuresOf } from "./course-figures";

/** A paper of a sample with both judgements, in points before lateness and scaling. */
export interface ModeratedPaper {
  readonly studentId: StudentId;
  /** Null while it is not scored, or no longer handed in. */
  readonly first: Exact | null;
  readonly second: Exact | null;
  /** What was settled of these two; null where nothing was, or one of them is another since. */
  readonly settled: Settled | null;
  /** `open`: a judgement is lacking. `apart`: over the agreed difference and not settled. */
  readonly state: "open" | "agree" | "apart" | "settled";
}

/** Every paper of the sample, in its order; beside the judgements of another marker than the sample's where one is named. */
export function moderatedPapers(state: CourseState, assignment: Assignment, markerId?: MarkerId): ModeratedPaper[] {
  const moderation = moderationOf(state, assignment.id);
  if (!moderation) return [];
  const { figure } = figuresOf(state);
  return moderation.studentIds
    .filter((id) => state.students[id]?.left === false)
    .map((studentId) => {
      const { standing, first: given } = figure(assignment.id, studentId);
      const first = standing === "handedIn" ? given : null;
      const second = secondPoints(state, assignment, secondMarkOf(state, assignment.id, studentId, markerId));
      const settled = settledOf(state, assignment, studentId, first);
      return { studentId, first, second, settled, state: stateOf(moderation, first, second, settled) };
    });
}

function stateOf(
  { within }: Moderation,
  first: Exact | null,
  second: Exact | null,
  settled: Settled | null,
): ModeratedPaper["state"] {
  if (!first || !second) return "open";
  if (settled) return "settled";
  const difference = subtract(second, first);
  const size = difference.n < 0n ? { n: -difference.n, d: difference.d } : difference;
  return compare(size, fromDecimal(within)) > 0 ? "apart" : "agree";
}

/** Papers of the sample that wait: for a judgement, or to be settled. While there is one, nothing of it is released. */
export function unsettledPapers(state: CourseState, assignment: Assignment): StudentId[] {
  const { figure } = figuresOf(state);
  // A paper of the sample that is missing or excused by now waits for nobody.
  const isOut = (id: StudentId) => ["missing", "excused"].includes(figure(assignment.id, id).standing);
  return moderatedPapers(state, assignment)
    .filter((paper) => paper.state === "apart" || (paper.state === "open" && !isOut(paper.studentId)))
    .map(({ studentId }) => studentId);
}
