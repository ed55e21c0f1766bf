import { courseOf, handInOf, type CourseState, type WorkFile } from "#core/model";
import { sameValue } from "#core/kernel";
import { facetNow, visibleTo, type FacetContents } from "#core/release";
import type { Repository } from "#storage";
import type { DeskRows } from "../rows";

export interface Work {
  readonly file: DeskRows["files"][number];
  /** Null when storage has lost the file's bytes. */
  readonly blob: Blob | null;
}

/** The chosen file of a paper, or the last one of its last attempt. */
export const shownFile = ({ files }: DeskRows, wanted: string | null): Work["file"] | undefined =>
  fileOf(files, wanted) ?? files.at(-1);

/** The file that another is to be compared with. */
export const besideFile = ({ files }: DeskRows, wanted: string | null): Work["file"] | undefined =>
  fileOf(files, wanted);

const fileOf = (files: DeskRows["files"], wanted: string | null) =>
  wanted === null ? undefined : files.find(({ id }) => id === `file:${wanted}`);

/** A file to be got ready, with its bytes if storage has them. */
export interface WorkAhead {
  readonly file: WorkFile;
  readonly blob: Blob | null;
}

/** The work of the papers that the keys lead to next: the one after, and the next that waits. */
export async function loadAhead(
  repository: Repository,
  slot: string,
  state: CourseState,
  rows: DeskRows,
): Promise<readonly WorkAhead[]> {
  const students = new Set([rows.after, rows.nextWaiting].filter((id) => id !== null));
  const files = [...students].flatMap(
    (id) => handInOf(state, rows.assignment.id, id)?.attempts.at(-1)?.files.slice(-1) ?? [],
  );
  return Promise.all(files.map(async (file) => ({ file, blob: await repository.readFile(slot, file.id) })));
}

/** What a paper says to its student as it stands now, and who says it. */
export interface PaperDraft extends Omit<FacetContents, "classFigures"> {
  readonly course: string;
  readonly marker: string;
  /** What of it the student has not been given, or has been given otherwise, in words. */
  readonly sealed: readonly string[];
}

/** Facets that a marked paper holds. */
const HELD_FACETS = [
  ["score", "the score"],
  ["rubric", "the rubric detail"],
  ["comments", "notes and comments"],
  ["outcomes", "outcomes"],
] as const;

/** Draws up what a paper would say if it were released now; private notes are no part of it. */
export function draftPaper(state: CourseState, { assignment, student }: DeskRows): PaperDraft {
  const { shortTitle, markerId } = courseOf(state);
  const given = visibleTo(state, student.id).find((one) => one.assignment.id === assignment.id);
  const sealed = HELD_FACETS.filter(([facet]) => {
    const content = facetNow(state, assignment, student, facet);
    return content !== null && !sameValue(content, given?.[facet] ?? null);
  });
  return {
    sealed: sealed.map(([, words]) => words),
    course: shortTitle,
    marker: state.markers[markerId]?.name ?? "",
    score: facetNow(state, assignment, student, "score"),
    rubric: facetNow(state, assignment, student, "rubric"),
    comments: facetNow(state, assignment, student, "comments"),
    outcomes: facetNow(state, assignment, student, "outcomes"),
  };
}
