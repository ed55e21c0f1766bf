import { filesOf } from "#core/formats";
import { courseOf, EMPTY_STATE } from "#core/model";
import { applyPatches } from "#core/changes";
import type { FileId } from "#core/kernel";
import type { CourseSession, Repository } from "#storage";
import { saveAs } from "../../ui/save-as";
import type { JobProgress } from "../../ui/use-job";
import { fileIssueWords } from "../../ui/words";
import { runArchiveJob, StoppedError } from "../../../workers/client";

type Tell = (progress: JobProgress) => void;

/** Packs the open course, changes that could not be kept among them, and saves it. Answers what was done. */
export async function makeCourseFile(
  repository: Repository,
  session: CourseSession,
  signal: AbortSignal,
  tell: Tell,
): Promise<string> {
  const wanted = filesOf(session.state);
  const files = new Map<FileId, Uint8Array>();
  for (const [index, file] of wanted.entries()) {
    if (signal.aborted) throw new StoppedError();
    tell({ words: `Reading ${file.name}`, done: index, all: wanted.length + 1 });
    const blob = await repository.readFile(session.slot, file.id);
    if (!blob)
      throw new Error(
        `${file.name} is no longer in this browser, so the course file would not be whole. Nothing was written.`,
      );
    files.set(file.id, new Uint8Array(await blob.arrayBuffer()));
  }
  tell({ words: "Packing", done: wanted.length, all: wanted.length + 1 });
  const archive = { entries: session.entries, files };
  const bytes = await runArchiveJob((jobs) => jobs.pack(archive, repository.surroundings.now()), signal);
  const day = repository.surroundings.now().slice(0, 10);
  const name = `${session.slot}-${day}.zip`;
  saveAs(new Blob([bytes], { type: "application/zip" }), name);
  return `${name} was saved (${(bytes.length / 1e6).toFixed(1)} MB).`;
}

/** Reads a course file in as a course of its own. Answers its slot. @throws Error with the words for the person */
export async function readInCourseFile(
  repository: Repository,
  file: File,
  signal: AbortSignal,
  tell: Tell,
): Promise<string> {
  tell({ words: `Reading ${file.name}`, done: 0, all: 2 });
  const bytes = new Uint8Array(await file.arrayBuffer());
  const unpacked = await runArchiveJob((jobs) => jobs.unpack(bytes), signal);
  if (!unpacked.ok)
    throw new Error(`${file.name} was not read in. ${fileIssueWords(unpacked.issue)} Nothing was changed.`);
  tell({ words: "Keeping it", done: 1, all: 2 });
  const { entries, files } = unpacked.value;
  const state = entries.reduce((before, { change }) => {
    const next = applyPatches(before, change.patches);
    return next.ok ? next.value : before;
  }, EMPTY_STATE);
  const types = new Map(filesOf(state).map(({ id, mediaType }) => [id, mediaType]));
  const blobs = new Map(
    [...files].map(
      ([id, data]) => [id, new Blob([data as Uint8Array<ArrayBuffer>], { type: types.get(id) ?? "" })] as const,
    ),
  );
  const wish = courseOf(state)
    .shortTitle.toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-|-$/g, "");
  return repository.keepCourse(wish || "course", entries, blobs);
}
