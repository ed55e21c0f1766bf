import { z } from "zod";
import { courseOf, handInOf, type CourseState, type WorkFile } from "#core/model";
import { sameValue } from "#core/kernel";
import { draftFacet, visibleTo, type FacetContents } from "#core/release";
import type { Repository } from "#storage";
import type { DeskRows } from "./rows";

/** Keys under which the widths of the columns are remembered. */
const LAYOUT_KEY = "desk-layout";
const MARGIN_KEY = "margin-width";

export interface Work {
  readonly file: DeskRows["files"][number];
  /** Null when storage has lost the file's bytes. */
  readonly blob: Blob | null;
}

/** The chosen file of a paper, or the last one of its last attempt. */
export async function loadWork(
  repository: Repository,
  slot: string,
  rows: DeskRows,
  wanted: string | null,
): Promise<Work | null> {
  const file = rows.files.find(({ id }) => id === `file:${wanted ?? ""}`) ?? rows.files.at(-1);
  return file ? { file, blob: await repository.readFile(slot, file.id) } : null;
}

/** The file that another is to be compared with. */
export async function loadBeside(
  repository: Repository,
  slot: string,
  rows: DeskRows,
  wanted: string | null,
): Promise<Work | null> {
  const file = wanted === null ? undefined : rows.files.find(({ id }) => id === `file:${wanted}`);
  return file ? { file, blob: await repository.readFile(slot, file.id) } : null;
}

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

const layoutSchema = z.record(z.string(), z.number());

/** The widths of the columns as they were left; null on the first visit. */
export async function recallLayout(repository: Repository): Promise<Record<string, number> | null> {
  const layout = layoutSchema.safeParse(await repository.recall(LAYOUT_KEY));
  return layout.success ? layout.data : null;
}

export function rememberLayout(repository: Repository, layout: Readonly<Record<string, number>>): void {
  void repository.remember(LAYOUT_KEY, layout).catch(() => null);
}

/** The width of the margin as it was left, in pixels. */
export async function recallMargin(repository: Repository): Promise<number | undefined> {
  const width = await repository.recall(MARGIN_KEY);
  return typeof width === "number" ? width : undefined;
}

export function rememberMargin(repository: Repository, width: number): void {
  void repository.remember(MARGIN_KEY, width).catch(() => null);
}

const HAND_KEY = "desk-hand";

/** Which hands hold the desk: both, or one, with judgement and the way on at its side. */
export const HANDS = ["both", "left", "right"] as const;
/** Which hands hold the desk. */
export type Hand = (typeof HANDS)[number];

/** The hands the desk was last laid out for. */
export async function recallHand(repository: Repository): Promise<Hand> {
  const hand = await repository.recall(HAND_KEY);
  return HANDS.find((one) => one === hand) ?? "both";
}

export function rememberHand(repository: Repository, hand: Hand): void {
  void repository.remember(HAND_KEY, hand).catch(() => null);
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
    const content = draftFacet(state, assignment, student, facet);
    return content !== null && !sameValue(content, given?.[facet] ?? null);
  });
  return {
    sealed: sealed.map(([, words]) => words),
    course: shortTitle,
    marker: state.markers[markerId]?.name ?? "",
    score: draftFacet(state, assignment, student, "score"),
    rubric: draftFacet(state, assignment, student, "rubric"),
    comments: draftFacet(state, assignment, student, "comments"),
    outcomes: draftFacet(state, assignment, student, "outcomes"),
  };
}
