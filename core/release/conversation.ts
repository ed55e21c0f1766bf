import type { StudentId } from "#core/kernel";
import {
  FACETS,
  messagesOf,
  studentsOf,
  type Assignment,
  type CourseState,
  type Message,
  type Student,
} from "#core/model";
import { isShown } from "./visibility";

/**
 * What a student sees of the conversation on a paper: their own words always, the marker's once the comments are open to
 * them, so that no message slips out before what it is about.
 */
export function visibleMessages(state: CourseState, assignment: Assignment, studentId: StudentId): readonly Message[] {
  const open = isShown(state, assignment, studentId, "comments");
  return messagesOf(state, assignment.id, studentId).filter(({ from }) => from === "student" || open);
}

/** Whether a student can write about a paper: something of it is open to them. */
export const canReply = (state: CourseState, assignment: Assignment, studentId: StudentId): boolean =>
  FACETS.some((facet) => isShown(state, assignment, studentId, facet));

/** A paper with messages that nobody who marks has read. */
export interface UnreadReplies {
  readonly assignment: Assignment;
  readonly student: Student;
  readonly count: number;
}

/** Every paper with unread replies, the one that has waited longest first. */
export function unreadReplies(state: CourseState): UnreadReplies[] {
  const unread = Object.values(state.messages)
    .filter(({ from, readAt }) => from === "student" && readAt === null)
    .sort((a, b) => a.at.localeCompare(b.at));
  const papers = new Map<string, UnreadReplies>();
  for (const { assignmentId, studentId } of unread) {
    const assignment = state.assignments[assignmentId];
    const student = state.students[studentId];
    const key = `${assignmentId}/${studentId}`;
    if (assignment && student) papers.set(key, { assignment, student, count: (papers.get(key)?.count ?? 0) + 1 });
  }
  return [...papers.values()];
}

/** Students of an assignment who have replies that nobody has read, in the order of the roster. */
export const repliesUnread = (state: CourseState, assignment: Assignment): readonly StudentId[] => {
  const waiting = new Set(
    Object.values(state.messages)
      .filter(
        ({ assignmentId, from, readAt }) => assignmentId === assignment.id && from === "student" && readAt === null,
      )
      .map(({ studentId }) => studentId),
  );
  return studentsOf(state).flatMap(({ id }) => (waiting.has(id) ? [id] : []));
};
