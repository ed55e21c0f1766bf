import { useEffect } from "react";
import type { CourseSession, Repository } from "#storage";
import { keepIn, knownIn } from "./choices";

/** How often it is looked whether a copy is due, in milliseconds. */
const LOOK_EVERY = 30_000;
/** A copy is made once nothing was changed for so long, and no sooner after the last one, in milliseconds. */
const QUIET = 60_000;
const APART = 600_000;

/** Writes copies of the open course into its folder after work, where one was chosen; one tab of the browser at a time. */
export function useFolderCopies(repository: Repository, session: CourseSession): void {
  useEffect(() => {
    if (!("showDirectoryPicker" in window)) return;
    const stop = new AbortController();
    const timer = setInterval(() => {
      void navigator.locks.request(`upright-quill/copies/${session.slot}`, { ifAvailable: true }, async (lock) => {
        if (lock) await copyIfDue(repository, session, stop.signal);
      });
    }, LOOK_EVERY);
    return () => {
      clearInterval(timer);
      stop.abort();
    };
  }, [repository, session]);
}

async function copyIfDue(repository: Repository, session: CourseSession, signal: AbortSignal): Promise<void> {
  const { slot } = session;
  const kept = await repository.folderOf(slot);
  if (kept === null) return;
  const saved = await knownIn(repository, slot, "saved-outside");
  const now = Date.parse(session.now());
  const last = session.history.undoable.at(-1)?.at;
  const isQuiet = last === undefined || now - Date.parse(last) >= QUIET;
  if (saved?.seq === session.seq || !isQuiet || (saved && now - Date.parse(saved.at) < APART)) return;
  const { folderOf, mayWrite, writeCopy } = await import("../exports/folder-copies");
  const folder = await folderOf(repository, slot);
  if (!folder || !(await mayWrite(folder))) return;
  try {
    await writeCopy(repository, session, folder, signal);
  } catch (error) {
    if (signal.aborted) return;
    const why = error instanceof Error ? error.message : String(error);
    keepIn(repository, slot, "folder-trouble", why);
  }
}
