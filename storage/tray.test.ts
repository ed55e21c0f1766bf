import { expect, it } from "vitest";
import type { Piece, PieceId } from "#core/collect";
import { entriesOf, makePiece, smallCourse } from "#core/testing";
import { memoryNeighbours, memoryShelves } from "./shelves/memory-shelves";
import { Repository } from "./repository";
import { Tray } from "./tray";

const piece = (name: string, order: number): Piece => makePiece(name, { order });
const blob = new Blob(["abc"]);
const names = (tray: Tray) => tray.pieces.map(({ id }) => id.slice("piece:".length));

it("outlives a reload with its blobs, in the order in which the pieces came, each with its decision", async () => {
  const shelves = memoryShelves();
  const tray = await Tray.open(shelves, "c");
  let told = 0;
  tray.subscribe(() => (told += 1));
  await tray.add([
    { piece: piece("b", 1), blob },
    { piece: piece("a", 0), blob },
  ]);
  await tray.change({ ...piece("b", 1), decision: { kind: "leftOut" } });
  expect(told).toBe(2);
  const again = await Tray.open(shelves, "c");
  expect(names(again)).toEqual(["a", "b"]);
  expect(again.pieces[1]?.decision).toEqual({ kind: "leftOut" });
  expect(await shelves.files.keys()).toEqual(["c/file:b", "c/file:a"]);
  expect(names(await Tray.open(shelves, "other"))).toEqual([]);
});

it("keeps what was decided in the very turn, also where the page goes before the database has written", async () => {
  const shelves = memoryShelves();
  const tray = await Tray.open(shelves, "c");
  await tray.add([{ piece: piece("a", 0), blob }]);
  const never = new Promise<void>(() => undefined);
  const left = await Tray.open({ ...shelves, meta: { ...shelves.meta, set: () => never } }, "c");
  void left.change({ ...piece("a", 0), decision: { kind: "leftOut" } });
  expect((await Tray.open(shelves, "c")).pieces[0]?.decision).toEqual({ kind: "leftOut" });
  // Once the database has it, nothing is left of it elsewhere.
  expect((await Tray.open(shelves, "c")).pieces[0]?.decision).toEqual({ kind: "leftOut" });
  expect(await shelves.hurried.keys()).toEqual([]);
});

it("shows what another tab drops, decides and lets go", async () => {
  const shelves = memoryShelves();
  const neighbours = memoryNeighbours();
  const [here, there] = [await Tray.open(shelves, "c", neighbours()), await Tray.open(shelves, "c", neighbours())];
  const told = () => new Promise<void>((resolve) => void there.subscribe(resolve));
  let heard = told();
  await here.add([{ piece: piece("a", 0), blob }]);
  await heard;
  expect(names(there)).toEqual(["a"]);
  heard = told();
  await here.change({ ...piece("a", 0), decision: { kind: "leftOut" } });
  await heard;
  expect(there.pieces[0]?.decision).toEqual({ kind: "leftOut" });
  heard = told();
  await here.drop(["piece:a" as PieceId], () => false);
  await heard;
  expect(names(there)).toEqual([]);
});

it("keeps what it takes in while it reads what another tab has done", async () => {
  const shelves = memoryShelves();
  const neighbours = memoryNeighbours();
  let listed: () => void = () => undefined;
  const untilListed = new Promise<void>((resolve) => (listed = resolve));
  let slow: Promise<void> | null = null;
  const keys = async () => {
    const found = await shelves.meta.keys();
    const wait = slow;
    slow = null;
    if (wait) listed();
    await wait;
    return found;
  };
  const here = await Tray.open({ ...shelves, meta: { ...shelves.meta, keys } }, "c", neighbours());
  const there = await Tray.open(shelves, "c", neighbours());
  let goOn: () => void = () => undefined;
  slow = new Promise<void>((resolve) => (goOn = resolve));
  await there.add([{ piece: piece("a", 0), blob }]);
  await untilListed;
  await here.add([{ piece: piece("b", 1), blob }]);
  const shown = new Promise<void>((resolve) => void here.subscribe(resolve));
  goOn();
  await shown;
  expect(names(here)).toEqual(["a", "b"]);
});

it("never brings back a piece that was let go in between", async () => {
  const shelves = memoryShelves();
  const tray = await Tray.open(shelves, "c");
  await tray.add([{ piece: piece("a", 0), blob }]);
  await tray.change({ ...piece("a", 0), decision: { kind: "leftOut" } });
  await tray.drop(["piece:a" as PieceId], () => false);
  expect(names(await Tray.open(shelves, "c"))).toEqual([]);
  expect(await shelves.hurried.keys()).toEqual([]);
});

it("lets a piece go with its blob, but for one that a course names", async () => {
  const shelves = memoryShelves();
  const tray = await Tray.open(shelves, "c");
  await tray.add(["a", "b"].map((name, order) => ({ piece: piece(name, order), blob })));
  await tray.drop(["piece:a" as PieceId, "piece:b" as PieceId], (file) => file === "file:b");
  expect(names(tray)).toEqual([]);
  expect(await shelves.files.keys()).toEqual(["c/file:b"]);
  expect(names(await Tray.open(shelves, "c"))).toEqual([]);
});

it("keeps what was taken in before the disk was full, and leaves no blob of what was not", async () => {
  const shelves = memoryShelves();
  let writes = 0;
  const full = {
    ...shelves,
    meta: {
      ...shelves.meta,
      set: (key: string, value: unknown) =>
        (writes += 1) > 1 ? Promise.reject(new Error("full")) : shelves.meta.set(key, value),
    },
  };
  const tray = await Tray.open(full, "c");
  await expect(tray.add(["a", "b"].map((name, order) => ({ piece: piece(name, order), blob })))).rejects.toThrow(
    "full",
  );
  expect(names(await Tray.open(shelves, "c"))).toEqual(["a"]);
  expect(await shelves.files.keys()).toEqual(["c/file:a"]);
});

it("passes over a piece that does not read", async () => {
  const shelves = memoryShelves();
  await shelves.meta.set("tray/c/piece:x", { id: "piece:x" });
  expect(names(await Tray.open(shelves, "c"))).toEqual([]);
});

it("goes with its course", async () => {
  const shelves = memoryShelves();
  let fresh = 0;
  const surroundings = { now: () => "2026-10-26T12:00:00Z" as never, fresh: () => String((fresh += 1)) };
  const repository = await Repository.open(shelves, memoryNeighbours()(), surroundings);
  const slot = await repository.keepCourse("small", entriesOf(smallCourse()), new Map());
  await (await repository.tray(slot)).add([{ piece: piece("a", 0), blob }]);
  await repository.deleteCourse(slot);
  expect((await shelves.meta.keys()).filter((key) => key.startsWith("tray/"))).toEqual([]);
  expect(await shelves.files.keys()).toEqual([]);
  expect(names(await repository.tray(slot))).toEqual([]);
});
