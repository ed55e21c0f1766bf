import type { AssignmentId, StudentId } from "#core/kernel";
import { entryAndComment, previewEntry, type ChangeIssue } from "#core/changes";
import { courseOf, type CourseState } from "#core/model";
import { entryWords } from "../../../../ui/words/entry-words";
import { canConfirm, issueWords, unusualWords } from "../../../../ui/words/words";

export interface EntryHint {
  readonly words: string;
  /** Why it is not taken as it stands, without what to press; empty where it is. */
  readonly reason: string;
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
    return { words: "a comment to the student · Enter to keep", reason: "", refused: false, asks: false };
  }
  const preview = previewEntry(state, { assignmentId, studentId }, entry);
  if (!preview.ok) return refusalHint(preview.issue);
  const words = entryWords(courseOf(state), preview.value);
  return {
    words: `${words}${comment ? ", with a comment" : ""} · Enter to keep`,
    reason: "",
    refused: false,
    asks: false,
  };
}

export const refusalHint = (issue: ChangeIssue): EntryHint => ({
  words: issueWords(issue),
  reason: unusualWords(issue),
  refused: true,
  asks: canConfirm(issue),
});
