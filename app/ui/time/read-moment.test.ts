import { describe, expect, it } from "vitest";
import { notADate, readWall, wallWords } from "./read-moment";

const read = (text: string, edge: "start" | "end" = "end") => readWall(text, "moment", edge, "2026-11-23");

describe("a date typed into a field", () => {
  it.each([
    ["14 Sep 18:00", "2026-09-14T18:00"],
    ["14.12.", "2026-12-14T23:59"],
    ["14.12.2027 9:05", "2027-12-14T09:05"],
    ["2026-11-30T08:00", "2026-11-30T08:00"],
    ["Mon 30 Nov 2026, 08:00", "2026-11-30T08:00"],
    ["  ", ""],
    ["soon", null],
    ["31 Feb 2026", null],
  ])("%s is %s", (text, moment) => {
    expect(read(text)).toBe(moment);
  });

  it("without a time of day is the beginning or the end of the day, as the field says", () => {
    expect([read("14 Sep", "start"), read("14 Sep", "end")]).toEqual(["2026-09-14T00:00", "2026-09-14T23:59"]);
    expect(read("14 Sep 0:30", "start")).toBe("2026-09-14T00:30");
    expect(readWall("14 Sep 18:00", "day", "start", "2026-11-23")).toBe("2026-09-14");
  });

  it("is written in one way, which reads back as the same moment", () => {
    for (const moment of ["2026-11-30T08:00", "2027-01-01T23:59", "2026-03-29T02:30"]) {
      expect(read(wallWords(moment, "moment"))).toBe(moment);
    }
    expect(wallWords("2026-11-30", "day")).toBe("30 Nov 2026");
    expect([wallWords("", "day"), wallWords("2026-99-99", "day"), wallWords("soon", "moment")]).toEqual([
      "",
      "2026-99-99",
      "soon",
    ]);
  });

  it("that is none is refused in words that say how to type one", () => {
    expect(notADate("soon", "day")).toBe('"soon" is no date. Type it such as 14 Sep or 14.9.2026.');
  });
});
