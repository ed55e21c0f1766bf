import { describe, expect, it } from "vitest";
import type { Instant } from "#core/kernel";
import { assignmentsOf, studentsOf } from "#core/model";
import { smallCourse } from "#core/testing";
import type { Sheet } from "../sheets/sheet";
import { readShorthand } from "../shorthand/shorthand";
import { rosterOfSet, shorthandOfSet, type PlanSet } from "./plan-of-set";
import { readRosterTable, rosterFrom } from "./roster";
import { rosterResultsFiles } from "./roster-results";

const sheet = (text: string): Sheet => ({ name: "", rows: text.trim().split(/\r?\n/).map((line) => line.split(",")) }); // oxfmt-ignore
const NONE: PlanSet = { users: null, enrollments: null, classes: null, lineItems: null, categories: null };
const read = (roster: string | null) => {
  const table = readRosterTable(roster ?? "");
  return rosterFrom(table, table.roles, new Set()).students;
};

describe("people of the open roster-and-results set (1EdTech, CSV tables 1.1; its columns from memory)", () => {
  const users = sheet(
    "sourcedId,status,role,username,givenName,familyName,identifier,email\nu1,active,student,ada,Ada,Ames,N1,ada@x.example\nu2,active,student,ben,Ben,Bo,,\nu3,active,teacher,tom,Tom,Tay,,\nu4,tobedeleted,student,old,Old,One,N4,\nu5,active,student,eve,Eve,Else,N5,",
  );
  const classes = sheet("sourcedId,title\nc1,Heron\nc2,Kingfisher");
  const enrolled = (second: string) =>
    sheet(`classSourcedId,userSourcedId,role\nc1,u1,student\n${second},u2,student\nc1,u3,teacher`);

  it("become a roster: who is enrolled as a student, with the class as the section where there are several", () => {
    expect(read(rosterOfSet({ ...NONE, users, classes, enrollments: enrolled("c2") }))).toEqual([
      expect.objectContaining({
        number: "N1",
        givenName: "Ada",
        familyName: "Ames",
        section: "Heron",
        email: "ada@x.example",
      }),
      expect.objectContaining({ number: "ben", givenName: "Ben", familyName: "Bo", section: "Kingfisher" }),
    ]);
  });

  it("have no section in a set of one class; without enrolments all students of it are meant", () => {
    const sections = read(rosterOfSet({ ...NONE, users, classes, enrollments: enrolled("c1") })).map(
      ({ section }) => section,
    );
    expect(sections.filter(Boolean)).toEqual([]);
    expect(read(rosterOfSet({ ...NONE, users })).map(({ number }) => number)).toEqual(["N1", "ben", "N5"]);
    expect(rosterOfSet(NONE)).toBeNull();
  });
});

describe("line items of the set", () => {
  it("become lines of shorthand that the plan reads", () => {
    const lineItems = sheet(
      "sourcedId,title,dueDate,categorySourcedId,resultValueMax\nl1,Quiz,2026-10-23T18:00:00Z,k1,20.0\nl2,Essay,,,100",
    );
    const text = shorthandOfSet({ ...NONE, lineItems, categories: sheet("sourcedId,title\nk1,Tests") });
    expect(text).toBe("Quiz, 20 points, 2026-10-23, in Tests\nEssay, 100 points");
    const { items, issues } = readShorthand(text ?? "", { today: "2026-09-01", scales: [] });
    expect(issues).toEqual([]);
    expect(items).toMatchObject([
      { name: "Quiz", points: "20", category: "Tests", dueAt: "2026-10-23T23:59" },
      { name: "Essay", points: "100", category: null, dueAt: null },
    ]);
    expect(shorthandOfSet(NONE)).toBeNull();
  });

  it("written by this application come back as the same students and the same work", () => {
    const state = smallCourse();
    const files = rosterResultsFiles(state, "2026-11-20T10:00:00Z" as Instant);
    const of = (name: string) => sheet((files[`${name}.csv`] ?? "").replace(/"/g, ""));
    const set = { users: of("users"), enrollments: of("enrollments"), classes: of("classes"), lineItems: of("lineItems"), categories: of("categories") }; // oxfmt-ignore
    expect(read(rosterOfSet(set)).map(({ number }) => number).sort()).toEqual(studentsOf(state).map(({ number }) => number).sort()); // oxfmt-ignore
    const { items } = readShorthand(shorthandOfSet(set) ?? "", { today: "2026-09-01", scales: [] });
    expect(items.map(({ name }) => name)).toEqual(expect.arrayContaining(assignmentsOf(state).map(({ name }) => name)));
  });
});
