import { describe, expect, it } from "vitest";
import type { WorkFile } from "#core/model";
import type { Repository } from "#storage";
import { takeInFiles } from "./keep-files";
import { changesUnderWay } from "./ui/hooks/under-way";

/** As much of a repository as keeping files needs. */
function makeRepository(failAt = Infinity) {
  const kept = new Map<string, Blob>();
  let count = 0;
  const repository = {
    surroundings: { fresh: () => String((count += 1)) },
    keepFile: (_slot: string, id: string, blob: Blob) =>
      count >= failAt
        ? Promise.reject(new DOMException("full", "QuotaExceededError"))
        : Promise.resolve(void kept.set(id, blob)),
    dropFile: (_slot: string, id: string) => Promise.resolve(void kept.delete(id)),
  } as unknown as Repository;
  return { repository, kept };
}
const file = (name: string, size = 3) => new File([new Uint8Array(size)], name);

describe("files that are taken in", () => {
  it("keep the names they came with, of any form a file system allows", async () => {
    const names = ["essay..final.md", "draft...docx", "..pdf", " ", "x".repeat(251) + ".pdf"];
    const { repository, kept } = makeRepository();
    let named: WorkFile[] = [];
    const trouble = await takeInFiles(
      repository,
      "a",
      names.map((name) => file(name)),
      (files) => {
        named = files;
        return Promise.resolve(null);
      },
    );
    expect(trouble).toBeNull();
    expect(named.map(({ name }) => name)).toEqual(names);
    expect(kept.size).toBe(5);
  });

  it("are on their way from the very start until the course names them: nothing says that all is kept meanwhile", async () => {
    const { repository } = makeRepository();
    const counts: number[] = [];
    const taking = takeInFiles(repository, "a", [file("a.pdf")], () => {
      counts.push(changesUnderWay.count());
      return Promise.resolve("Refused.");
    });
    counts.push(changesUnderWay.count());
    await taking;
    expect([...counts, changesUnderWay.count()]).toEqual([1, 1, 0]);
  });

  it("are let go again when the course refuses them: no byte stays behind that nobody names", async () => {
    const { repository, kept } = makeRepository();
    const trouble = await takeInFiles(repository, "a", [file("a.pdf"), file("b.pdf")], () =>
      Promise.resolve("Refused."),
    );
    expect(trouble).toBe("Refused.");
    expect(kept.size).toBe(0);
  });

  it("are let go again when the browser is full half way through", async () => {
    const { repository, kept } = makeRepository(2);
    const trouble = await takeInFiles(repository, "a", [file("a.pdf"), file("b.pdf")], () => Promise.resolve(null));
    expect(trouble).toContain("b.pdf could not be kept: there is no room left in this browser");
    expect(kept.size).toBe(0);
  });

  it("of no bytes or of more than fits are refused before anything is kept", async () => {
    const { repository, kept } = makeRepository();
    const huge = Object.defineProperty(file("film.mp4"), "size", { value: 500_000_001 });
    const name = () => Promise.resolve(null);
    expect(await takeInFiles(repository, "a", [file("a.pdf", 0)], name)).toContain("a.pdf is empty (0 bytes)");
    expect(await takeInFiles(repository, "a", [file("b.pdf"), huge], name)).toContain("larger than 500 MB");
    expect(kept.size).toBe(0);
  });
});
