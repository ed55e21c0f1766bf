import { describe, expect, it } from "vitest";
import { assignmentId, reference, run, smallCourse, studentId } from "#core/testing";
import { readBlock, scoresCsv, writeBlock, writeCsv } from "../index";

/** Reads CSV by the rules of RFC 4180 alone: a second opinion on what is written. */
function readCsv(text: string): string[][] {
  const rows: string[][] = [];
  let row: string[] = [];
  const field = /(?:"((?:[^"]|"")*)"|([^",\r\n]*))(,|\r\n|$)/gy;
  for (let match = field.exec(text); match && field.lastIndex <= text.length; match = field.exec(text)) {
    row.push(match[1]?.replaceAll('""', '"') ?? match[2] ?? "");
    if (match[3] === ",") continue;
    rows.push(row);
    row = [];
    if (field.lastIndex >= text.length) break;
  }
  return rows;
}

describe("CSV where decimals stand behind a comma", () => {
  it("parts its fields by semicolons; words keep their points", () => {
    const rows = [[{ text: "Lab 1.2; part, two" }, { figure: "17.5" }, { figure: "20" }]];
    expect(writeCsv(rows, "comma")).toBe('"Lab 1.2; part, two";17,5;20\r\n');
    expect(writeCsv(rows)).toBe('"Lab 1.2; part, two",17.5,20\r\n');
  });

  it("holds every score as the course writes it", () => {
    const state = run(
      smallCourse(),
      { type: "editCourse", fields: { decimalMark: "comma" } },
      { type: "setScore", assignmentId: assignmentId("quiz"), studentId: studentId("ada"), text: "17,5" },
    );
    const [head = "", first = ""] = scoresCsv(state).split("\r\n");
    expect(head).toMatch(/^Student number;Name;Section;/);
    expect(first.split(";")).toContain("17,5");
  });
});

describe("CSV (reference std.csv.rfc4180: RFC 4180, Shafranovich 2005, section 2)", () => {
  const check = reference<{ cases: string[] }, { rows: string[][][] }>("std.csv.rfc4180");

  it.each(check.input.cases.map((text, index) => ({ text, rows: check.expected.rows[index] ?? [] })))(
    "$rows is written so that it reads back the same",
    ({ text, rows }) => {
      expect(readCsv(text)).toEqual(rows);
      expect(readCsv(writeCsv(rows.map((row) => row.map((field) => ({ text: field })))))).toEqual(rows);
    },
  );

  it("is written with CRLF at every end, and quotes where they are needed", () => {
    const text = writeCsv([
      [{ text: "plain" }, { text: 'a "quoted" word' }],
      [{ text: "with, comma" }, { text: "b" }],
    ]);
    expect(text).toBe('plain,"a ""quoted"" word"\r\n"with, comma",b\r\n');
  });
});

describe("cells that a spreadsheet would run (reference std.csv.formula: general security practice)", () => {
  const check = reference<{ cells: string[] }, { dangerousAsText: boolean[] }>("std.csv.formula");

  it.each(check.input.cells.map((cell, index) => [cell, check.expected.dangerousAsText[index]] as const))(
    "%j as text is guarded: %s",
    (cell, dangerous) => {
      const [[field = ""] = []] = readCsv(writeCsv([[{ text: cell }, { text: "end" }]]));
      expect(field).toBe(dangerous ? `'${cell}` : cell);
    },
  );

  it("a negative figure stays a figure", () => {
    expect(writeCsv([[{ figure: "-5.5" }]])).toBe("-5.5\r\n");
  });
});

describe("the scores of a course", () => {
  it("stand one row per student with counted values, standings and the total", () => {
    const quiz = assignmentId("quiz");
    const state = run(
      smallCourse(),
      { type: "setScore", assignmentId: quiz, studentId: studentId("ada"), text: "15 l1" },
      { type: "setScore", assignmentId: quiz, studentId: studentId("ben"), text: "x" },
    );
    expect(readCsv(scoresCsv(state))).toEqual([
      ["Student number", "Name", "Section", "Essay (of 100)", "Quiz (of 20)", "Course total (%)", "Letter"],
      ["N1", "Ada Ames", "", "", "14", "70.0", "F"],
      ["N2", "Ben Bolt", "", "", "excused", "", ""],
      ["N3", "Cleo Crane", "", "", "", "", ""],
    ]);
  });

  it("are guarded on the clipboard too, figures apart, and come back without the guard", () => {
    const cells = [
      ["=HYPERLINK(1)", "-3.5", "+2"],
      ["@x", "-x", "17"],
    ];
    expect(writeBlock(cells)).toBe("'=HYPERLINK(1)\t-3.5\t+2\n'@x\t'-x\t17");
    expect(readBlock(writeBlock(cells))).toEqual(cells);
  });

  it("guard a name that would be run as a formula", () => {
    const evil = { number: "=1+1", givenName: "=HYPERLINK", familyName: "x", sectionId: null };
    const text = scoresCsv(run(smallCourse(), { type: "addStudents", students: [evil] }));
    expect(text).toContain("'=1+1,'=HYPERLINK x");
  });
});
