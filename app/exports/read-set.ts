import { runTableJob, StoppedError } from "../../workers/client";
import type { SetPlan } from "../../workers/protocol";

/** Whether a file is an archive, by its first bytes (PKWARE, APPNOTE 4.3.7). */
export async function isArchive(file: Blob): Promise<boolean> {
  const [p, k, three, four] = new Uint8Array(await file.slice(0, 4).arrayBuffer());
  return p === 0x50 && k === 0x4b && three === 3 && four === 4;
}

/** People and line items of a roster-and-results set; what it lacks is null, as is all of what is no such set. */
export async function readSet(file: Blob): Promise<SetPlan> {
  const none: SetPlan = { roster: null, shorthand: null };
  try {
    return (await runTableJob((jobs) => jobs.planOfSet(file), new AbortController().signal)) ?? none;
  } catch (error) {
    if (error instanceof StoppedError) return none;
    throw error;
  }
}
