import type { z } from "zod/mini";
import type { ChainPiece, Entry } from "#core/changes";
import type { Instant } from "#core/kernel";
import { courseOf, type WorkFile } from "#core/model";
import { CHAIN, COURSE_FILE_VERSION, COVER, FORMAT, JOURNAL, RECORDS, SUMS, type coverSchema } from "./archive";
import { recordsText } from "./records-text";
import { Replay } from "./replay";
import { runningSum } from "./running-sum";
import type { CourseSource } from "./source";
import { writeSums } from "./sums";
import { isSwollen } from "./swollen";
import { bytesOfTexts } from "./text-pieces";
import { ArchiveOut } from "./zip-out";

type Bytes = Uint8Array<ArrayBuffer>;

/** Longest piece of a file's own name in its path. */
const NAME_PIECE = 80;

/** A file's place in the archive: a number, and what its name holds of letters, digits and single dots. */
const pathOf = ({ name }: WorkFile, index: number): string => {
  const piece = name
    .normalize("NFC")
    .replace(/[^\p{L}\p{N}._-]+|\.{2,}/gu, "_")
    .slice(-NAME_PIECE)
    .replace(/^\p{M}+|[\uD800-\uDFFF]/gu, "");
  return `files/${String(index + 1).padStart(4, "0")}-${piece}`;
};

/** A course file, and the sums of its parts as they went in. */
export interface WrittenCourse {
  readonly file: Blob;
  readonly sums: ReadonlyMap<string, string>;
}

/**
 * Writes the course file: a ZIP with `course.json` (what this is), `records.json` (every table, for other programs),
 * `journal.json` (every change, from which all is rebuilt) with `journal.sums` (its chain), the files as they were handed
 * in, and `SHA256SUMS`, by which each part can be checked. The same course written at the same moment by the same program
 * gives the same bytes. A file that is not given is named as lacking. `tell` hears how many entries are written.
 * @throws RangeError when the journal does not replay, TooLargeError when the archive would be larger than can be read back
 */
export async function writeCourseFile(
  source: CourseSource,
  writtenAt: Instant,
  tell: (entries: number) => void = () => undefined,
): Promise<WrittenCourse> {
  const packed = await writeArchive(source, writtenAt, { isPacked: true, tell });
  // So plain a text that its packed form would be taken for a bomb is stored as it is.
  return packed ?? (await writeArchive(source, writtenAt, { isPacked: false, tell })) ?? unwritable();
}

const unwritable = () => {
  throw new RangeError("a part of the course file cannot be stored");
};

interface Way {
  readonly isPacked: boolean;
  readonly tell: (entries: number) => void;
}

/** The archive; null where a part of it was packed too well to be read back. */
async function writeArchive(source: CourseSource, writtenAt: Instant, way: Way): Promise<WrittenCourse | null> {
  const archive = new ArchiveOut(writtenAt, await runningSum());
  const replay = new Replay();
  const sums: string[] = [];
  await archive.add(JOURNAL, journalBytes(source, replay, sums, way.tell), way.isPacked);
  const state = replay.end();
  if (!state) throw new RangeError("the journal does not replay");
  await archive.add(CHAIN, bytesOfTexts(sums), way.isPacked);
  await archive.add(RECORDS, bytesOfTexts(recordsText(state)), way.isPacked);
  const named = [...replay.filesNamed(state).values()];
  const { held, lacking } = await addFiles(archive, named, source);
  const cover = {
    format: FORMAT,
    version: COURSE_FILE_VERSION,
    title: courseOf(state).title,
    writtenAt,
    files: held,
    lacking,
    unproven: source.unproven,
  } satisfies z.infer<typeof coverSchema>;
  await archive.add(COVER, bytesOfTexts([`${JSON.stringify(cover, null, 1)}\n`]), way.isPacked);
  const listed = new Map(archive.sums);
  await archive.add(SUMS, bytesOfTexts([writeSums(listed)]), way.isPacked);
  const file = await archive.end();
  return archive.isSwollen && way.isPacked ? null : { file, sums: listed };
}

/** The journal as bytes, each entry as it was written, letter for letter: its sum is over these letters. */
async function* journalBytes(
  source: CourseSource,
  replay: Replay,
  sums: string[],
  tell: Way["tell"],
): AsyncGenerator<Bytes> {
  let before = "[\n";
  for await (const piece of source.pieces()) {
    for (const text of piece.texts) if (!replay.take(JSON.parse(text) as Entry)) return;
    for (const sum of piece.sums) sums.push(`${sum}\n`);
    yield* bytesOfTexts(linesOf(piece, before));
    before = ",\n";
    tell(replay.count);
  }
  yield* bytesOfTexts([before === ",\n" ? "\n]\n" : "[\n\n]\n"]);
}

function* linesOf({ texts }: ChainPiece, first: string): Generator<string> {
  let before = first;
  for (const text of texts) {
    yield before;
    yield text;
    before = ",\n";
  }
}

async function addFiles(archive: ArchiveOut, named: readonly WorkFile[], source: CourseSource) {
  const held: (WorkFile & { readonly path: string })[] = [];
  const lacking: WorkFile[] = [];
  for (const file of named) {
    const blob = await source.file(file.id);
    if (!blob) {
      lacking.push(file);
      continue;
    }
    const path = pathOf(file, held.length);
    // A record's size is what was seen at first; the archive says what it holds.
    const size = await archive.add(path, bytesOf(blob.stream()), await isWorthPacking(blob, file.mediaType));
    held.push({ ...file, size, path });
  }
  return { held, lacking };
}

async function* bytesOf(stream: ReadableStream<Uint8Array>): AsyncGenerator<Bytes> {
  const reader = stream.getReader();
  for (let next = await reader.read(); !next.done; next = await reader.read()) yield next.value as Bytes;
}

/** Text is packed; what is packed already, or so plain that reading would take it for a bomb, is stored as it is. */
async function isWorthPacking(blob: Blob, mediaType: string): Promise<boolean> {
  if (!/^text\/|svg/.test(mediaType)) return false;
  let packed = 0;
  const packing = blob.stream().pipeThrough(new CompressionStream("deflate-raw"));
  for await (const bytes of bytesOf(packing)) packed += bytes.length;
  return !isSwollen(blob.size, packed);
}
