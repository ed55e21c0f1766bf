import { applyPatches } from "#core/changes";
import {
  filesEverNamed,
  filesOf,
  isAgeFile,
  MOST_COURSE_FILE_BYTES,
  type CourseArchive,
  type ReadCourse,
} from "#core/formats";
import type { FileId, Instant } from "#core/kernel";
import { courseOf, EMPTY_STATE, type CourseState, type WorkFile } from "#core/model";
import type { CourseSession, Repository } from "#storage";
import { counted } from "#core/words";
import { runArchiveJob, StoppedError } from "../../workers/client";
import { keepIn } from "../course/choices";
import { slotWish } from "../course/wish-slot";
import { saveAs } from "../ui/save-as";
import type { JobProgress } from "../ui/hooks/use-job";
import { fileIssueWords, unprovenWords } from "../ui/words/words";

type Tell = (progress: JobProgress) => void;

/** Files that go with a course, those that undoing may bring back among them. */
function filesWith({ state, entries }: CourseSession): WorkFile[] {
  const named = new Map([...filesEverNamed(entries), ...filesOf(state)].map((file) => [file.id, file]));
  return [...named.values()];
}

/** Names a few files, and how many more. */
function namesOf(files: readonly WorkFile[]): string {
  const shown = files.slice(0, 3).map(({ name }) => name);
  const more = files.length - shown.length;
  return `${shown.join(", ")}${more > 0 ? ` and ${String(more)} more` : ""}`;
}

/** How a course file is called and locked. */
interface PackWish {
  /** Its name without the day and the ending. */
  readonly stem?: string;
  readonly passphrase?: string;
}

/** A course file that was packed and read back, and what it lacks in words. */
interface PackedCourse {
  readonly name: string;
  readonly blob: Blob;
  readonly without: string;
}

/**
 * Packs the open course, changes that could not be kept among them, and reads it back. Files that are no longer in this
 * browser do not keep the rest from being saved.
 */
export async function packedCourse(
  repository: Repository,
  session: CourseSession,
  signal: AbortSignal,
  tell: Tell,
  { stem = session.slot, passphrase = "" }: PackWish = {},
): Promise<PackedCourse> {
  const wanted = filesWith(session);
  const files = new Map<FileId, Uint8Array>();
  let bytesRead = 0;
  for (const [index, file] of wanted.entries()) {
    if (signal.aborted) throw new StoppedError();
    tell({ words: `Reading ${file.name}`, done: index, all: wanted.length + 1 });
    const bytes = await bytesOf(repository, session.slot, file.id);
    bytesRead += bytes?.length ?? 0;
    if (bytesRead > MOST_COURSE_FILE_BYTES) {
      throw new Error(
        "The files of this course come to more than 2,000 MB, which is more than one course file holds. Nothing was written; take large files off and try again.",
      );
    }
    if (bytes) files.set(file.id, bytes);
  }
  tell({ words: "Packing, and reading it back", done: wanted.length, all: wanted.length + 1 });
  const chain = await session.chain();
  // What was changed while the files were read goes with the next one.
  const entries = session.entries.slice(0, chain.texts.length);
  const written = { archive: { entries, files, chain }, at: repository.surroundings.now(), stem, passphrase };
  const { name, blob } = await writeArchive(written, signal);
  const lacking = filesOf(session.state).filter(({ id }) => !files.has(id));
  const without =
    lacking.length === 0
      ? ""
      : ` It lacks ${counted(lacking.length, "file")} no longer in this browser: ${namesOf(lacking)}.`;
  return { name, blob, without };
}

/** Packs the open course, saves it where the browser saves, and remembers that it lies outside. Answers what was done. */
export async function makeCourseFile(
  repository: Repository,
  session: CourseSession,
  signal: AbortSignal,
  tell: Tell,
  wish: PackWish = {},
): Promise<string> {
  const { seq } = session;
  const { name, blob, without } = await packedCourse(repository, session, signal, tell, wish);
  saveAs(blob, name);
  keepIn(repository, session.slot, "saved-outside", { at: repository.surroundings.now(), seq });
  return `${name} was saved (${(blob.size / 1e6).toFixed(1)} MB) and read back.${without}`;
}

/** An archive that is to be handed to the person, locked where there is a passphrase. */
export interface WrittenArchive {
  readonly archive: CourseArchive;
  readonly at: Instant;
  /** Its name without the day and the ending. */
  readonly stem: string;
  readonly passphrase: string;
}

/** Writes an archive, reads it back, and locks it where that is wished. @throws Error with words */
export async function writeArchive(
  { archive, at, stem, passphrase }: WrittenArchive,
  signal: AbortSignal,
): Promise<{ readonly name: string; readonly blob: Blob }> {
  const packed = await runArchiveJob((jobs) => jobs.pack(archive, at), signal);
  if (!packed.ok) throw new Error(unprovenWords(packed.issue));
  const open = packed.value;
  const name = `${stem}-${at.slice(0, 10)}.zip`;
  if (passphrase === "") return { name, blob: new Blob([open], { type: "application/zip" }) };
  const locked = await runArchiveJob((jobs) => jobs.lock(open, passphrase), signal);
  return { name: `${name}.age`, blob: new Blob([locked], { type: "application/octet-stream" }) };
}

/** A file's bytes; null where the browser has it no more. */
export async function bytesOf(repository: Repository, slot: string, id: FileId): Promise<Uint8Array | null> {
  try {
    const blob = await repository.readFile(slot, id);
    return blob && new Uint8Array(await blob.arrayBuffer());
  } catch {
    return null;
  }
}

/** A course file that was opened, without being kept. */
export interface OpenedCourse {
  readonly entries: ReadCourse["entries"];
  readonly state: CourseState;
  readonly blobs: ReadonlyMap<FileId, Blob>;
  readonly lacking: ReadCourse["lacking"];
  readonly chain: ReadCourse["chain"];
  readonly broken: ReadCourse["broken"];
}

/** Asks for the passphrase of a locked file, again where the last one was wrong; null where none is given. */
export type AskPassphrase = (name: string, isAgain: boolean) => Promise<string | null>;

/** The bytes of a course file, unlocked where it is locked. @throws StoppedError where no passphrase is given */
async function unlockedBytes(
  file: File,
  signal: AbortSignal,
  ask: AskPassphrase | null,
): Promise<Uint8Array<ArrayBuffer>> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  if (!(await isAgeFile(file))) return bytes;
  if (!ask)
    throw new Error(`${file.name} is locked with a passphrase. Read it in as a course and make a file without one.`);
  for (let isAgain = false; ; isAgain = true) {
    const passphrase = await ask(file.name, isAgain);
    if (passphrase === null) throw new StoppedError();
    const open = await runArchiveJob((jobs) => jobs.unlock(bytes, passphrase), signal);
    if (open) return open;
  }
}

/** Opens a course file to look into it. @throws Error with the words for the person */
export async function openCourseFile(
  file: File,
  signal: AbortSignal,
  ask: AskPassphrase | null,
): Promise<OpenedCourse> {
  const bytes = await unlockedBytes(file, signal, ask);
  const unpacked = await runArchiveJob((jobs) => jobs.unpack(bytes), signal);
  if (!unpacked.ok)
    throw new Error(`${file.name} was not read in. ${fileIssueWords(unpacked.issue)} Nothing was changed.`);
  const { entries, files, lacking, chain, broken } = unpacked.value;
  const state = entries.reduce((before, { change }) => {
    const next = applyPatches(before, change.patches);
    return next.ok ? next.value : before;
  }, EMPTY_STATE);
  const types = new Map([...filesEverNamed(entries), ...filesOf(state)].map(({ id, mediaType }) => [id, mediaType]));
  const blobs = new Map(
    [...files].map(
      ([id, data]) => [id, new Blob([data as Uint8Array<ArrayBuffer>], { type: types.get(id) ?? "" })] as const,
    ),
  );
  return { entries, state, blobs, lacking, chain, broken };
}

/** What came of reading in a course file. */
export interface ReadIn {
  readonly slot: string;
  /** What to say where the course is not quite whole. */
  readonly words: string;
}

/** Reads a course file in as a course of its own. @throws Error with the words for the person */
export async function readInCourseFile(
  repository: Repository,
  file: File,
  { signal, tell, ask }: { readonly signal: AbortSignal; readonly tell: Tell; readonly ask: AskPassphrase },
): Promise<ReadIn> {
  tell({ words: `Reading ${file.name}`, done: 0, all: 2 });
  const { entries, state, blobs, lacking, chain, broken } = await openCourseFile(file, signal, ask);
  tell({ words: "Keeping it", done: 1, all: 2 });
  const kind = courseOf(state).packet ? "packet-" : "";
  const slot = await repository.keepCourse(kind + slotWish(courseOf(state).shortTitle), entries, blobs, { chain });
  const without =
    lacking.length === 0
      ? ""
      : ` It was saved without ${counted(lacking.length, "file")} that had been lost before: ${namesOf(lacking)}.`;
  const changed =
    broken === null
      ? ""
      : ` Its journal does not hold together at change ${String(broken)}: something was changed, taken out or moved before this file was read.`;
  return { slot, words: `${file.name} was read in.${without}${changed}` };
}

/**
 * Keeps what can be read of a damaged course as a course of its own, in which work goes on; the damaged one stays as it is.
 * Answers its slot.
 */
export async function goOnInCopy(
  repository: Repository,
  session: CourseSession,
  signal: AbortSignal,
  tell: Tell,
): Promise<string> {
  const wanted = filesWith(session);
  const blobs = new Map<FileId, Blob>();
  for (const [index, { id, name, mediaType }] of wanted.entries()) {
    if (signal.aborted) throw new StoppedError();
    tell({ words: `Copying ${name}`, done: index, all: wanted.length });
    const bytes = await bytesOf(repository, session.slot, id);
    if (bytes) blobs.set(id, new Blob([bytes as Uint8Array<ArrayBuffer>], { type: mediaType }));
  }
  // A copy of a locked course has the same lock.
  const lock = repository.locksmith.factsOf(session.slot) ? { as: session.slot } : null;
  return repository.keepCourse(session.slot, session.entries, blobs, { lock });
}
