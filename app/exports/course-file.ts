import { applyPatches } from "#core/changes";
import { filesEverNamed, filesOf, MOST_COURSE_FILE_BYTES } from "#core/formats";
import type { FileId } from "#core/kernel";
import { courseOf, EMPTY_STATE, type WorkFile } from "#core/model";
import type { CourseSession, Repository } from "#storage";
import { counted } from "#core/words";
import { runArchiveJob, StoppedError } from "../../workers/client";
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

/**
 * Packs the open course, changes that could not be kept among them, reads it back, and saves it. Files that are no longer
 * in this browser do not keep the rest from being saved. Answers what was done.
 */
export async function makeCourseFile(
  repository: Repository,
  session: CourseSession,
  signal: AbortSignal,
  tell: Tell,
): Promise<string> {
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
  const archive = { entries: session.entries, files };
  const packed = await runArchiveJob((jobs) => jobs.pack(archive, repository.surroundings.now()), signal);
  if (!packed.ok) throw new Error(unprovenWords(packed.issue));
  const day = repository.surroundings.now().slice(0, 10);
  const name = `${session.slot}-${day}.zip`;
  saveAs(new Blob([packed.value], { type: "application/zip" }), name);
  const lacking = filesOf(session.state).filter(({ id }) => !files.has(id));
  const without =
    lacking.length === 0
      ? ""
      : ` It lacks ${counted(lacking.length, "file")} no longer in this browser: ${namesOf(lacking)}.`;
  return `${name} was saved (${(packed.value.length / 1e6).toFixed(1)} MB) and read back.${without}`;
}

/** A file's bytes; null where the browser has it no more. */
async function bytesOf(repository: Repository, slot: string, id: FileId): Promise<Uint8Array | null> {
  try {
    const blob = await repository.readFile(slot, id);
    return blob && new Uint8Array(await blob.arrayBuffer());
  } catch {
    return null;
  }
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
  signal: AbortSignal,
  tell: Tell,
): Promise<ReadIn> {
  tell({ words: `Reading ${file.name}`, done: 0, all: 2 });
  const bytes = new Uint8Array(await file.arrayBuffer());
  const unpacked = await runArchiveJob((jobs) => jobs.unpack(bytes), signal);
  if (!unpacked.ok)
    throw new Error(`${file.name} was not read in. ${fileIssueWords(unpacked.issue)} Nothing was changed.`);
  tell({ words: "Keeping it", done: 1, all: 2 });
  const { entries, files, lacking } = unpacked.value;
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
  const wish = courseOf(state)
    .shortTitle.toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-|-$/g, "");
  const slot = await repository.keepCourse(wish || "course", entries, blobs);
  const without =
    lacking.length === 0
      ? ""
      : ` It was saved without ${counted(lacking.length, "file")} that had been lost before: ${namesOf(lacking)}.`;
  return { slot, words: `${file.name} was read in.${without}` };
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
  return repository.keepCourse(session.slot, session.entries, blobs);
}
