import { copiesToDrop, copyName, keptCopy } from "#core/formats";
import { courseOf } from "#core/model";
import type { CourseSession, Repository } from "#storage";
import { keepIn } from "../course/choices";
import { slotWish } from "../course/wish-slot";
import { packedCourse } from "./course-file";

/** A folder of the machine, as the browser hands it out. TypeScript's own list of what browsers know lacks its leave. */
export type Folder = FileSystemDirectoryHandle & {
  readonly queryPermission?: (how: { readonly mode: "readwrite" }) => Promise<PermissionState>;
  readonly requestPermission?: (how: { readonly mode: "readwrite" }) => Promise<PermissionState>;
};

type Picker = (how: { readonly mode: "readwrite"; readonly id: string }) => Promise<Folder>;

const picker = (): Picker | null =>
  "showDirectoryPicker" in window ? (window.showDirectoryPicker as Picker).bind(window) : null;

/** Whether this browser lets a page write into a folder. */
export const canWriteFolders = (): boolean => picker() !== null;

/** Asks for a folder; null where none was chosen. */
export async function chooseFolder(): Promise<Folder | null> {
  try {
    return (await picker()?.({ mode: "readwrite", id: "copies" })) ?? null;
  } catch (error) {
    if (error instanceof Error && error.name === "AbortError") return null;
    throw error;
  }
}

/** The folder that was chosen for a course; null where there is none. */
export async function folderOf(repository: Repository, slot: string): Promise<Folder | null> {
  const kept = await repository.folderOf(slot);
  return kept instanceof FileSystemDirectoryHandle ? kept : null;
}

/** Whether the folder may be written into without asking. */
export const mayWrite = async (folder: Folder): Promise<boolean> =>
  ((await folder.queryPermission?.({ mode: "readwrite" })) ?? "granted") === "granted";

/** Asks for leave to write there again, as browsers want it after each start. */
export const askLeave = async (folder: Folder): Promise<boolean> =>
  ((await folder.requestPermission?.({ mode: "readwrite" })) ?? "granted") === "granted";

/**
 * Writes a course file into the folder, reads it back, and lets go of copies that newer ones stand for; files that are no
 * copies of this course are never touched. Answers its name. @throws what the folder throws, with the copies before as they were
 */
export async function writeCopy(
  repository: Repository,
  session: CourseSession,
  folder: Folder,
  signal: AbortSignal,
): Promise<string> {
  const at = repository.surroundings.now();
  const { seq } = session;
  const stem = slotWish(courseOf(session.state).shortTitle);
  const { blob } = await packedCourse(repository, session, signal, () => undefined);
  const name = copyName(stem, at);
  const file = await folder.getFileHandle(name, { create: true });
  // It stands there whole or not at all: the browser puts it in its place when it is closed.
  const writing = await file.createWritable();
  await writing.write(blob);
  await writing.close();
  if ((await file.getFile()).size !== blob.size) throw new Error("The copy in the folder is not whole.");
  await tidy(folder, stem);
  keepIn(repository, session.slot, "saved-outside", { at, seq });
  keepIn(repository, session.slot, "folder-trouble", "");
  return name;
}

async function tidy(folder: Folder, stem: string): Promise<void> {
  const names: string[] = [];
  for await (const name of folder.keys()) names.push(name);
  for (const { name } of copiesToDrop(names.flatMap((one) => keptCopy(stem, one) ?? [])))
    await folder.removeEntry(name);
}
