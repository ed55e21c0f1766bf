import type { Entry } from "#core/changes";
import type { FileId } from "#core/kernel";
import { recordsOf, type CourseState, type WorkFile } from "#core/model";

/** What a student was given: the work that the remarks stand on, and files as feedback. */
const givenOut = (comments: FileNaming["comments"]): readonly WorkFile[] =>
  comments?.content ? [...comments.content.files, ...comments.content.attachments] : [];

/** Every file that a course names as it stands. */
export const filesOf = (state: CourseState): WorkFile[] => [
  ...Object.values(state.assignments).flatMap((assignment) => assignment.files),
  ...recordsOf(state, "results").flatMap((result) => result.feedbackFiles),
  ...recordsOf(state, "copies").flatMap(({ comments }) => givenOut(comments)),
  ...Object.values(state.messages).flatMap((message) => message.files),
  ...recordsOf(state, "handIns").flatMap((handIn) => handIn.attempts.flatMap((attempt) => attempt.files)),
];

interface FileNaming {
  readonly files?: readonly WorkFile[];
  readonly feedbackFiles?: readonly WorkFile[];
  readonly attempts?: readonly { readonly files: readonly WorkFile[] }[];
  readonly comments?: {
    readonly content?: { readonly files: readonly WorkFile[]; readonly attachments: readonly WorkFile[] };
  } | null;
}

/** Every file that any entry names, each once: undoing may bring back one that the course does not name today. */
export function filesEverNamed(entries: readonly Entry[]): WorkFile[] {
  const named = new Map<FileId, WorkFile>();
  for (const { change } of entries) {
    for (const { before, after } of change.patches) {
      for (const side of [before, after]) if (side) for (const file of namedBy(side)) named.set(file.id, file);
    }
  }
  return [...named.values()];
}

const namedBy = ({ files = [], feedbackFiles = [], attempts = [], comments }: FileNaming): readonly WorkFile[] => [
  ...files,
  ...feedbackFiles,
  ...attempts.flatMap((attempt) => attempt.files),
  ...givenOut(comments),
];
