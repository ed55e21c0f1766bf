import { decodedText } from "../decoded-text";
import { sha256 } from "@noble/hashes/sha2.js";
import { bytesToHex } from "@noble/hashes/utils.js";
import { filesOfArchive } from "./archive";
import { isSheetType } from "#core/formats";
import { readSheets } from "../tables/sheets-in";
import { beginningOf, ofPacked, ofText, ofWebPage } from "./beginning";
import { kindOf } from "./kind";
import { filesOfMail, lettersOf } from "./mail";
import type { DroppedFile, DropRemark, LooseFile, ReadBatch, ReadPiece } from "./messages";
import type { ofPdf } from "./pdf-beginning";
import { resultsOfSet } from "./results-set";

/** Most pieces told of at once; the first comes by itself, so that there is something to see. */
const TOGETHER = 100;
/** Milliseconds after which what is read is told of, however little it is: every telling draws the page anew. */
const BETWEEN = 500;
/** Most bytes of one hand-in. */
const MOST_BYTES = 500_000_000;
/** Bytes up to which a text is read for its words. */
const MOST_TEXT = 4_000_000;
/** Bytes up to which the browser's own sum is taken, which wants all of them at once. */
const WHOLE_SUM = 32_000_000;

/** How a PDF's beginning is read; handed in, because it needs a worker of its own. */
export type ReadPdf = typeof ofPdf;

/**
 * Reads what was dropped, file after file: archives are opened, also one that lies in another, letters give their
 * attachments. What cannot be read is remarked on, and the rest goes on. `clock` counts milliseconds.
 */
export async function readDropped(
  files: readonly DroppedFile[],
  tell: (batch: ReadBatch) => Promise<void>,
  readPdf: ReadPdf,
  clock: () => number = () => performance.now(),
): Promise<void> {
  let pieces: ReadPiece[] = [];
  let remarks: DropRemark[] = [];
  let told = 0;
  let done = 0;
  let toldAt = clock();
  let heard: Promise<void> = Promise.resolve();
  // One batch is put away while the next is read, no more: what waits is held in memory.
  const tellNow = async () => {
    told += pieces.length;
    await heard;
    heard = tell({ pieces, remarks, done });
    // A failure is thrown at the next telling.
    heard.catch(() => null);
    toldAt = clock();
    pieces = [];
    remarks = [];
  };
  const isTime = () => told === 0 || pieces.length >= TOGETHER || clock() - toldAt >= BETWEEN;
  const read = ahead(allLoosened(files), async (found) =>
    found === "fileDone" || "code" in found ? found : { piece: await pieceOf(found, readPdf) },
  );
  for await (const one of read) {
    if (one === "fileDone") done += 1;
    else if ("code" in one) remarks.push(one);
    else pieces.push(one.piece);
    if (pieces.length > 0 && isTime()) await tellNow();
  }
  await tellNow();
  await heard;
}

/** How many things are worked on at once: reading waits more for the disk than for the processor. */
const AHEAD = 6;

/** What `work` makes of each thing, in their order; the next ones are begun while one is waited for. */
async function* ahead<T, R>(things: AsyncIterable<T>, work: (thing: T) => Promise<R>): AsyncGenerator<R> {
  const begun: Promise<R>[] = [];
  for await (const thing of things) {
    const one = work(thing);
    // A failure is thrown where its turn comes.
    one.catch(() => null);
    begun.push(one);
    if (begun.length >= AHEAD) yield* taken(begun);
  }
  while (begun.length > 0) yield* taken(begun);
}

async function* taken<R>(begun: Promise<R>[]): AsyncGenerator<R> {
  const first = begun.shift();
  if (first) yield await first;
}

/** What all dropped things come to, with a sign behind each of them. */
async function* allLoosened(files: readonly DroppedFile[]): AsyncGenerator<Found | "fileDone"> {
  for (const file of files) {
    yield* loosened({ ...file, letter: null, senderAddress: "", senderName: "" }, 0);
    yield "fileDone";
  }
}

/** How deep an archive may lie in archives. */
const DEEPEST = 1;

type Found = (LooseFile & { readonly mediaType: string }) | DropRemark;

/** The files that a dropped thing comes to: itself, or what it holds. */
async function* loosened(file: LooseFile, depth: number): AsyncGenerator<Found> {
  const name = file.path.split("/").at(-1) ?? file.path;
  const kind = await kindOf(file.blob, name);
  if (kind.kind === "file" && file.blob.size > MOST_BYTES) yield { path: file.path, code: "file_too_large" };
  else if (kind.kind === "file") yield { ...file, mediaType: kind.mediaType };
  else if (kind.kind === "archive" && depth > DEEPEST) yield { path: file.path, code: "archive_in_archive" };
  else if (kind.kind === "archive") {
    const results = depth === 0 ? await resultsOfSet(file.blob) : null;
    if (results) {
      yield { ...file, path: `${file.path}/results.csv`, blob: results, mediaType: results.type };
      return;
    }
    for await (const inner of filesOfArchive(file.blob, file)) yield* within(inner, depth + 1);
  } else {
    const letters =
      kind.kind === "mail" ? [file.blob] : lettersOf(await file.blob.text()).map((one) => new Blob([one]));
    for (const [index, letter] of letters.entries()) {
      const path = letters.length > 1 ? `${file.path} ${String(index + 1)}` : file.path;
      for (const inner of await filesOfMail(letter, { path, source: file.source })) yield* within(inner, depth + 1);
    }
  }
}

async function* within(found: LooseFile | DropRemark, depth: number): AsyncGenerator<Found> {
  if ("code" in found) yield found;
  else yield* loosened(found, depth);
}

async function pieceOf(file: LooseFile & { readonly mediaType: string }, readPdf: ReadPdf): Promise<ReadPiece> {
  const { blob, mediaType, isLetterAlone = false, source, letter, at, senderAddress, senderName } = file;
  const piece = {
    ...{ source, letter, at, senderAddress, senderName, mediaType, blob: new Blob([blob], { type: mediaType }) },
    path: file.path.slice(0, 2_000),
    name: (file.path.split("/").at(-1) ?? file.path).slice(0, 200),
    sum: await sumOf(blob),
    pages: null,
    words: null,
    author: "",
    beginning: "",
  };
  if (blob.size === 0) return { ...piece, trouble: "empty" };
  if (mediaType === "application/pdf") return { ...piece, ...(await readPdf(blob)) };
  if (mediaType.startsWith("text/") && !isSheetType(mediaType) && blob.size < MOST_TEXT) {
    const text = decodedText(await blob.arrayBuffer());
    const said = mediaType === "text/html" ? ofWebPage(text) : ofText(text);
    return { ...piece, ...said, trouble: isLetterAlone ? "letterAlone" : null };
  }
  if (isSheetType(mediaType)) return { ...piece, ...(await ofSheet(blob, mediaType)) };
  const packed = await ofPacked(blob, mediaType);
  return packed === "damaged" ? { ...piece, trouble: "damaged" } : { ...piece, ...packed, trouble: null };
}

/** A sheet begins with its rows, one to a line. */
async function ofSheet(blob: Blob, mediaType: string): Promise<Pick<ReadPiece, "beginning" | "trouble">> {
  try {
    const [first] = await readSheets(blob, mediaType);
    const lines = (first?.rows ?? []).map((row) => row.filter((cell) => cell !== null && cell !== "").join("  "));
    return { beginning: beginningOf(lines.join("\n")), trouble: null };
  } catch {
    return { beginning: "", trouble: "damaged" };
  }
}

/** SHA-256 in hexadecimal; of a large file in parts. */
async function sumOf(blob: Blob): Promise<string> {
  if (blob.size < WHOLE_SUM)
    return bytesToHex(new Uint8Array(await crypto.subtle.digest("SHA-256", await blob.arrayBuffer())));
  const sum = sha256.create();
  const reader = blob.stream().getReader();
  for (let part = await reader.read(); !part.done; part = await reader.read()) sum.update(part.value);
  return bytesToHex(sum.digest());
}
