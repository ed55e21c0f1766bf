import { findOverlaps, quotationsIn } from "#core/statistics";
import type { ComparedWork, ReadWork, SharedText, WorkText } from "./messages";
import { textOfWork, type ReadPdf } from "./work-text";

/** Reads all works and holds them against each other. What the task gave, and what they mark as quoted, is left out. */
export async function compareWorks(
  works: readonly ComparedWork[],
  task: WorkText,
  readPdf: ReadPdf,
  tell: (done: number) => Promise<void>,
): Promise<SharedText> {
  const given = await textOfWork(task, readPdf);
  const read: (ReadWork & { readonly kin: string | null })[] = [];
  for (const work of works) {
    const { text, unread } = await textOfWork(work, readPdf);
    read.push({ id: work.id, kin: work.kin, text, unread });
    await tell(read.length);
  }
  const overlaps = findOverlaps(
    read.map(({ id, text, kin }) => ({ id, text, given: quotationsIn(text), ...(kin === null ? {} : { kin }) })),
    given.text,
  );
  return { works: read.map(({ id, text, unread }) => ({ id, text, unread })), overlaps };
}
