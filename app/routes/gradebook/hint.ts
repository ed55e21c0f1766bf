import type { AssignmentId, StudentId } from "#core/kernel";
import { entryAndComment, previewEntry, type ChangeIssue } from "#core/changes";
import { courseOf, type CourseState } from "#core/model";
import { entryWords } from "../../ui/entry-words";
import { canConfirm, issueWords } from "../../ui/words";

export interface EntryHint {
  readonly words: string;
  readonly refused: boolean;
  /** A second Enter keeps it. */
  readonly asks: boolean;
}

/** What an entry being typed would come to, in words for the hint beside its cell. */
export function entryHint(
  state: CourseState,
  assignmentId: AssignmentId,
  studentId: StudentId,
  text: string,
): EntryHint {
  const { entry, comment } = entryAndComment(text);
  if (comment !== null && entry === "") {
    return { words: "a comment to the student · Enter to keep", refused: false, asks: false };
  }
  const preview = previewEntry(state, { assignmentId, studentId }, entry);
  if (!preview.ok) return refusalHint(preview.issue);
  const words = entryWords(courseOf(state), preview.value);
  return { words: `${words}${comment ? ", with a comment" : ""} · Enter to keep`, refused: false, asks: false };
}

export const refusalHint = (issue: ChangeIssue): EntryHint => ({
  words: issueWords(issue),
  refused: true,
  asks: canConfirm(issue),
});
