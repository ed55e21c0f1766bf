import type { FileId, Id, Result } from "#core/kernel";
import { newChain, type ChangeIssue, type Entry } from "#core/changes";
import { demoDocumentsSchema, demoFileId, demoPostFiles, documentsIn, startCommand } from "../demo";
import type { Repository } from "#storage";
import { keep, known } from "./course/choices";
import { slotWish } from "./course/wish-slot";

/** Fetches the demo's journal and documents, which ship with the application, and keeps the demo course. Answers its slot. */
export async function keepDemoCourse(repository: Repository): Promise<string> {
  const [journal, list, pack] = await Promise.all([
    fetch("/demo/journal.json"),
    fetch("/demo/documents.json"),
    fetch("/demo/documents.pack"),
  ]);
  const documents = demoDocumentsSchema.parse(await list.json());
  const files = new Map<FileId, Blob>(
    documentsIn(documents, await pack.blob()).map(([document, piece]) => [demoFileId(document), piece]),
  );
  for (const { file, html } of demoPostFiles()) files.set(file.id, new Blob([html], { type: file.mediaType }));
  const entries = (await journal.json()) as Entry[];
  // It begins here, so its chain tells of all of it.
  return repository.keepCourse("reading-rivers", entries, files, { chain: { ...newChain(entries), unproven: 0 } });
}

/** The name of whoever marks in this browser, as it was given at the first course; empty where none was. */
export async function knownMarkerName(repository: Repository): Promise<string> {
  return (await known(repository, "marker-name")) ?? "";
}

/**
 * Starts a course with nothing in it but its name and its marker, whose name is asked for once. Nothing of the demo goes
 * along: no late rule decides before one is set. With a passphrase it is locked from its first write on. Answers its slot.
 */
export async function startEmptyCourse(
  repository: Repository,
  title: string,
  markerName: string,
  passphrase = "",
): Promise<Result<string, ChangeIssue>> {
  const id = `course:${repository.surroundings.fresh()}` as Id<"course">;
  const marker = markerName.trim() || (await knownMarkerName(repository));
  // Under a lock nothing names anybody outside of it.
  if (marker !== "" && passphrase === "") keep(repository, "marker-name", marker);
  const { course, ...command } = startCommand(
    {
      id,
      title,
      shortTitle: title,
      institution: "",
      origin: "own",
      createdAt: repository.surroundings.now(),
      timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
    },
    marker || "Instructor",
    [],
  );
  const markerId = `marker:${repository.surroundings.fresh()}` as Id<"marker">;
  const lock = passphrase === "" ? null : { passphrase, label: await freeLabel(repository), idleMinutes: 15 };
  return repository.startCourse(slotWish(title), { ...command, course: { ...course, markerId, lateRule: null } }, lock);
}

/** What a locked course is called until somebody calls it otherwise: each by a number of its own. */
async function freeLabel(repository: Repository): Promise<string> {
  const taken = new Set((await repository.courses()).map(({ title }) => title));
  for (let number = 1; ; number += 1) {
    const label = number === 1 ? "Locked course" : `Locked course ${String(number)}`;
    if (!taken.has(label)) return label;
  }
}
