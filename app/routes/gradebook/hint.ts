import type { AssignmentId, StudentId } from "#core/kernel";
import { previewEntry, type ChangeIssue } from "#core/changes";
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
  const preview = previewEntry(state, { assignmentId, studentId }, text);
  if (!preview.ok) return refusalHint(preview.issue);
  return { words: `${entryWords(courseOf(state), preview.value)} · Enter to keep`, refused: false, asks: false };
}

export const refusalHint = (issue: ChangeIssue): EntryHint => ({
  words: issueWords(issue),
  refused: true,
  asks: canConfirm(issue),
});
