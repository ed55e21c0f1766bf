import "fake-indexeddb/auto";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { ENTRY_SCHEMA, runCommand, type Command } from "#core/changes";
import type { Instant } from "#core/kernel";
import { EMPTY_STATE, resultOf } from "#core/model";
import { assignmentId, entriesOf, fileId, smallCourse, studentId, WORLD } from "#core/testing";
import { entriesOf as entriesIn } from "./journal/journal";
import { compact } from "./journal/many-entries";
import { readJournal as readBack } from "./journal/read-journal";
import { JournalError } from "./journal/journal-error";
import { openLocalShelves } from "./shelves/local-shelves";
import { memoryNeighbours, memoryShelves } from "./shelves/memory-shelves";
import { migrate, NewerStorageError, type Migration } from "./migrations";
import { Repository } from "./repository";
import type { CourseSession } from "./session";
import type { Surroundings } from "./surroundings";
import type { Shelves } from "./shelves/shelf";
import { writeOn } from "./testing/write-on";

const readJournal = async (shelves: Shelves, slot: string) => (await readBack(shelves, slot)).ledger;

// localForage asks the browser's name before it trusts the database with Blobs; Node 20 has none.
vi.hoisted(() => {
  if (!("navigator" in globalThis)) Object.assign(globalThis, { navigator: { userAgent: "test" } });
});

const quiz = assignmentId("quiz");
const ben = { assignmentId: quiz, studentId: studentId("ben") };
let clock = 0;
const surroundings: Surroundings = {
  now: () => new Date(Date.UTC(2026, 9, 26, 12, 0, (clock += 1))).toISOString() as Instant,
  fresh: () => `f${String((clock += 1))}`,
};
const score = (text: string, who = "ben"): Command => ({
  type: "setScore",
  assignmentId: quiz,
  studentId: studentId(who),
  text,
});
const scoreOf = (session: CourseSession, who = "ben") => resultOf(session.state, quiz, studentId(who)).score;

const startEntries = () => entriesOf(smallCourse());

const makers: readonly (readonly [string, () => Promise<Shelves>])[] = [
  ["in memory", () => Promise.resolve(memoryShelves())],
  [
    "in the browser's database",
    async () => {
      const shelves = await openLocalShelves();
      for (const shelf of [shelves.meta, shelves.journal, shelves.snapshots, shelves.files]) {
        for (const key of await shelf.keys()) await shelf.remove(key);
      }
      return shelves;
    },
  ],
];

describe.each(makers)("a course kept %s", (_name, makeShelves) => {
  let shelves: Shelves;
  let tabs: ReturnType<typeof memoryNeighbours>;
  let repository: Repository;
  let slot: string;
  const openTab = async () => {
    const tab = await Repository.open(shelves, tabs(), surroundings);
    const session = await tab.session(slot);
    if (!session) throw new Error("no session");
    return session;
  };

  beforeEach(async () => {
    shelves = await makeShelves();
    tabs = memoryNeighbours();
    repository = await Repository.open(shelves, tabs(), surroundings);
    slot = await repository.keepCourse("small", startEntries(), new Map([[fileId("ada"), new Blob(["%PDF"])]]));
  });

  it("is listed, opens, and answers null where there is none", async () => {
    expect(await repository.courses()).toEqual([{ slot: "small", title: "Small course", origin: "own" }]);
    expect((await openTab()).state).toEqual(smallCourse());
    expect(await repository.session("nowhere")).toBeNull();
  });

  it("has one session in a tab, also where several ask for it at once", async () => {
    const [one, two] = await Promise.all([repository.session(slot), repository.session(slot)]);
    expect(one).not.toBeNull();
    expect(two).toBe(one);
    const none = await Promise.all([repository.session("later"), repository.session("later")]);
    expect(none).toEqual([null, null]);
    await repository.keepCourse("later", startEntries(), new Map());
    expect(await repository.session("later")).not.toBeNull();
  });

  it("takes a slot of its own when the wish is taken", async () => {
    expect(await repository.keepCourse("small", startEntries(), new Map())).toBe("small-2");
    expect(await repository.courses()).toHaveLength(2);
  });

  it("shows a change at once and keeps it behind, in one write", async () => {
    const session = await openTab();
    const before = (await shelves.journal.keys()).length;
    expect(session.submit(score("15")).ok).toBe(true);
    expect(scoreOf(session)).toBe("15");
    expect(session.keeping.kind).toBe("keeping");
    await session.settled();
    expect(session.keeping.kind).toBe("kept");
    expect((await shelves.journal.keys()).length).toBe(before + 1);
  });

  it("is there again after a reload, with undo and redo", async () => {
    const session = await openTab();
    session.submit(score("15"));
    session.submit(score("16"));
    session.step("undo");
    await session.settled();
    const again = await openTab();
    expect(scoreOf(again)).toBe("15");
    expect(again.step("redo").ok).toBe(true);
    expect(scoreOf(again)).toBe("16");
    again.step("undo");
    again.step("undo");
    expect(scoreOf(again)).toBeNull();
    await again.settled();
    expect(again.entries.map(({ kind }) => kind)).toEqual([
      "change",
      "change",
      "change",
      "undo",
      "redo",
      "undo",
      "undo",
    ]);
  });

  it("refuses without a trace", async () => {
    const session = await openTab();
    expect(session.submit(score("abc"))).toMatchObject({ ok: false, issue: { code: "entry_not_understood" } });
    expect(session.step("undo")).toMatchObject({ ok: false, issue: { code: "nothing_to_undo" } });
    await session.settled();
    expect(session.entries).toHaveLength(1);
  });

  it("keeps files with their bytes, and small things of the screen", async () => {
    expect(await (await repository.readFile(slot, fileId("ada")))?.text()).toBe("%PDF");
    expect(await repository.readFile(slot, fileId("none"))).toBeNull();
    await repository.remember("place", { a: 1 });
    expect(await repository.recall("place")).toEqual({ a: 1 });
    expect(await repository.recall("other")).toBeNull();
  });

  it("two tabs see each other's changes", async () => {
    const [one, two] = [await openTab(), await openTab()];
    one.submit(score("15"));
    await one.settled();
    two.submit(score("12", "cleo"));
    await two.settled();
    expect(scoreOf(two)).toBe("15");
    await expect.poll(() => scoreOf(one, "cleo")).toBe("12");
    expect((await readJournal(shelves, slot)).seq).toBe(3);
  });

  it("two tabs never overwrite each other: the second is set aside with its words", async () => {
    const [one, two] = [await openTab(), await openTab()];
    one.submit(score("15"));
    two.submit(score("18"));
    await Promise.all([one.settled(), two.settled()]);
    const winner = (await readJournal(shelves, slot)).state;
    expect(["15", "18"]).toContain(resultOf(winner, quiz, ben.studentId).score);
    await expect.poll(() => scoreOf(one) === scoreOf(two)).toBe(true);
    const aside = [...one.setAside, ...two.setAside];
    expect(aside.map(({ line }) => line)).toHaveLength(1);
    expect(aside[0]?.line).toMatch(/Ben Bolt, Quiz: score 1[58]/);
    (one.setAside.length > 0 ? one : two).acknowledge();
    expect([...one.setAside, ...two.setAside]).toEqual([]);
  });

  it("many changes from two tabs at once all arrive, in one order", async () => {
    const [one, two] = [await openTab(), await openTab()];
    for (let index = 0; index < 20; index += 1) {
      one.submit({ type: "setComment", ...ben, facing: "student", text: `one ${String(index)}` });
      two.submit({ type: "setComment", ...ben, facing: "private", text: `two ${String(index)}` });
    }
    await Promise.all([one.settled(), two.settled()]);
    await expect.poll(() => one.entries.length).toBe(41);
    const ledger = await readJournal(shelves, slot);
    expect(entriesIn(ledger).map(({ seq }) => seq)).toEqual(Array.from({ length: 41 }, (_, index) => index + 1));
    expect(resultOf(ledger.state, quiz, ben.studentId)).toMatchObject({
      overallComment: "one 19",
      privateNote: "two 19",
    });
  });

  it("gathers old entries into blocks without losing one", async () => {
    let state = smallCourse();
    for (let seq = 2; seq <= 450; seq += 1) {
      const done = runCommand(state, score(String(seq % 20)), WORLD);
      if (!done.ok) throw new Error("refused");
      state = done.value.state;
      await writeOn(shelves, slot, {
        seq,
        schema: ENTRY_SCHEMA,
        kind: "change",
        of: null,
        change: done.value.change,
      });
    }
    const before = await readJournal(shelves, slot);
    const keys = (await shelves.journal.keys()).length;
    await compact(shelves, slot, before);
    expect((await shelves.journal.keys()).length).toBeLessThan(keys - 200);
    const after = await readJournal(shelves, slot);
    expect(entriesIn(after)).toEqual(entriesIn(before));
    expect(after.state).toEqual(before.state);
  });

  it("a change that comes while the journal is being gathered is written too, and nothing says kept before", async () => {
    const session = await openTab();
    let asked = false;
    const seen: string[] = [];
    session.subscribe(() => {
      seen.push(session.keeping.kind);
      if (asked || session.keeping.kind !== "kept") return;
      asked = true;
      session.submit(score("16"));
    });
    session.submit(score("15"));
    await session.settled();
    expect(seen.slice(0, seen.indexOf("kept") + 2)).toEqual(["keeping", "keeping", "kept", "keeping"]);
    expect(session.keeping.kind).toBe("kept");
    expect(scoreOf(await openTab())).toBe("16");
  });

  it("a tab that slept while entries were gathered takes them all in before it writes", async () => {
    const sleeper = await openTab();
    let state = smallCourse();
    for (let seq = 2; seq <= 450; seq += 1) {
      const done = runCommand(state, score(String(seq % 20)), WORLD);
      if (!done.ok) throw new Error("refused");
      state = done.value.state;
      const { change } = done.value;
      await writeOn(shelves, slot, { seq, schema: ENTRY_SCHEMA, kind: "change", of: null, change });
    }
    await compact(shelves, slot, await readJournal(shelves, slot));
    sleeper.submit(score("7", "cleo"));
    await sleeper.settled();
    expect(scoreOf(sleeper)).toBe("10"); // 450 modulo 20
    const ledger = await readJournal(shelves, slot);
    expect(ledger.seq).toBe(451);
    expect(resultOf(ledger.state, quiz, studentId("cleo")).score).toBe("7");
  });

  it("is not opened when its journal has a gap or is newer", async () => {
    const [first] = startEntries();
    if (!first) throw new Error("no entry");
    await writeOn(shelves, slot, { ...first, seq: 3 });
    expect((await readJournal(shelves, slot)).damage).toMatchObject({ seq: 2, lost: 2, kept: false });
    await shelves.journal.remove(`${slot}/entry/000000003`);
    await writeOn(shelves, slot, { ...first, seq: 2, schema: 9 as typeof ENTRY_SCHEMA });
    await expect(readJournal(shelves, slot)).rejects.toBeInstanceOf(JournalError);
  });
});

describe("stores of layout 1", () => {
  it("lose their snapshots, which the journal makes again, and nothing else", async () => {
    const shelves = memoryShelves();
    const first = await Repository.open(shelves, memoryNeighbours()(), surroundings);
    const slot = await first.keepCourse("small", startEntries(), new Map());
    await shelves.meta.set("layout", 1);
    await shelves.snapshots.set(slot, { seq: 1, state: { results: "as layout 1 kept them" } });
    const again = await Repository.open(shelves, memoryNeighbours()(), surroundings);
    expect(await shelves.snapshots.keys()).toEqual([]);
    expect(await shelves.meta.get("layout")).toBe(9);
    expect((await again.session(slot))?.state).toEqual(smallCourse());
  });
});

describe("when a write fails", () => {
  const fullDisk = new DOMException("The disk is full.", "QuotaExceededError");

  async function brokenCourse() {
    const shelves = memoryShelves();
    let broken = false;
    const fragile: Shelves = {
      ...shelves,
      journal: {
        ...shelves.journal,
        set: (key, value) => (broken ? Promise.reject(fullDisk) : shelves.journal.set(key, value)),
      },
    };
    const repository = await Repository.open(fragile, memoryNeighbours()(), surroundings);
    const slot = await repository.keepCourse("small", startEntries(), new Map());
    const session = await repository.session(slot);
    if (!session) throw new Error("no session");
    return { session, shelves, slot, break: (now: boolean) => (broken = now) };
  }

  it("the change stays on the screen, the bar says so, and nothing says kept", async () => {
    const course = await brokenCourse();
    course.break(true);
    course.session.submit(score("15"));
    course.session.submit(score("12", "cleo"));
    await course.session.settled();
    expect(course.session.keeping).toEqual({
      kind: "failed",
      count: 2,
      message: "The disk is full.",
      why: "refused",
    });
    expect(scoreOf(course.session)).toBe("15");
    expect((await readJournal(course.shelves, course.slot)).seq).toBe(1);
  });

  it("trying again keeps everything, in order", async () => {
    const course = await brokenCourse();
    course.break(true);
    course.session.submit(score("15"));
    course.session.submit(score("16"));
    await course.session.settled();
    course.break(false);
    await course.session.retry();
    expect(course.session.keeping.kind).toBe("kept");
    const { state, seq } = await readJournal(course.shelves, course.slot);
    expect(seq).toBe(3);
    expect(resultOf(state, quiz, ben.studentId).score).toBe("16");
  });

  it("the unkept change is part of the entries that a course file is made of", async () => {
    const course = await brokenCourse();
    course.break(true);
    course.session.submit(score("15"));
    await course.session.settled();
    expect(course.session.entries.at(-1)?.change.line).toBe("Ben Bolt, Quiz: score 15");
  });

  it("a course half written is never listed", async () => {
    const shelves = memoryShelves();
    const fragile = { ...shelves, files: { ...shelves.files, set: () => Promise.reject(fullDisk) } };
    const repository = await Repository.open(fragile, memoryNeighbours()(), surroundings);
    const files = new Map([[fileId("ada"), new Blob(["%PDF"])]]);
    await expect(repository.keepCourse("small", startEntries(), files)).rejects.toBe(fullDisk);
    expect(await repository.courses()).toEqual([]);
  });
});

describe("the stored layout", () => {
  const step = (number: number, done: number[]): Migration => ({
    number,
    name: `step-${String(number)}`,
    migrate: () => {
      done.push(number);
      return Promise.resolve();
    },
  });

  it("is brought up step by step, each step once", async () => {
    const shelves = memoryShelves();
    const done: number[] = [];
    await migrate(shelves, [step(1, done)]);
    await migrate(shelves, [step(1, done), step(2, done), step(3, done)]);
    expect(done).toEqual([1, 2, 3]);
  });

  it("that was cut short in a step runs that step again", async () => {
    const shelves = memoryShelves();
    const done: number[] = [];
    const breaking: Migration = { number: 2, name: "breaks", migrate: () => Promise.reject(new Error("cut")) };
    await expect(migrate(shelves, [step(1, done), breaking])).rejects.toThrow("cut");
    await migrate(shelves, [step(1, done), step(2, done)]);
    expect(done).toEqual([1, 2]);
  });

  it("of a newer application is left untouched", async () => {
    const shelves = memoryShelves();
    await migrate(shelves, [step(1, []), step(2, [])]);
    await expect(migrate(shelves, [step(1, [])])).rejects.toBeInstanceOf(NewerStorageError);
    expect(await shelves.meta.get("layout")).toBe(2);
  });

  it("must number its steps without gaps", async () => {
    await expect(migrate(memoryShelves(), [step(2, [])])).rejects.toThrow(RangeError);
  });
});

it("an empty course is started by one command", async () => {
  const repository = await Repository.open(memoryShelves(), memoryNeighbours()(), surroundings);
  const course = Object.values(smallCourse().courses)[0];
  if (!course) throw new Error("no course");
  const started = await repository.startCourse("new", {
    type: "startCourse",
    course,
    markerName: "M",
    sections: ["Heron"],
  });
  expect(started).toEqual({ ok: true, value: "new" });
  const session = await repository.session("new");
  expect(Object.keys(session?.state.sections ?? {})).toHaveLength(1);
  expect(session?.state.students).toEqual(EMPTY_STATE.students);
});
