import { expect, it } from "vitest";
import type { FileId } from "#core/kernel";
import { memoryShelves } from "./shelves/memory-shelves";
import type { CourseShelves } from "./shelves/shelf";
import { writeFiles } from "./write-files";

const filesOf = (count: number): ReadonlyMap<FileId, Blob> =>
  new Map(Array.from({ length: count }, (_, at) => [`file:${String(at)}` as FileId, new Blob([String(at)])]));

/** Shelves on which one file cannot be written, and every other one takes a while. */
function shelvesWithout(lacking: string) {
  const shelves = memoryShelves();
  const seen = { underWay: 0, most: 0, begun: 0 };
  const files = {
    ...shelves.files,
    set: async (key: string, value: unknown) => {
      seen.begun += 1;
      seen.underWay += 1;
      seen.most = Math.max(seen.most, seen.underWay);
      try {
        if (key.endsWith(lacking)) throw new RangeError(`no room for ${key}`);
        await new Promise((resolve) => setTimeout(resolve, 5));
        await shelves.files.set(key, value);
      } finally {
        seen.underWay -= 1;
      }
    },
  };
  return { shelves: { ...shelves, files } as CourseShelves, seen };
}

it("writes every file of a course, several side by side", async () => {
  const { shelves, seen } = shelvesWithout("file:none");
  await writeFiles(shelves, "river", filesOf(19));
  expect(await shelves.files.keys()).toHaveLength(19);
  expect(await ((await shelves.files.get("river/file:18")) as Blob).text()).toBe("18");
  expect(seen.most).toBeGreaterThan(1);
  expect(seen.most).toBeLessThan(19);
});

it("says that one could not be written when those beside it have ended, and begins no other", async () => {
  const { shelves, seen } = shelvesWithout("file:1");
  await expect(writeFiles(shelves, "river", filesOf(100))).rejects.toThrow("no room for river/file:1");
  expect(seen.underWay).toBe(0);
  expect(seen.begun).toBeLessThan(20);
});
