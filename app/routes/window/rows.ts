import type { Instant, StudentId } from "#core/kernel";
import { courseOf, fullName, mailsOf, type CourseState, type Message } from "#core/model";
import { announcedWork, canReply, handingIn, visibleMessages, visibleTo, visibleTotals } from "#core/release";
import { orMissing } from "../../course/open-course";

/** Fixed copies and what is announced: nothing else of the course reaches this page but names. @throws a 404 */
export function windowRows(state: CourseState, studentId: StudentId, now: Instant) {
  const student = orMissing(state.students[studentId], "student");
  const letters = visibleTo(state, studentId).map((letter) => {
    const assignment = orMissing(state.assignments[letter.assignment.id], "assignment");
    return {
      ...letter,
      messages: visibleMessages(state, assignment, studentId),
      writes: canReply(state, assignment, studentId),
    };
  });
  const { shortTitle, timeZone } = courseOf(state);
  return {
    letters,
    announced: announcedWork(state, studentId, now),
    handing: new Map(
      Object.values(state.assignments).flatMap((assignment) => {
        const about = handingIn(state, assignment, studentId, now);
        return about ? [[assignment.id, about] as const] : [];
      }),
    ),
    totals: visibleTotals(state, studentId),
    mails: mailsOf(state).filter((mail) => mail.studentId === studentId),
    studentId,
    name: fullName(student),
    courseTitle: shortTitle,
    timeZone,
    nameOf: ({ by }: Message) => (by ? (state.markers[by]?.name ?? "") : fullName(student)),
  };
}
