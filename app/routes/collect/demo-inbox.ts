import { coversOf } from "#core/collect";
import type { AssignmentId, Instant } from "#core/kernel";
import { sectionsOf, studentsOf, type CourseState } from "#core/model";
import { demoInboxSchema, notebookPages } from "../../../demo";
import { runCollectJob } from "../../../workers/client";
import type { DroppedFile } from "../../../workers/protocol";

/** The inbox that ships with the demo course, as if it had been dropped: files, letters, a marks sheet, a scanned pile. */
export async function demoInbox(state: CourseState): Promise<DroppedFile[]> {
  const list = demoInboxSchema.parse(await (await fetch("/demo/inbox/inbox.json")).json());
  const files = await Promise.all(
    list.map(async ({ path, url, at }) => {
      const blob = await (await fetch(url)).blob();
      return { path, source: path.split("/")[0] ?? path, blob, at };
    }),
  );
  const scan = await scannedNotebooks(state);
  return scan ? [...files, scan] : files;
}

const NOTEBOOK = "assignment:field-notebook" as AssignmentId;
const SCANNED_AT = "2026-11-27T15:40:00Z" as Instant;

/** So many notebooks, that the pile is read while one still looks at the rest. */
const NOTEBOOKS = 8;

/** Notebooks of the first section, scanned as they lay in the pile, every fourth upside down. */
async function scannedNotebooks(state: CourseState): Promise<DroppedFile | null> {
  const notebook = state.assignments[NOTEBOOK];
  const section = sectionsOf(state)[0];
  if (!notebook || !section) return null;
  const studentIds = studentsOf(state).filter(({ sectionId }) => sectionId === section.id).map(({ id }) => id); // oxfmt-ignore
  const papers = coversOf(state, notebook, {
    kind: "cover",
    studentIds: shuffled(studentIds).slice(0, NOTEBOOKS),
    guests: 0,
  }).map((cover, place) => ({ cover, pages: notebookPages(place), isUpsideDown: place % 4 === 2 }));
  const blob = await runCollectJob((jobs) => jobs.madeUp(papers), new AbortController().signal);
  const path = `notebooks ${section.name} scan.pdf`;
  return { path, source: path, blob, at: SCANNED_AT };
}

/** In an order that no list has, always the same. */
const shuffled = <T>(list: readonly T[]): T[] => {
  const step = 5;
  return list.map((_, place) => list[(place * step + 3) % list.length] as T);
};
