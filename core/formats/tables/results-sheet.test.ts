import { describe, expect, it } from "vitest";
import type { Instant } from "#core/kernel";
import { assignmentsOf, studentsOf } from "#core/model";
import { assignmentId, run, smallCourse, studentId } from "#core/testing";
import type { Sheet } from "../sheets/sheet";
import { findHead } from "../sheets/sheet-columns";
import { cellsToEnter, previewSheet } from "../sheets/sheet-preview";
import { resultsSheet } from "./results-sheet";
import { rosterResultsFiles } from "./roster-results";

/** A file of the set as its rows; none of its values holds a comma or a quotation mark here. */
const sheet = (text: string): Sheet => ({
  name: "",
  rows: text.trim().split(/\r?\n/).map((line) => line.split(",")), // oxfmt-ignore
});
const set = (users: string, lineItems: string, results: string) =>
  resultsSheet({ users: sheet(users), lineItems: sheet(lineItems), results: sheet(results) });

const USERS =
  "sourcedId,status,givenName,familyName,identifier,email\nu1,active,Ada,Ames,N1,ada@x.example\nu2,active,Ben,Bo,N2,";
const LINES = "sourcedId,title,resultValueMax\nl1,Quiz,20\nl2,Essay,100";

describe("results of the open roster-and-results set (1EdTech, CSV tables 1.1; its columns from memory)", () => {
  it("become a sheet of a row a student and a column a line item, standings in our own words", () => {
    const results =
      "sourcedId,lineItemSourcedId,studentSourcedId,scoreStatus,score,comment\nr1,l1,u1,fully graded,17.5,well done\nr2,l1,u2,exempt,,\nr3,l2,u2,not submitted,,";
    expect(set(USERS, LINES, results)?.rows).toEqual([
      ["Student number", "Name", "E-mail", "Quiz (of 20)", "Quiz comment", "Essay (of 100)", "Essay comment"],
      ["N1", "Ada Ames", "ada@x.example", "17.5", "well done", "", ""],
      ["N2", "Ben Bo", "", "x", "", "m", ""],
    ]);
  });

  it("that are deleted, or of nobody in the set, are left out; a set without any is none", () => {
    const head = "sourcedId,status,lineItemSourcedId,studentSourcedId,scoreStatus,score";
    expect(
      set(USERS, LINES, `${head}\nr1,tobedeleted,l1,u1,fully graded,17\nr2,active,l1,u9,fully graded,3`),
    ).toBeNull();
    const kept = set(USERS, LINES, `${head}\nr1,active,l2,u1,fully graded,64`);
    expect(kept?.rows[0]).toEqual(["Student number", "Name", "E-mail", "Essay (of 100)", "Essay comment"]);
  });

  it("written by this application come back with the very same figures: nothing is to be entered", () => {
    const quiz = assignmentId("quiz");
    const state = run(
      smallCourse(),
      { type: "setScore", assignmentId: quiz, studentId: studentId("ada"), text: "15.5" },
      { type: "setScore", assignmentId: quiz, studentId: studentId("ben"), text: "m" },
    );
    const files = rosterResultsFiles(state, "2026-11-20T10:00:00Z" as Instant);
    const [users = "", lines = "", results = ""] = ["users.csv", "lineItems.csv", "results.csv"].map(
      (name) => files[name],
    );
    const back = set(users, lines, results);
    const head = back && findHead(state, back, null);
    expect(head?.columns.filter(({ meaning }) => meaning.kind === "score")).toHaveLength(
      assignmentsOf(state).filter(({ name }) => back?.rows[0]?.some((cell) => String(cell).startsWith(name))).length,
    );
    const looked = back && head && previewSheet(state, back, head, null);
    expect(looked?.rows.map(({ student }) => student?.id)).toEqual(expect.arrayContaining([studentId("ada")]));
    expect(looked ? cellsToEnter(looked, { asked: true, theirs: new Set() }) : null).toEqual([]);
    expect(studentsOf(state).length).toBeGreaterThanOrEqual(looked?.rows.length ?? 99);
  });
});
