import { describe, expect, it } from "vitest";
import { readRosterTable, rosterFrom } from "../index";

const readRoster = (text: string, taken: ReadonlySet<string>) => {
  const table = readRosterTable(text);
  return rosterFrom(table, table.roles, taken);
};

const names = (text: string, taken: string[] = []) =>
  readRoster(text, new Set(taken)).students.map(({ number, givenName, familyName, section, email }) =>
    [number, givenName, familyName, section, email].filter(Boolean).join("|"),
  );

describe("a typed or pasted roster", () => {
  it("takes numbers with commas or tabs, names alone, and skips empty lines", () => {
    expect(names("L1, Ilse Tarnowe\nL2\tJorun van der Nakade\n\n  Oskar  \r\n", ["S001"])).toEqual([
      "L1|Ilse|Tarnowe",
      "L2|Jorun van der|Nakade",
      "S002|Oskar",
    ]);
  });

  it("gives no number twice", () => {
    expect(names("S001, A B\nC D\nE F")).toEqual(["S001|A|B", "S002|C|D", "S003|E|F"]);
  });

  it.each([
    ["one name a line", "Ilse Tarnowe\nJorun Nakade", ["S001|Ilse|Tarnowe", "S002|Jorun|Nakade"]],
    [
      "a head that names its columns",
      "Last name;First name;Student ID;Group\nTarnowe;Ilse;77;Heron",
      ["77|Ilse|Tarnowe|Heron"],
    ],
    ["family and given name without a head", "Tarnowe,Ilse\nNakade,Jorun", ["S001|Ilse|Tarnowe", "S002|Jorun|Nakade"]],
    [
      "a whole name and a section",
      "7\tIlse Tarnowe\tHeron\n8\tJorun Nakade\tSwift",
      ["7|Ilse|Tarnowe|Heron", "8|Jorun|Nakade|Swift"],
    ],
    ["family name first in one quoted cell", 'Number,Name\n7,"Tarnowe, Ilse"', ["7|Ilse|Tarnowe"]],
    ["a byte order mark and a semicolon file of two columns", "\uFEFFNumber;Name\n7;Ilse Tarnowe", ["7|Ilse|Tarnowe"]],
    [
      "addresses, with a head and without",
      "7,Ilse Tarnowe,ilse@larkmere.example",
      ["7|Ilse|Tarnowe|ilse@larkmere.example"],
    ],
    ["an address column by its head", "No,Name,E-mail\n7,Ilse Tarnowe,i@x.example", ["7|Ilse|Tarnowe|i@x.example"]],
    ["a head of one column", "Name\nIlse Tarnowe", ["S001|Ilse|Tarnowe"]],
  ])("reads %s", (_what, text, expected) => {
    expect(names(text)).toEqual(expected);
  });

  it("names the lines it cannot take and keeps the others", () => {
    const { students, issues } = readRoster("Number,Name\n7,Ilse Tarnowe\n7,Jorun Nakade\n8,\n9,Oskar", new Set(["9"]));
    expect(students.map(({ givenName }) => givenName)).toEqual(["Ilse"]);
    expect(issues).toEqual([
      { line: 2, code: "number_twice", number: "7" },
      { line: 3, code: "no_name" },
      { line: 4, code: "number_taken", number: "9" },
    ]);
  });

  it("follows the columns a person settles, and takes each role once", () => {
    const table = readRosterTable("Heron,Ilse Tarnowe\nSwift,Jorun Nakade");
    const { students } = rosterFrom(table, ["section", "name"], new Set());
    expect(students.map(({ section, familyName }) => [section, familyName])).toEqual([
      ["Heron", "Tarnowe"],
      ["Swift", "Nakade"],
    ]);
    expect(readRosterTable("Name,Name,Number\nA,B,1").roles).toEqual(["name", "ignore", "number"]);
  });
});

describe("a quotation mark that is never closed", () => {
  it("swallows no student: each line stands for itself, and the line is named", () => {
    const table = readRosterTable('1042,Ilse Tarnowe\n1043,"Jorun Nakade\n1044,Kesi Strand\n');
    const { students, issues } = rosterFrom(table, ["number", "name"], new Set());
    expect(students.map(({ number, familyName }) => [number, familyName])).toEqual([
      ["1042", "Tarnowe"],
      ["1043", "Nakade"],
      ["1044", "Strand"],
    ]);
    expect(issues).toEqual([{ line: 2, code: "open_quote" }]);
  });

  it("is none where a quoted name holds a comma", () => {
    const table = readRosterTable('number,name\n1042,"Tarnowe, Ilse"\n1043,"Nakade, Jorun"\n');
    expect(table.openQuotes).toEqual([]);
    expect(table.rows).toEqual([
      ["1042", "Tarnowe, Ilse"],
      ["1043", "Nakade, Jorun"],
    ]);
  });
});
