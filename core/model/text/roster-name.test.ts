import { describe, expect, it } from "vitest";
import { EMPTY_STATE, rosterName, STUDENT_DEFAULTS, type CourseState, type Student } from "../index";

const heron = { id: "section:heron" as NonNullable<Student["sectionId"]>, name: "Heron", order: 0 };
const student = (number: string, givenName: string, familyName: string, sectionId: Student["sectionId"] = null) => ({
  ...STUDENT_DEFAULTS,
  id: `student:${number}` as Student["id"],
  number,
  givenName,
  familyName,
  sectionId,
});
const course = (...students: Student[]): CourseState => ({
  ...EMPTY_STATE,
  sections: { [heron.id]: heron },
  students: Object.fromEntries(students.map((one) => [one.id, one])),
});

describe("a name on the roster", () => {
  it("stands alone while nobody else bears it", () => {
    const [bram, ilse] = [student("L26051", "Bram", "Oduya", heron.id), student("L26048", "Ilse", "Tarnowe")];
    expect(rosterName(course(bram, ilse), bram)).toBe("Bram Oduya");
  });

  it("has the number and the section beside it where another bears it too, whatever its accents and capitals", () => {
    const [first, second] = [student("L26051", "Bram", "Oduya", heron.id), student("L26052", "BRAM", "Odüya")];
    const state = course(first, second);
    expect([rosterName(state, first), rosterName(state, second)]).toEqual([
      "Bram Oduya, L26051, Heron",
      "BRAM Odüya, L26052",
    ]);
  });

  it("is told apart also where one name is cut elsewhere into given and family name", () => {
    const [first, second] = [student("1", "Mary Ann", "Lee"), student("2", "Mary", "Ann Lee")];
    expect(rosterName(course(first, second), second)).toBe("Mary Ann Lee, 2");
  });
});
