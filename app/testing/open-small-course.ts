import { RouterContextProvider } from "react-router";
import type { Instant } from "#core/kernel";
import { entriesOf, smallCourse } from "#core/testing";
import { memoryNeighbours, memoryShelves } from "../../storage/shelves/memory-shelves";
import { Repository } from "../../storage";
import { repositoryContext } from "../context";

let count = 0;
const surroundings = {
  now: () => new Date(Date.UTC(2026, 10, 28, 9, 0, (count += 1))).toISOString() as Instant,
  fresh: () => `f${String((count += 1))}`,
};

/** The small course of the tests, open in a store in memory, with the context that loaders and actions read. */
export async function openSmallCourse() {
  const repository = await Repository.open(memoryShelves(), memoryNeighbours()(), surroundings);
  const slot = await repository.keepCourse("small", entriesOf(smallCourse()), new Map());
  const session = await repository.session(slot);
  if (!session) throw new Error("no session");
  const context = new RouterContextProvider();
  context.set(repositoryContext, Promise.resolve(repository));
  return { repository, slot, session, context };
}

/** A form sent to a route's action; a name may come more than once. */
export function sentForm(...fields: readonly (readonly [name: string, value: string])[]): Request {
  const body = new FormData();
  for (const [name, value] of fields) body.append(name, value);
  return new Request("http://localhost/", { method: "post", body });
}
