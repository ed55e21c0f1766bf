import { runTableJob } from "../../workers/client";
import type { SetPlan } from "../../workers/protocol";

/** Whether a file is an archive, by its first bytes (PKWARE, APPNOTE 4.3.7). */
export async function isArchive(file: Blob): Promise<boolean> {
  const [p, k, three, four] = new Uint8Array(await file.slice(0, 4).arrayBuffer());
  return p === 0x50 && k === 0x4b && three === 3 && four === 4;
}

/** People and line items of a roster-and-results set; what it lacks is null, as is all of what is no such set. */
export const readSet = async (file: Blob): Promise<SetPlan> =>
  (await runTableJob((jobs) => jobs.planOfSet(file), new AbortController().signal)) ?? {
    roster: null,
    shorthand: null,
  };
