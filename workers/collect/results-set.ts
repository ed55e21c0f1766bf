import { BlobReader, BlobWriter, ZipReader, type FileEntry } from "@zip.js/zip.js";
import { cellText, resultsSheet, rosterOfSet, shorthandOfSet, writeCsv, type Sheet } from "#core/formats";
import type { SetPlan } from "../protocol";
import { readSheets } from "../tables/sheets-in";

/** Most bytes of one file of the set. */
const MOST_BYTES = 100_000_000;

/** The results of a roster-and-results set as one CSV; null for an archive that is none, or holds no results. */
export async function resultsOfSet(archive: Blob): Promise<Blob | null> {
  const set = await filesOfSet(archive, ["users", "lineItems", "results"]);
  const { users, lineItems, results } = set ?? {};
  const sheet = users && lineItems && results ? resultsSheet({ users, lineItems, results }) : null;
  return (
    sheet &&
    new Blob([writeCsv(sheet.rows.map((row) => row.map((cell) => ({ text: cellText(cell) }))))], { type: "text/csv" })
  );
}

/** People and line items of a roster-and-results set, as a roster and as lines of shorthand; null for what is none. */
export async function planOfSet(archive: Blob): Promise<SetPlan | null> {
  const set = await filesOfSet(archive, ["users", "enrollments", "classes", "lineItems", "categories"]);
  return set && { roster: rosterOfSet(set), shorthand: shorthandOfSet(set) };
}

/** Files of the set by their names; null for what is no archive that can be read. */
async function filesOfSet<N extends string>(
  archive: Blob,
  names: readonly N[],
): Promise<Readonly<Record<N, Sheet | null>> | null> {
  const reader = new ZipReader(new BlobReader(archive), { filenameValidation: "tolerant" });
  try {
    const entries = await reader.getEntries();
    const found = names.map((name) =>
      entries.find(
        (entry): entry is FileEntry =>
          !entry.directory &&
          !entry.encrypted &&
          entry.uncompressedSize <= MOST_BYTES &&
          entry.filename.split("/").at(-1)?.toLowerCase() === `${name.toLowerCase()}.csv`,
      ),
    );
    const sheets = await Promise.all(found.map(sheetOf));
    return Object.fromEntries(names.map((name, at) => [name, sheets[at] ?? null])) as Record<N, Sheet | null>;
  } catch {
    // What is no archive that can be read is said where its files are asked for.
    return null;
  } finally {
    await reader.close();
  }
}

async function sheetOf(entry: FileEntry | undefined): Promise<Sheet | null> {
  if (!entry) return null;
  const blob = await entry.getData(new BlobWriter("text/csv"), { checkCrc32: true });
  return (await readSheets(blob, "text/csv"))[0] ?? null;
}
