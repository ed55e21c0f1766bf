import { filesEverNamed, filesOf, isAgeFile, type CourseArchive, type PackedPiece } from "#core/formats";
import type { FileId, Instant } from "#core/kernel";
import { courseOf, type CourseState, type WorkFile } from "#core/model";
import type { CourseSession, Repository } from "#storage";
import { counted } from "#core/words";
import { packCourse, readInCourse, runArchiveJob, StoppedError } from "../../workers/client";
import type { AskedCourse, OpenedArchive } from "../../workers/protocol";
import { keepIn } from "../course/choices";
import { slotFor } from "../course/wish-slot";
import { saveAs } from "../ui/save-as";
import type { JobProgress } from "../ui/hooks/use-job";
import { fileIssueWords, unprovenWords } from "../ui/words/words";

type Tell = (progress: JobProgress) => void;

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
 * Packs the open course, changes that could not be kept among them, and reads it back. No more than a piece of it is ever
 * in memory. Files that are no longer in this browser do not keep the rest from being saved.
 */
export async function packedCourse(
  repository: Repository,
  session: CourseSession,
  signal: AbortSignal,
  tell: Tell,
  { stem = session.slot, passphrase = "" }: PackWish = {},
): Promise<PackedCourse> {
  // What is changed from here on goes with the next one.
  const { count, unproven, pieces } = await session.journal();
  let waiting: AsyncIterator<PackedPiece> | null = null;
  const asked: AskedCourse = {
    unproven: () => Promise.resolve(unproven),
    begin: () => {
      waiting = pieces()[Symbol.asyncIterator]();
      return Promise.resolve();
    },
    next: async () => {
      const next = await waiting?.next();
      return next && !next.done ? next.value : null;
    },
    file: (id) => repository.readFile(session.slot, id).catch(() => null),
    tell: (written, readBack) => {
      const words = readBack === 0 ? "Packing" : "Reading it back";
      tell({ words, done: written + readBack, all: 2 * count });
      return Promise.resolve();
    },
  };
  tell({ words: "Packing", done: 0, all: 2 * count });
  const at = repository.surroundings.now();
  const packed = await packCourse(asked, at, signal);
  if (!packed.ok) throw new Error(unprovenWords(packed.issue));
  const { file, lacking } = packed.value;
  const without =
    lacking.length === 0
      ? ""
      : ` It lacks ${counted(lacking.length, "file")} no longer in this browser: ${namesOf(lacking)}.`;
  return { ...(await locked(file, { stem, at, passphrase }, signal)), without };
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

/** Makes the file of a packet that goes back to whoever handed it over. */
export const makeFileToGiveBack = (
  repository: Repository,
  session: CourseSession,
  { signal, tell, passphrase }: { readonly signal: AbortSignal; readonly tell: Tell; readonly passphrase: string },
): Promise<string> => {
  const stem = `${slotFor(courseOf(session.state))}-back`;
  return makeCourseFile(repository, session, signal, tell, { stem, passphrase });
};

/** How a file that is handed to the person is called, and what locks it. */
interface HandedOut {
  /** Its name without the day and the ending. */
  readonly stem: string;
  readonly at: Instant;
  readonly passphrase: string;
}

async function locked(open: Blob, { stem, at, passphrase }: HandedOut, signal: AbortSignal) {
  const name = `${stem}-${at.slice(0, 10)}.zip`;
  if (passphrase === "") return { name, blob: open };
  return { name: `${name}.age`, blob: await runArchiveJob((jobs) => jobs.lock(open, passphrase), signal) };
}

/** Writes an archive that is in memory, reads it back, and locks it where that is wished. @throws Error with words */
export async function writeArchive(
  { archive, ...handedOut }: HandedOut & { readonly archive: CourseArchive },
  signal: AbortSignal,
): Promise<{ readonly name: string; readonly blob: Blob }> {
  const packed = await runArchiveJob((jobs) => jobs.packWhole(archive, handedOut.at), signal);
  if (!packed.ok) throw new Error(unprovenWords(packed.issue));
  return locked(packed.value.file, handedOut, signal);
}

/** A file's bytes; null where the browser has it no more. */
export async function bytesOf(
  repository: Repository,
  slot: string,
  id: FileId,
): Promise<Uint8Array<ArrayBuffer> | null> {
  try {
    const blob = await repository.readFile(slot, id);
    return blob && new Uint8Array(await blob.arrayBuffer());
  } catch {
    return null;
  }
}

/** Asks for the passphrase of a locked file, again where the last one was wrong; null where none is given. */
export type AskPassphrase = (name: string, isAgain: boolean) => Promise<string | null>;

/** A course file, unlocked where it is locked. @throws StoppedError where no passphrase is given */
async function unlocked(file: File, signal: AbortSignal, ask: AskPassphrase | null): Promise<Blob> {
  if (!(await isAgeFile(file))) return file;
  if (!ask)
    throw new Error(`${file.name} is locked with a passphrase. Read it in as a course and make a file without one.`);
  for (let isAgain = false; ; isAgain = true) {
    const passphrase = await ask(file.name, isAgain);
    if (passphrase === null) throw new StoppedError();
    const open = await runArchiveJob((jobs) => jobs.unlock(file, passphrase), signal);
    if (open) return open;
  }
}

const notReadIn = (name: string, issue: Parameters<typeof fileIssueWords>[0]) =>
  new Error(`${name} was not read in. ${fileIssueWords(issue)} Nothing was changed.`);

/** Opens a course file to look into it, without keeping it. @throws Error with the words for the person */
export async function openCourseFile(
  file: File,
  signal: AbortSignal,
  ask: AskPassphrase | null,
): Promise<OpenedArchive> {
  const open = await unlocked(file, signal, ask);
  const unpacked = await runArchiveJob((jobs) => jobs.unpack(open), signal);
  if (!unpacked.ok) throw notReadIn(file.name, unpacked.issue);
  return unpacked.value;
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
  const words = `Reading ${file.name}`;
  tell({ words, done: 0, all: 2 });
  const open = await unlocked(file, signal, ask);
  // How many changes it has is known when the last of them is read.
  const told = (entries: number) => {
    tell({ words: `${words}: ${counted(entries, "change")}`, done: 0, all: 2 });
  };
  const read = await readInCourse(open, told, signal);
  if (!read.ok) throw notReadIn(file.name, read.issue);
  const { files, lacking, broken, course, ...journal } = read.value;
  tell({ words: "Keeping it", done: 1, all: 2 });
  const slot = await repository.keepPacked(slotFor(course), journal, files);
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

/** Files that go with a course, those that undoing may bring back among them. */
function filesWith(state: CourseState, entries: CourseSession["entries"]): WorkFile[] {
  const named = new Map([...filesEverNamed(entries), ...filesOf(state)].map((file) => [file.id, file]));
  return [...named.values()];
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
  const wanted = filesWith(session.state, session.entries);
  const blobs = new Map<FileId, Blob>();
  for (const [index, { id, name, mediaType }] of wanted.entries()) {
    if (signal.aborted) throw new StoppedError();
    tell({ words: `Copying ${name}`, done: index, all: wanted.length });
    const bytes = await bytesOf(repository, session.slot, id);
    if (bytes) blobs.set(id, new Blob([bytes], { type: mediaType }));
  }
  // A copy of a locked course has the same lock.
  const lock = repository.locksmith.factsOf(session.slot) ? { as: session.slot } : null;
  return repository.keepCourse(session.slot, session.entries, blobs, { lock });
}
