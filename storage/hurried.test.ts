import { expect, it } from "vitest";
import { ENTRY_SCHEMA, runCommand, type Command } from "#core/changes";
import type { Instant } from "#core/kernel";
import { resultOf } from "#core/model";
import { assignmentId, entriesOf, smallCourse, studentId, WORLD } from "#core/testing";
import { hurry, leftBehind, type UnwrittenEntry } from "./hurried";
import { readJournal as readBack } from "./journal/read-journal";
import { memoryNeighbours, memoryShelves } from "./shelves/memory-shelves";
import { Repository } from "./repository";
import type { Shelves } from "./shelves/shelf";

const readJournal = async (shelves: Shelves, slot: string) => (await readBack(shelves, slot)).ledger;

const quiz = assignmentId("quiz");
const score = (text: string, who = "ben"): Command => ({
  type: "setScore",
  assignmentId: quiz,
  studentId: studentId(who),
  text,
});
let clock = 0;
const surroundings = {
  now: () => new Date(Date.UTC(2026, 10, 2, 9, 0, (clock += 1))).toISOString() as Instant,
  fresh: () => `f${String((clock += 1))}`,
};
const never = new Promise<never>(() => null);

async function openIn(shelves: Shelves, neighbours = memoryNeighbours()()) {
  const session = await (await Repository.open(shelves, neighbours, surroundings)).session("small");
  if (!session) throw new Error("no session");
  return session;
}

async function keptCourse(): Promise<Shelves> {
  const shelves = memoryShelves();
  const repository = await Repository.open(shelves, memoryNeighbours()(), surroundings);
  await repository.keepCourse("small", entriesOf(smallCourse()), new Map());
  return shelves;
}

/** A tab whose writes into the journal never come to an end, as when it is closed in that breath. */
const dying = (shelves: Shelves): Shelves => ({ ...shelves, journal: { ...shelves.journal, set: () => never } });

const stepOf = (command: Command): UnwrittenEntry => {
  const done = runCommand(smallCourse(), command, WORLD);
  if (!done.ok) throw new Error("refused");
  return { kind: "change", of: null, change: done.value.change };
};

it("a score typed in the breath in which the page is left is there again, with those before it and its undoing", async () => {
  const shelves = await keptCourse();
  const tab = await openIn(dying(shelves));
  tab.submit(score("15"));
  tab.submit(score("16"));
  tab.submit(score("9", "cleo"));
  tab.step("undo");
  expect((await readJournal(shelves, "small")).seq).toBe(1);

  const again = await openIn(shelves);
  await again.settled();
  expect(resultOf(again.state, quiz, studentId("ben")).score).toBe("16");
  expect(resultOf(again.state, quiz, studentId("cleo")).score).toBeNull();
  expect(again.entries.map(({ kind }) => kind)).toEqual(["change", "change", "change", "change", "undo"]);
  expect((await readJournal(shelves, "small")).state).toEqual(again.state);
  await expect.poll(() => shelves.hurried.keys()).toEqual([]);
  expect(again.step("redo").ok).toBe(true);
});

it("what stands in the journal is not taken a second time", async () => {
  const shelves = await keptCourse();
  const deaf = { ...shelves, hurried: { ...shelves.hurried, remove: () => never } };
  const tab = await openIn(deaf);
  tab.submit(score("15"));
  await tab.settled();
  expect(await shelves.hurried.keys()).toHaveLength(1);
  const again = await openIn(shelves);
  expect(again.entries).toHaveLength(2);
  expect(await shelves.hurried.keys()).toEqual([]);
});

it("a tab that is opened while another still writes neither doubles its change nor sets it aside", async () => {
  const shelves = await keptCourse();
  const tabs = memoryNeighbours();
  const one = await openIn(shelves, tabs());
  let open = () => undefined as unknown;
  const gate = new Promise((resolve) => (open = () => (resolve(null), undefined)));
  void tabs().alone("small", () => gate);
  const opening = openIn(shelves, tabs());
  await Promise.resolve();
  await new Promise((resolve) => setTimeout(resolve, 0)); // the second tab stands in line now
  one.submit(score("15"));
  open();
  const two = await opening;
  await Promise.all([one.settled(), two.settled()]);
  await expect.poll(() => one.entries.length).toBe(2);
  await expect.poll(() => two.entries.length).toBe(2);
  expect([...one.setAside, ...two.setAside]).toEqual([]);
  expect(resultOf(one.state, quiz, studentId("ben")).score).toBe("15");
  expect((await readJournal(shelves, "small")).seq).toBe(2);
});

it("a step left behind that fits no longer is set aside with its words", async () => {
  const shelves = await keptCourse();
  (await openIn(dying(shelves))).submit(score("15"));
  const [key = ""] = await shelves.hurried.keys();
  const left = await shelves.hurried.get(key);
  await shelves.hurried.remove(key);
  const other = await openIn(shelves);
  other.submit(score("12"));
  await other.settled();
  await shelves.hurried.set(key, left);
  const again = await openIn(shelves);
  await again.settled();
  expect(again.setAside.map(({ line }) => line)).toEqual(["Ben Bolt, Quiz: score 15"]);
  expect(resultOf(again.state, quiz, studentId("ben")).score).toBe("12");
  expect(await shelves.hurried.keys()).toEqual([]);
});

it("steps of a newer application are left alone, those of other courses too, and large ones are not hurried", async () => {
  const shelves = await keptCourse();
  const step = stepOf(score("15"));
  await shelves.hurried.set(`small/${step.change.id}`, { schema: ENTRY_SCHEMA + 1, place: 1, step });
  await hurry(shelves, "small-2", step, 1);
  expect(await leftBehind(shelves, "small", () => [])).toEqual([]);
  expect(await leftBehind(shelves, "small-2", () => [])).toEqual([step]);
  const [patch] = step.change.patches;
  if (!patch) throw new Error("no patch");
  const large = { ...step, change: { ...step.change, patches: Array.from({ length: 301 }, () => patch) } };
  await hurry(shelves, "large", large, 1);
  expect(await shelves.hurried.keys()).toHaveLength(2);
});

it("a shelf that is full changes nothing: the journal keeps the change", async () => {
  const shelves = await keptCourse();
  const full = { ...shelves, hurried: { ...shelves.hurried, set: () => Promise.reject(new Error("full")) } };
  const tab = await openIn(full);
  expect(tab.submit(score("15")).ok).toBe(true);
  await tab.settled();
  expect(tab.keeping.kind).toBe("kept");
  expect((await readJournal(shelves, "small")).seq).toBe(2);
});
