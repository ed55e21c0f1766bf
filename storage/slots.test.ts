import { expect, it } from "vitest";
import type { Instant } from "#core/kernel";
import { assignmentId, entriesOf, fileId, run, smallCourse, studentId } from "#core/testing";
import { memoryNeighbours, memoryShelves } from "./shelves/memory-shelves";
import { Repository } from "./repository";
import type { Shelves } from "./shelves/shelf";

let clock = 0;
const surroundings = {
  now: () => "2026-11-28T09:00:00Z" as Instant,
  fresh: () => `f${String((clock += 1))}`,
};
const openIn = (shelves: Shelves) => Repository.open(shelves, memoryNeighbours()(), surroundings);
const files = new Map([[fileId("ada"), new Blob(["%PDF"])]]);
const small = () => entriesOf(smallCourse());
const renamed = () =>
  entriesOf(run(smallCourse(), { type: "editCourse", fields: { title: "Another", shortTitle: "Another" } }));

/** Stores of which one write fails, counted over all of them. */
function failingAt(shelves: Shelves, write: number): Shelves {
  let left = write;
  const guard = (shelf: Shelves["meta"]): Shelves["meta"] => ({
    ...shelf,
    set: (key, value) => ((left -= 1) < 0 ? Promise.reject(new Error("cut short")) : shelf.set(key, value)),
    remove: (key) => (left < 0 ? Promise.reject(new Error("cut short")) : shelf.remove(key)),
  });
  return {
    meta: guard(shelves.meta),
    journal: guard(shelves.journal),
    snapshots: guard(shelves.snapshots),
    files: guard(shelves.files),
    drafts: guard(shelves.drafts),
    hurried: guard(shelves.hurried),
  };
}

it.each([...Array(8).keys()])(
  "a reading that was cut short at its write %i leaves nothing behind that becomes part of another course",
  async (write) => {
    const shelves = memoryShelves();
    await openIn(shelves);
    const cut = await Repository.open(failingAt(shelves, write), memoryNeighbours()(), surroundings);
    await cut.keepCourse("small", small(), files).catch(() => null);
    const repository = await openIn(shelves);
    const before = (await repository.courses()).map(({ slot }) => slot);
    const slot = await repository.keepCourse("small", renamed(), new Map());
    expect(before).not.toContain(slot);
    const session = await (await openIn(shelves)).session(slot);
    expect(session?.damage).toBeNull();
    expect(session?.entries).toHaveLength(renamed().length);
    for (const { slot: listed } of await repository.courses()) {
      expect((await (await openIn(shelves)).session(listed))?.damage).toBeNull();
    }
    const kept = (await shelves.files.keys()).map((key) => key.split("/")[0]);
    expect(kept.every((owner) => before.includes(owner ?? ""))).toBe(true);
  },
);

it("a slot in which anything lies is never taken, listed or not", async () => {
  const shelves = memoryShelves();
  await shelves.journal.set("small/entry/000000600", { from: "an earlier version" });
  await shelves.files.set("small-2/file:x", new Blob(["x"]));
  const repository = await openIn(shelves);
  expect(await repository.keepCourse("small", small(), files)).toBe("small-3");
});

it("a course whose line in the list is lost is offered under its slot, and opens", async () => {
  const shelves = memoryShelves();
  const repository = await openIn(shelves);
  await repository.keepCourse("small", small(), files);
  await shelves.meta.remove("course/small");
  expect(await repository.courses()).toEqual([{ slot: "small", title: "small", origin: "own" }]);
  expect((await (await openIn(shelves)).session("small"))?.state).toEqual(smallCourse());
});

it("a line of the list that does not read hides neither its course nor another", async () => {
  const shelves = memoryShelves();
  const repository = await openIn(shelves);
  await repository.keepCourse("small", small(), files);
  await repository.keepCourse("other", small(), files);
  await shelves.meta.set("course/small", { title: { a: 1 } });
  expect((await repository.courses()).map(({ slot, title }) => [slot, title])).toEqual([
    ["other", "Small course"],
    ["small", "small"],
  ]);
});

const quiz = assignmentId("quiz");
const score = (text: string) => ({ type: "setScore", assignmentId: quiz, studentId: studentId("ben"), text }) as const;

it("data cleared under an open course are seen at the next write: nothing says kept, and everything is still there to be saved", async () => {
  const shelves = memoryShelves();
  const repository = await openIn(shelves);
  const session = await repository.session(await repository.keepCourse("small", small(), files));
  if (!session) throw new Error("no session");
  session.submit(score("15"));
  await session.settled();
  expect(session.keeping.kind).toBe("kept");
  for (const shelf of Object.values(shelves) as Shelves["meta"][]) {
    for (const key of await shelf.keys()) await shelf.remove(key);
  }
  session.submit(score("16"));
  await session.settled();
  expect(session.keeping).toMatchObject({ kind: "failed", count: 1, why: "gone" });
  expect(session.entries).toHaveLength(3);

  await session.retry();
  expect(session.keeping.kind).toBe("kept");
  const again = await (await openIn(shelves)).session("small");
  expect(again?.damage).toBeNull();
  expect(again?.entries).toEqual(session.entries);
});

it("a course that was only just read in is not taken for cleared", async () => {
  const shelves = memoryShelves();
  const repository = await openIn(shelves);
  const session = await repository.session(await repository.keepCourse("small", small(), files));
  await shelves.journal.remove("small/gathered");
  session?.submit(score("15"));
  await session?.settled();
  expect(session?.keeping.kind).toBe("kept");
});

it("a course that is deleted goes with all it had, and leaves the others as they were", async () => {
  const shelves = memoryShelves();
  const repository = await openIn(shelves);
  const slot = await repository.keepCourse("small", small(), files);
  const other = await repository.keepCourse("other", renamed(), files);
  await repository.session(slot);
  await repository.remember(`gradebook/${slot}`, "?section=a");
  await repository.deleteCourse(slot);
  expect((await repository.courses()).map((course) => course.slot)).toEqual([other]);
  expect(await repository.session(slot)).toBeNull();
  expect(await repository.recall(`gradebook/${slot}`)).toBeFalsy();
  const keys = await Promise.all(
    [shelves.journal, shelves.snapshots, shelves.files, shelves.hurried, shelves.drafts, shelves.meta].map((shelf) =>
      shelf.keys(),
    ),
  );
  expect(keys.flat().filter((key) => key.split("/").includes(slot))).toEqual([]);
  expect((await (await openIn(shelves)).session(other))?.entries).toHaveLength(renamed().length);
  expect(await (await openIn(shelves)).readFile(other, fileId("ada"))).not.toBeNull();
});

it("what a screen remembered goes with its course, also where the page was left before the database had written it", async () => {
  const shelves = memoryShelves();
  const repository = await openIn(shelves);
  const slot = await repository.keepCourse("small", small(), files);
  const other = await repository.keepCourse("other", renamed(), files);
  const never = new Promise<void>(() => undefined);
  const left = await openIn({ ...shelves, meta: { ...shelves.meta, set: () => never } });
  for (const one of [slot, other]) {
    await left.session(one);
    void left.remember(`gradebook/${one}`, "?section=a");
  }
  await (await openIn(shelves)).deleteCourse(slot);
  expect(await shelves.hurried.keys()).toEqual([`screen/gradebook/${other}`]);
  const again = await openIn(shelves);
  expect(await again.keepCourse("small", small(), files)).toBe(slot);
  expect(await again.recall(`gradebook/${slot}`)).toBeFalsy();
});

it("what a screen has only just chosen is not written behind the back of a course that is being deleted", async () => {
  const shelves = memoryShelves();
  const late = (key: string) => (key.startsWith("screen/") ? new Promise((resolve) => setTimeout(resolve, 30)) : null);
  const meta: Shelves["meta"] = {
    ...shelves.meta,
    set: async (key, value) => {
      await late(key);
      await shelves.meta.set(key, value);
    },
  };
  const repository = await openIn({ ...shelves, meta });
  const slot = await repository.keepCourse("small", small(), files);
  await repository.session(slot);
  const written = ["?section=a", "?section=b"].map((search) => repository.remember(`gradebook/${slot}`, search));
  await repository.deleteCourse(slot);
  // A part of the page that has not heard of it yet.
  await Promise.all([...written, repository.remember(`place/${slot}`, "Ada")]);
  const keys = [...(await shelves.meta.keys()), ...(await shelves.hurried.keys())];
  expect(keys.filter((key) => key.split("/").includes(slot))).toEqual([]);
});

it("what is still being asked for while a course is deleted is not told of the next one in its slot", async () => {
  const shelves = memoryShelves();
  const slow: Shelves["meta"] = {
    ...shelves.meta,
    get: async (key) => {
      const value = await shelves.meta.get(key);
      if (key.startsWith("screen/")) await new Promise((resolve) => setTimeout(resolve, 30));
      return value;
    },
  };
  const slot = await (await openIn(shelves)).keepCourse("small", small(), files);
  const before = await openIn(shelves);
  await before.session(slot);
  await before.remember(`gradebook/${slot}`, "?section=a");
  const repository = await openIn({ ...shelves, meta: slow });
  await repository.session(slot);
  const asked = repository.recall(`gradebook/${slot}`);
  await repository.deleteCourse(slot);
  await asked;
  expect(await repository.keepCourse("small", small(), files)).toBe(slot);
  await repository.session(slot);
  expect(await repository.recall(`gradebook/${slot}`)).toBeFalsy();
});

it("a slot of which a screen remembers something is never taken", async () => {
  const shelves = memoryShelves();
  await shelves.hurried.set("screen/gradebook/small", "?section=a");
  expect(await (await openIn(shelves)).keepCourse("small", small(), files)).toBe("small-2");
});

it("a course that is called like a thing of the screen takes its slot, and leaves the thing when it goes", async () => {
  const shelves = memoryShelves();
  const repository = await openIn(shelves);
  await repository.remember("light", "lamp");
  expect(await repository.keepCourse("light", small(), files)).toBe("light");
  await repository.deleteCourse("light");
  expect(await (await openIn(shelves)).recall("light")).toBe("lamp");
});

it.each([...Array(5).keys()])(
  "a deleting that was cut short at its write %i leaves the course whole or gone, never half",
  async (write) => {
    const shelves = memoryShelves();
    const slot = await (await openIn(shelves)).keepCourse("small", small(), files);
    const cut = await Repository.open(failingAt(shelves, write), memoryNeighbours()(), surroundings);
    await cut.deleteCourse(slot).catch(() => null);
    const repository = await openIn(shelves);
    const listed = (await repository.courses()).map((course) => course.slot);
    if (listed.includes(slot)) {
      const session = await repository.session(slot);
      expect(session?.damage).toBeNull();
      expect(session?.entries).toHaveLength(small().length);
    } else {
      const next = await repository.keepCourse("small", renamed(), new Map());
      expect((await (await openIn(shelves)).session(next))?.damage).toBeNull();
      const kept = await shelves.files.keys();
      expect(kept).toEqual([]);
    }
  },
);

it("a course that is put away is listed as such, opens, and comes back", async () => {
  const shelves = memoryShelves();
  const repository = await openIn(shelves);
  const slot = await repository.keepCourse("small", small(), new Map());
  await repository.archiveCourse(slot, true);
  expect(await (await openIn(shelves)).courses()).toMatchObject([{ slot, archived: true }]);
  expect((await (await openIn(shelves)).session(slot))?.entries).toHaveLength(small().length);
  await repository.archiveCourse(slot, false);
  expect(await repository.courses()).toMatchObject([{ slot, archived: false }]);
});
