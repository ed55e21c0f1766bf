import { describe, expect, it } from "vitest";
import { reference } from "#core/testing";
import { fromLocalText, momentOf } from "./local-time";

interface Case {
  readonly id: string;
  readonly zone: string;
  readonly dueLocal: string;
  readonly dueUtc: string;
}

describe("local time of the course (reference late.dst.table: IANA time zone database 2025b)", () => {
  const { expected } = reference<unknown, { cases: Case[] }>("late.dst.table");
  const cases = expected.cases.filter(({ dueLocal, dueUtc }) => dueUtc && /T\d\d:\d\d$/.test(dueLocal));

  it.each(cases)("$id: $dueLocal in $zone is $dueUtc", ({ zone, dueLocal, dueUtc }) => {
    expect(Date.parse(fromLocalText(dueLocal, zone) ?? "")).toBe(Date.parse(dueUtc));
  });

  it.each(["", "2026-10", "tomorrow", "2026-10-23"])("%j is not a whole moment", (text) => {
    expect(fromLocalText(text, "Europe/Berlin")).toBeNull();
  });
});

it("a time in a list is read with its own distance from UTC, or by the course's clock", () => {
  const read = (text: string) => momentOf(text, "Europe/Berlin");
  expect(read("2026-10-23T16:00:00Z")).toBe("2026-10-23T16:00:00.000Z");
  expect(read(" 2026-10-23T18:00:00+02:00 ")).toBe("2026-10-23T16:00:00.000Z");
  expect(read("2026-10-23 18:00")).toBe("2026-10-23T16:00:00.000Z");
  expect(read("yesterday")).toBeNull();
});
