import { expect, it } from "vitest";
import type { Instant } from "#core/kernel";
import { entriesOf, smallCourse } from "#core/testing";
import { memoryNeighbours, memoryShelves } from "./shelves/memory-shelves";
import { Repository } from "./repository";

const surroundings = () => {
  let count = 0;
  return { now: () => "2026-10-26T12:00:00Z" as Instant, fresh: () => String((count += 1)) };
};

it("a renamed course is listed under its new name, at once and after a reload, and one put away stays away", async () => {
  const shelves = memoryShelves();
  const repository = await Repository.open(shelves, memoryNeighbours()(), surroundings());
  const slot = await repository.keepCourse("small", entriesOf(smallCourse()), new Map());
  await repository.archiveCourse(slot, true);
  const session = await repository.session(slot);
  await repository.courses();
  session?.submit({ type: "editCourse", fields: { title: "Rivers II" } });
  expect((await repository.coursesAtHand()).map(({ title }) => title)).toEqual(["Rivers II"]);
  await session?.settled();
  const again = await Repository.open(shelves, memoryNeighbours()(), surroundings());
  expect(await again.courses()).toMatchObject([{ title: "Rivers II", archived: true }]);
});
