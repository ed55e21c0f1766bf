import { describe, expect, it } from "vitest";
import { entriesOf, smallCourse } from "#core/testing";
import { chainedEntry, sealEntry, sealEntryAside } from "./sealed";

describe("the sum of an entry", () => {
  const [entry] = entriesOf(smallCourse());
  if (!entry) throw new Error("no entry");

  it.each([
    ["a short one", entry],
    // A letter of four bytes beside plain ones: the sum goes over bytes, not letters.
    ["one of a whole class", { ...entry, change: { ...entry.change, line: "\u{1F58B} score ".repeat(20_000) } }],
  ])("is the same worked out aside as at once, for %s", async (_, one) => {
    const aside = await sealEntryAside(one, "sum before");
    expect(aside).toEqual(sealEntry(one, "sum before"));
    expect(chainedEntry(aside)).toEqual(aside);
  });

  it("of a long one is worked out by the browser, away from the page", async () => {
    const asked: number[] = [];
    const { subtle } = crypto;
    const digest = subtle.digest.bind(subtle);
    Object.defineProperty(subtle, "digest", {
      configurable: true,
      value: (how: string, bytes: Uint8Array<ArrayBuffer>) => {
        asked.push(bytes.length);
        return digest(how, bytes);
      },
    });
    await sealEntryAside(entry, "");
    await sealEntryAside({ ...entry, change: { ...entry.change, line: "x".repeat(60_000) } }, "");
    Reflect.deleteProperty(subtle, "digest");
    expect(asked).toHaveLength(1);
  });
});
