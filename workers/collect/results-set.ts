import { BlobReader, BlobWriter, ZipReader, type FileEntry } from "@zip.js/zip.js";
import { cellText, resultsSheet, writeCsv, type Sheet } from "#core/formats";
import { readSheets } from "../tables/sheets-in";

/** The files of the open roster-and-results set that results are read from. */
const FILES = ["users", "lineItems", "results"] as const;
/** Most bytes of one of them. */
const MOST_BYTES = 100_000_000;

/** The results of a roster-and-results set as one CSV; null for an archive that is none, or holds no results. */
export async function resultsOfSet(archive: Blob): Promise<Blob | null> {
  const reader = new ZipReader(new BlobReader(archive), { filenameValidation: "tolerant" });
  try {
    const entries = await reader.getEntries();
    const found = FILES.map((name) =>
      entries.find(
        (entry): entry is FileEntry =>
          !entry.directory &&
          !entry.encrypted &&
          entry.uncompressedSize <= MOST_BYTES &&
          entry.filename.split("/").at(-1)?.toLowerCase() === `${name.toLowerCase()}.csv`,
      ),
    );
    const [users, lineItems, results] = await Promise.all(found.map(sheetOf));
    const sheet = users && lineItems && results ? resultsSheet({ users, lineItems, results }) : null;
    return (
      sheet &&
      new Blob([writeCsv(sheet.rows.map((row) => row.map((cell) => ({ text: cellText(cell) }))))], { type: "text/csv" })
    );
  } catch {
    // What is no archive that can be read is said where its files are asked for.
    return null;
  } finally {
    await reader.close();
  }
}

async function sheetOf(entry: FileEntry | undefined): Promise<Sheet | null> {
  if (!entry) return null;
  const blob = await entry.getData(new BlobWriter("text/csv"), { checkSignature: true });
  return (await readSheets(blob, "text/csv"))[0] ?? null;
}
