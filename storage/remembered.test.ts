import { expect, it } from "vitest";
import { memoryNeighbours, memoryShelves } from "./shelves/memory-shelves";
import { Repository } from "./repository";

it("remembers what was chosen in the very turn, also where the page is left before the database has written", async () => {
  const own = memoryShelves();
  const surroundings = { now: () => "2026-10-26T12:00:00Z" as never, fresh: () => "x" };
  const opened = (shelves: typeof own) => Repository.open(shelves, memoryNeighbours()(), surroundings);
  await (await opened(own)).remember("gradebook", "?section=a");
  const never = new Promise<void>(() => undefined);
  void (await opened({ ...own, meta: { ...own.meta, set: () => never } })).remember("gradebook", "?all=");
  expect(await (await opened(own)).recall("gradebook")).toBe("?all=");
  await (await opened(own)).remember("gradebook", "?section=b");
  expect(await (await opened(own)).recall("gradebook")).toBe("?section=b");
  expect(await own.hurried.keys()).toEqual([]);
});
