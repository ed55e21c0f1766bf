import { expect, it } from "vitest";
import type { Instant } from "#core/kernel";
import { entriesOf, fileId, smallCourse } from "#core/testing";
import { memoryNeighbours, memoryShelves } from "./shelves/memory-shelves";
import { Repository } from "./repository";

const surroundings = { now: () => "2026-11-30T09:00:00Z" as Instant, fresh: () => "x" };
const entries = () => entriesOf(smallCourse());

it("counts the files and the journal of one course, and nothing of another", async () => {
  const shelves = memoryShelves();
  const repository = await Repository.open(shelves, memoryNeighbours()(), surroundings);
  const blob = new Blob(["x".repeat(12_345)]);
  await repository.keepCourse("small", entries(), new Map([[fileId("ada"), blob]]));
  const alone = await repository.spaceOf("small");
  expect([...alone.files]).toEqual([[fileId("ada"), 12_345]]);
  const text = JSON.stringify(entries()).length;
  expect(alone.journal).toBeGreaterThan(text);
  expect(alone.journal).toBeLessThan(3 * text);
  await repository.keepCourse("small-2", entries(), new Map([[fileId("ben"), blob]]));
  expect(await repository.spaceOf("small")).toEqual(alone);
});

it("keeps the folder for copies until it is let go of, or the course is deleted", async () => {
  const repository = await Repository.open(memoryShelves(), memoryNeighbours()(), surroundings);
  await repository.keepCourse("small", entries(), new Map());
  await repository.keepFolder("small", { name: "Copies" });
  expect(await repository.folderOf("small")).toEqual({ name: "Copies" });
  await repository.keepFolder("small", null);
  expect(await repository.folderOf("small")).toBeNull();
  await repository.keepFolder("small", { name: "Copies" });
  await repository.deleteCourse("small");
  expect(await repository.folderOf("small")).toBeNull();
});
