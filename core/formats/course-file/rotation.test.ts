import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Instant } from "../../kernel";
import { copiesToDrop, copyName, keptCopy, type KeptCopy } from "./rotation";

const at = (text: string) => text as Instant;
const copy = (moment: string): KeptCopy => ({ name: copyName("river", at(moment)), at: at(moment) });
/** What stays, once each copy was made and the folder tidied after it. */
function leftOf(moments: readonly string[]): readonly string[] {
  let kept: KeptCopy[] = [];
  for (const moment of moments) {
    kept.push(copy(moment));
    const gone = new Set(copiesToDrop(kept).map(({ name }) => name));
    kept = kept.filter(({ name }) => !gone.has(name));
  }
  return kept.map(({ name }) => name.slice(6, 16) + name.slice(16, 21));
}

describe("copies in a folder", () => {
  it("are named by their moment, and known by their names alone", () => {
    expect(copyName("river", at("2026-11-30T08:15:42.120Z"))).toBe("river-2026-11-30-0815.zip");
    expect(keptCopy("river", "river-2026-11-30-0815.zip")).toEqual({
      name: "river-2026-11-30-0815.zip",
      at: "2026-11-30T08:15:00.000Z",
    });
    for (const other of [
      "river.zip",
      "river-2026-11-30.zip",
      "river-2-2026-11-30-0815.zip",
      "rivers-2026-11-30-0815.zip",
    ])
      expect(keptCopy("river", other)).toBeNull();
    expect(keptCopy("river", "river-2026-13-40-9915.zip")).toBeNull();
  });

  it("stay: the last five, the last of each of seven days, the last of each week", () => {
    const day = (number: number, hour: string) => `2026-11-${String(number).padStart(2, "0")}T${hour}:00:00.000Z`;
    // Three copies a day from Monday the 2nd to Monday the 30th.
    const moments = Array.from({ length: 29 }, (_, index) =>
      ["08", "12", "17"].map((hour) => day(index + 2, hour)),
    ).flat();
    expect(leftOf(moments)).toEqual([
      "2026-11-08-1700",
      "2026-11-15-1700",
      "2026-11-22-1700",
      "2026-11-24-1700",
      "2026-11-25-1700",
      "2026-11-26-1700",
      "2026-11-27-1700",
      "2026-11-28-1700",
      "2026-11-29-1200",
      "2026-11-29-1700",
      "2026-11-30-0800",
      "2026-11-30-1200",
      "2026-11-30-1700",
    ]);
  });

  it("never lose the newest, nor the last of any week, in whatever order and number they come", () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 120 * 24 }), { minLength: 1, maxLength: 80 }), (hours) => {
        const start = Date.parse("2026-01-01T00:00:00Z");
        const copies = hours.map((hour) => copy(new Date(start + hour * 3_600_000).toISOString()));
        const gone = new Set(copiesToDrop(copies));
        const left = copies.filter((one) => !gone.has(one));
        const newest = copies.reduce((a, b) => (a.at >= b.at ? a : b));
        expect(left.some((one) => one.at === newest.at)).toBe(true);
        expect(left.length).toBeGreaterThanOrEqual(Math.min(5, copies.length));
        const mondays = (list: readonly KeptCopy[]) =>
          new Set(list.map((one) => Math.floor((Math.floor(Date.parse(one.at) / 86_400_000) + 3) / 7)));
        expect(mondays(left)).toEqual(mondays(copies));
        // Tidied once, there is nothing more to tidy.
        expect(copiesToDrop(left)).toEqual([]);
      }),
    );
  });
});
