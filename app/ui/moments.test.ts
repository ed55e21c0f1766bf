import { describe, expect, it } from "vitest";
import { reference } from "#core/testing";
import { deskAddress, fromAddress, inAddress, windowAddress } from "./address";
import { fromLocalText } from "./moments";

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

describe("addresses", () => {
  it("hold an id without its kind, and give it back", () => {
    const id = "assignment:flood-memo";
    expect(inAddress(id)).toBe("flood-memo");
    expect(fromAddress("assignment", inAddress(id))).toBe(id);
  });

  it("name course, assignment and student", () => {
    expect(deskAddress("rivers", "assignment:memo", "student:ilse")).toBe("/courses/rivers/score/memo/ilse");
    expect(windowAddress("rivers", "student:ilse")).toBe("/window/rivers/ilse");
  });
});
