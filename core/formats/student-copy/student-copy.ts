import { textSum, type FileId, type Instant, type StudentId } from "#core/kernel";
import {
  courseOf,
  fullName,
  type CourseState,
  type DecimalMark,
  type Message,
  type TotalCopy,
  type WorkFile,
} from "#core/model";
import {
  announcedWork,
  visibleMessages,
  visibleTo,
  visibleTotals,
  type Announced,
  type VisibleAssignment,
} from "#core/release";

/** One assignment in a student's copy: what is visible of it, and what was said about it. */
export interface CopyLetter extends VisibleAssignment {
  readonly messages: readonly Pick<Message, "from" | "text" | "at">[];
}

/** Everything one student can see of a course, and nothing else: what every file made for them is made of. */
export interface StudentCopyContent {
  readonly course: string;
  readonly institution: string;
  readonly timeZone: string;
  readonly decimalMark: DecimalMark;
  readonly number: string;
  readonly name: string;
  readonly madeAt: Instant;
  readonly totals: readonly TotalCopy[];
  readonly letters: readonly CopyLetter[];
  /** What may be read of all work, released or not. */
  readonly announced: readonly Announced[];
}

/** What a student can see at a moment. Whatever is timed must have been given out before. */
export function studentCopyOf(state: CourseState, studentId: StudentId, madeAt: Instant): StudentCopyContent | null {
  const student = state.students[studentId];
  if (!student) return null;
  const { title, institution, timeZone, decimalMark } = courseOf(state);
  return {
    course: title,
    institution,
    timeZone,
    decimalMark,
    number: student.number,
    name: fullName(student),
    madeAt,
    totals: visibleTotals(state, studentId),
    announced: announcedWork(state, studentId, madeAt),
    letters: visibleTo(state, studentId).map((letter) => {
      const assignment = state.assignments[letter.assignment.id];
      const messages = assignment ? visibleMessages(state, assignment, studentId) : [];
      return { ...letter, messages: messages.map(({ from, text, at }) => ({ from, text, at })) };
    }),
  };
}

/** Whether anything has been released to them; work that is only announced is told with it, and by itself makes no copy. */
export const hasContent = ({ letters, totals }: StudentCopyContent): boolean => letters.length + totals.length > 0;

/** The files a student's copy takes along: works with remarks on them, and files that go with the comments or the tasks. */
export function filesOfCopy({ letters, announced }: StudentCopyContent): {
  readonly works: readonly WorkFile[];
  readonly attachments: readonly WorkFile[];
} {
  return {
    works: letters.flatMap(({ comments }) => comments?.files ?? []),
    attachments: [
      ...letters.flatMap(({ comments }) => comments?.attachments ?? []),
      ...announced.flatMap(({ files }) => files),
    ],
  };
}

/**
 * A name for a student's files: their number, with nothing in it that a file's name cannot have. Where something was left
 * out, a few figures of the number's sum tell it from another that comes to the same: `A/1` is not `A-1`.
 */
export function copyFileName(number: string): string {
  const plain = number.replace(/[^\p{L}\p{N}._-]+/gu, "-").slice(0, 80);
  return plain === number && plain !== "" ? plain : `${plain || "student"}-${textSum(number).slice(0, 6)}`;
}

/** Bytes that stand inside a copy, by the file they belong to. */
export type CopyFiles = ReadonlyMap<
  FileId,
  { readonly name: string; readonly mediaType: string; readonly bytes: Uint8Array }
>;
