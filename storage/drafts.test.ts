import { describe, expect, it } from "vitest";
import { Drafts } from "./drafts";
import { memoryShelf } from "./shelves/memory-shelves";

const draft = (value: unknown) => ({ value, seen: "" });

describe("drafts of a course", () => {
  it("come back when the course is opened again, each at its place", async () => {
    const shelf = memoryShelf();
    const before = await Drafts.open(shelf, "rivers");
    await before.put("pile/quiz", draft("mor 18"));
    await before.put("comment/a/b", draft("Grüße, nearly"));
    const after = await Drafts.open(shelf, "rivers");
    expect(after.at("pile/quiz")).toEqual(draft("mor 18"));
    expect(after.at("comment/a/b")).toEqual(draft("Grüße, nearly"));
    expect(after.at("comment/a/c")).toBeNull();
  });

  it("belong to one course, also where the name of another begins alike", async () => {
    const shelf = memoryShelf();
    await (await Drafts.open(shelf, "rivers-2")).put("pile/quiz", draft("mor 18"));
    expect((await Drafts.open(shelf, "rivers")).placesUnder("")).toEqual([]);
  });

  it("are let go once they were kept, also in the store", async () => {
    const shelf = memoryShelf();
    const drafts = await Drafts.open(shelf, "rivers");
    await drafts.put("pile/quiz", draft("mor 18"));
    drafts.drop("pile/quiz");
    expect(drafts.at("pile/quiz")).toBeNull();
    expect(await shelf.keys()).toEqual([]);
  });

  it("stay in memory on a full disk, and say that they would not outlive the page", async () => {
    const full = { ...memoryShelf(), set: () => Promise.reject(new Error("quota")) };
    const drafts = await Drafts.open(full, "rivers");
    expect(await drafts.put("pile/quiz", draft("mor 18"))).toBe(false);
    expect(drafts.at("pile/quiz")).toEqual(draft("mor 18"));
  });

  it("too long for their store stay in memory, and leave no shorter one to be found instead", async () => {
    const shelf = memoryShelf();
    const drafts = await Drafts.open(shelf, "rivers");
    await drafts.put("roster", draft("1042, Ilse Tarnowe"));
    expect(await drafts.put("roster", draft("x".repeat(300_000)))).toBe(false);
    expect(await shelf.keys()).toEqual([]);
  });

  it("pass over what another hand left in their store", async () => {
    const shelf = memoryShelf();
    await shelf.set("rivers/pile/quiz", "mor 18");
    expect((await Drafts.open(shelf, "rivers")).at("pile/quiz")).toBeNull();
  });

  it("are listed by where they were typed", async () => {
    const drafts = await Drafts.open(memoryShelf(), "rivers");
    await drafts.put("cell/a/1", draft("12"));
    await drafts.put("pile/quiz", draft("mor 18"));
    await drafts.put("cell/a/2", draft("abc"));
    expect(drafts.placesUnder("cell/")).toEqual(["cell/a/1", "cell/a/2"]);
  });
});
