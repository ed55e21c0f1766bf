import { describe, expect, it } from "vitest";
import type { Id } from "#core/kernel";
import { scoresCsv } from "#core/formats";
import { run, smallCourse } from "#core/testing";
import {
  blankRecord,
  byName,
  fullName,
  initials,
  listName,
  rosterName,
  studentsOf,
  tableSchemas,
  type Student,
} from "../index";

const student = (givenName: string, familyName: string, id = "x"): Student => ({
  id: `student:${id}` as Id<"student">,
  number: "1",
  givenName,
  familyName,
  sectionId: null,
  note: "",
  email: "",
  left: false,
});

describe("names", () => {
  it.each([
    ["Ilse", "Tarnowe", "IT"],
    ["Oskar", "", "OS"],
    ["Åse", "Ødegaard", "ÅØ"],
    ["é", "ß", "ÉSS"],
  ])("%s %s has the initials %s", (given, family, expected) => {
    expect(initials(student(given, family))).toBe(expected);
  });

  it("of one word have no space at the end", () => {
    expect(fullName(student("Oskar", ""))).toBe("Oskar");
  });

  it("sort as they are read out, and equals by id so that the order is always the same", () => {
    const list = [student("Bo", "A", "2"), student("Ann", "Z", "3"), student("Bo", "A", "1")];
    expect(list.sort(byName("given")).map(({ id }) => id)).toEqual(["student:3", "student:1", "student:2"]);
  });
});

describe("names by family name", () => {
  it("stand with the family name first, and sort by it; a single name stays as it is", () => {
    const list = [student("Ann", "Zed", "1"), student("Oskar", "", "2"), student("Zoe", "Abel", "3")];
    expect(list.sort(byName("family")).map((one) => listName(one, "family"))).toEqual([
      "Abel, Zoe",
      "Oskar",
      "Zed, Ann",
    ]);
    expect(listName(student("Ann", "Zed"), "given")).toBe("Ann Zed");
  });

  it("order the roster and tell namesakes apart by the course's setting, everywhere at once", () => {
    const state = smallCourse();
    const byFamily = run(state, { type: "editCourse", fields: { namesBy: "family" } });
    expect(studentsOf(state).map((one) => rosterName(state, one))).toEqual(["Ada Ames", "Ben Bolt", "Cleo Crane"]);
    expect(studentsOf(byFamily).map((one) => rosterName(byFamily, one))).toEqual([
      "Ames, Ada",
      "Bolt, Ben",
      "Crane, Cleo",
    ]);
    expect(scoresCsv(byFamily)).toContain('"Ames, Ada"');
  });
});

describe("records at the gate", () => {
  it.each([
    ["a score with five places", "results", { score: "1.23456" }],
    ["an unknown standing", "results", { decision: "lost" }],
    ["half a unit late", "results", { unitsLate: 0.5 }],
  ] as const)("%s is refused", (_what, table, change) => {
    const good = { ...blankRecord("results", "assignment:a/student:b"), score: "1" };
    expect(tableSchemas[table].safeParse(good).success).toBe(true);
    expect(tableSchemas[table].safeParse({ ...good, ...change }).success).toBe(false);
  });

  it("take ids of their own kind and moments in UTC only", () => {
    const section = { id: "section:1", name: "Heron", order: 0 };
    expect(tableSchemas.sections.safeParse(section).success).toBe(true);
    expect(tableSchemas.sections.safeParse({ ...section, id: "student:1" }).success).toBe(false);
    const release = { id: "a", assignmentId: "assignment:a", facet: "score", state: "timed", waves: [] };
    expect(tableSchemas.releases.safeParse({ ...release, at: "2026-10-06T08:00:00Z" }).success).toBe(true);
    expect(tableSchemas.releases.safeParse({ ...release, at: "2026-10-06T08:00:00+02:00" }).success).toBe(false);
    expect(tableSchemas.releases.safeParse({ ...release, at: "2026-13-06T08:00:00Z" }).success).toBe(false);
  });
});
