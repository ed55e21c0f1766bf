import { describe, expect, it } from "vitest";
import { STUDENT_DEFAULTS, type Student } from "#core/model";
import { readPastedStudents } from "./pasted-students";

const student = (number: string, givenName: string, familyName: string): Student => ({
  ...STUDENT_DEFAULTS,
  id: `student:${number}` as Student["id"],
  number,
  givenName,
  familyName,
  sectionId: null,
});
const ilse = student("L26048", "Ilse", "Tarnowe");
const jorun = student("L26049", "Jorun", "Nakadé");
const [first, second] = [student("L26050", "Bram", "Oduya"), student("L26051", "Bram", "Oduya")];
const roster = [ilse, jorun, first, second];
const read = (text: string, students = roster) =>
  readPastedStudents(
    students,
    text.split("\n").map((line) => line.split("\t")),
  );
const reached = (text: string) => read(text)?.rows.map((row) => [row.student?.number ?? row.issue?.code, ...row.cells]);

describe("a pasted block that names students", () => {
  it("by number reaches them in whatever order they stand", () => {
    expect(reached("L26049\t17\nL26048\t12")).toEqual([
      ["L26049", "17"],
      ["L26048", "12"],
    ]);
    expect(read("L26049\t17\nL26048\t12")?.by).toBe("number");
  });

  it.each([
    ["given name first", "Jorun Nakade\t17\nilse tarnowe\t12"],
    ["family name first", "Nakadé, Jorun\t17\nTarnowe Ilse\t12"],
    ["in two columns", "Nakade\tJorun\t17\nTarnowe\tIlse\t12"],
    ["behind the scores", "17\tJorun\tNakade\n12\tIlse\tTarnowe"],
  ])("by name, %s", (_, text) => {
    expect(reached(text)).toEqual([
      ["L26049", "17"],
      ["L26048", "12"],
    ]);
  });

  it("may have a first row that names the columns", () => {
    const found = read("Number\tName\tQuiz\tEssay\nL26049\tJorun Nakadé\t17\t40");
    expect(found?.head).toEqual(["Quiz", "Essay"]);
    expect(found?.rows.map(({ cells }) => cells)).toEqual([["17", "40"]]);
  });

  it("reaches nobody by an unknown number, a name that two bear, or a student's second row", () => {
    expect(reached("L26048\t1\nL26049\t2\nL99999\t3\nL26048\t4")).toEqual([
      ["L26048", "1"],
      ["L26049", "2"],
      ["nobody", "3"],
      ["twice", "4"],
    ]);
    expect(reached("Ilse Tarnowe\t1\nBram Oduya\t2")?.[1]).toEqual(["namesakes", "2"]);
  });

  it("reaches nobody where number and name are of two people", () => {
    expect(reached("L26048\tIlse Tarnowe\t1\nL26049\tIlse Tarnowe\t2\nL26077\tJorun Nakade\t3")).toEqual([
      ["L26048", "1"],
      ["number_and_name_differ", "2"],
      ["nobody", "3"],
    ]);
  });

  it("is read by position where no column names students, or nothing stands beside them", () => {
    expect(read("17\t12\n18\t13")).toBeNull();
    expect(read("L26048\nL26049")).toBeNull();
    expect(read("L26048\tIlse Tarnowe\nL26049\tJorun Nakade")).toBeNull();
    expect(read("17")).toBeNull();
  });
});
