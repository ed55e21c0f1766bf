import { demoInboxSchema } from "../../../demo";
import type { DroppedFile } from "../../../workers/protocol";

/** The inbox that ships with the demo course, as if it had been dropped. */
export async function demoInbox(): Promise<DroppedFile[]> {
  const list = demoInboxSchema.parse(await (await fetch("/demo/inbox/inbox.json")).json());
  return Promise.all(
    list.map(async ({ path, url, at }) => {
      const blob = await (await fetch(url)).blob();
      return { path, source: path.split("/")[0] ?? path, blob, at };
    }),
  );
}
