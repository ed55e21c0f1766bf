import { describe, expect, it } from "vitest";
import { brokenLink } from "#core/changes";
import type { Instant } from "#core/kernel";
import { resultOf } from "#core/model";
import { assignmentId, entriesOf, fileId, smallCourse, studentId } from "#core/testing";
import type { Stretcher } from "./lock/lock-record";
import { memoryNeighbours, memoryShelves } from "./shelves/memory-shelves";
import { Repository } from "./repository";
import { wholeChain } from "./testing/whole-chain";
import type { CourseSession } from "./session";
import type { Shelf, Shelves } from "./shelves/shelf";

const [quiz, essay] = [assignmentId("quiz"), assignmentId("essay")];
const wish = { passphrase: "seven wet herons", label: "Locked course", idleMinutes: 15 };

/** Stands in for Argon2id, which takes half a second. */
const stretcher: Stretcher = {
  measure: () => Promise.resolve({ memory: 8, passes: 1 }),
  stretch: async (passphrase) =>
    new Uint8Array(await crypto.subtle.digest("SHA-256", new TextEncoder().encode(passphrase))),
};
let count = 0;
const surroundings = {
  now: () => "2026-11-30T09:00:00Z" as Instant,
  fresh: () => `f${String((count += 1)).padStart(12, "0")}`,
  stretcher,
};

/** Stores whose writes ask first; `allows` is told the number of each. */
function guarded(shelves: Shelves, allows: (write: number) => boolean): Shelves {
  let writes = 0;
  const ask = () => allows((writes += 1));
  const guard = (shelf: Shelf): Shelf => ({
    ...shelf,
    set: (key, value) => (ask() ? shelf.set(key, value) : Promise.reject(new Error("no room"))),
    remove: (key) => (ask() ? shelf.remove(key) : Promise.reject(new Error("no room"))),
  });
  return Object.fromEntries(Object.entries(shelves).map(([name, shelf]) => [name, guard(shelf as Shelf)])) as never;
}

/** What a person does in a sitting; answers which scores the bar had called kept when it said so. */
async function sitting(session: CourseSession, repository: Repository): Promise<readonly string[]> {
  const kept: string[] = [];
  const given: string[] = [];
  session.subscribe(() => {
    if (session.keeping.kind === "kept") kept.splice(0, kept.length, ...given);
  });
  for (const [index, score] of ["4", "7.5", "9", "11", "12.5", "3"].entries()) {
    const done = session.submit({ type: "setScore", assignmentId: quiz, studentId: studentId("ada"), text: score });
    expect(done.ok).toBe(true);
    given.push(score);
    if (index % 2 === 1) await session.settled();
    void session.drafts.put(`comment/${String(index)}`, { value: "half a thought", seen: "" });
    await repository.remember(`place/${session.slot}`, { at: index }).catch(() => null);
    await repository.keepFile(session.slot, fileId(`later-${String(index)}`), new Blob(["x"])).catch(() => null);
  }
  session.submit({ type: "setStanding", assignmentId: essay, studentId: studentId("ben"), decision: "missing" });
  await session.settled();
  return kept;
}

const scoresIn = (session: CourseSession): string[] =>
  session.entries.flatMap(({ change }) =>
    change.type === "setScore"
      ? change.patches.flatMap(({ after }) => (after && "score" in after ? [String(after.score)] : []))
      : [],
  );

async function kept(shelves: Shelves, isLocked: boolean): Promise<string> {
  const repository = await Repository.open(shelves, memoryNeighbours()(), surroundings);
  return repository.keepCourse("small", entriesOf(smallCourse()), new Map(), { lock: isLocked ? wish : null });
}

async function openedIn(shelves: Shelves, slot: string) {
  const repository = await Repository.open(shelves, memoryNeighbours()(), surroundings);
  await repository.locksmith.unlock(slot, { passphrase: wish.passphrase });
  const session = await repository.session(slot);
  if (!session) throw new Error("no session");
  return { repository, session };
}

describe.each([false, true])("writes that fail, in a course with a lock: %s", (isLocked) => {
  /** How many writes a sitting makes. */
  const writesOf = async (): Promise<number> => {
    const shelves = memoryShelves();
    const slot = await kept(shelves, isLocked);
    let writes = 0;
    const watched = guarded(shelves, (write) => (writes = write) > 0);
    const { repository, session } = await openedIn(watched, slot);
    await sitting(session, repository);
    return writes;
  };

  it("each once: nothing is lost, and all is there once after trying again", async () => {
    const writes = await writesOf();
    expect(writes).toBeGreaterThan(40);
    for (let failing = 1; failing <= writes; failing += 1) {
      const shelves = memoryShelves();
      const slot = await kept(shelves, isLocked);
      const { repository, session } = await openedIn(
        guarded(shelves, (write) => write !== failing),
        slot,
      );
      await sitting(session, repository);
      await session.retry();
      expect(session.keeping.kind).toBe("kept");
      const again = (await openedIn(shelves, slot)).session;
      expect(scoresIn(again)).toEqual(["4", "7.5", "9", "11", "12.5", "3"]);
      expect([again.damage, brokenLink({ ...(await wholeChain(await again.journal())), before: "" })]).toEqual([
        null,
        null,
      ]);
      expect(resultOf(again.state, quiz, studentId("ada")).score).toBe("3");
    }
  }, 60_000);

  it("all from one on: what was called kept is there, once, and nothing half", async () => {
    const writes = await writesOf();
    for (let failing = 1; failing <= writes; failing += 1) {
      const shelves = memoryShelves();
      const slot = await kept(shelves, isLocked);
      const { repository, session } = await openedIn(
        guarded(shelves, (write) => write < failing),
        slot,
      );
      const called = await sitting(session, repository);
      const again = (await openedIn(shelves, slot)).session;
      const found = scoresIn(again);
      expect(found.slice(0, called.length)).toEqual(called);
      // Beyond that stands what was on its way, in its order, each once.
      expect(["4", "7.5", "9", "11", "12.5", "3"].slice(0, found.length)).toEqual(found);
      expect([again.damage, again.broken]).toEqual([null, null]);
    }
  }, 60_000);
});

it("three tabs write 500 changes each at once: all are there, each once, in one chain", async () => {
  const shelves = memoryShelves();
  const slot = await kept(shelves, false);
  const neighbours = memoryNeighbours();
  const tabs = await Promise.all(
    [1, 2, 3].map(async () => {
      const session = await (await Repository.open(shelves, neighbours(), surroundings)).session(slot);
      if (!session) throw new Error("no session");
      return session;
    }),
  );
  const people = ["ada", "ben", "cleo"].map(studentId);
  for (let round = 0; round < 500; round += 1) {
    for (const [tab, session] of tabs.entries()) {
      const who = people[tab] ?? studentId("ada");
      // Each tab scores a student of its own: none stands in another's way.
      const text = String((round % 20) + (round % 2 ? 0.5 : 0));
      session.submit({ type: "setScore", assignmentId: quiz, studentId: who, text });
    }
    if (round % 50 === 49) await Promise.all(tabs.map((session) => session.settled()));
  }
  await Promise.all(tabs.map((session) => session.settled()));
  const again = await (await Repository.open(shelves, neighbours(), surroundings)).session(slot);
  if (!again) throw new Error("no session");
  const ids = again.entries.map(({ change }) => change.id);
  expect(ids.length).toBe(entriesOf(smallCourse()).length + 1_500);
  expect(new Set(ids).size).toBe(ids.length);
  expect(tabs.flatMap((session) => session.setAside)).toEqual([]);
  for (const who of people) expect(resultOf(again.state, quiz, who).score).toBe("19.5");
  expect([again.damage, again.broken]).toEqual([null, null]);
}, 120_000);
