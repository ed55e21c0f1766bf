import { courseOf, rosterName, type CourseState } from "#core/model";
import { unreadReplies } from "#core/release";
import { waitingPapers } from "#core/totals";
import { momentText } from "#core/words";
import { inAddress } from "../../../ui/address";

/** Papers that wait to be scored, the oldest first, and replies that nobody read. */
export function waitingRows(state: CourseState) {
  const { timeZone } = courseOf(state);
  const papers = waitingPapers(state).map(({ assignment, student, at }) => ({
    assignmentId: assignment.id,
    assignment: assignment.name,
    studentId: student.id,
    student: rosterName(state, student),
    sectionId: student.sectionId,
    section: student.sectionId ? (state.sections[student.sectionId]?.name ?? "") : "",
    since: at,
    at: at ? momentText(at, timeZone) : "",
  }));
  const sections = Object.values(state.sections).sort((a, b) => a.order - b.order);
  const replies = unreadReplies(state).map(({ assignment, student, count }) => ({
    assignmentId: assignment.id,
    assignment: assignment.name,
    studentId: student.id,
    student: rosterName(state, student),
    count,
  }));
  return { papers, replies, sections: sections.map(({ id, name }) => ({ id: inAddress(id), name })) };
}
