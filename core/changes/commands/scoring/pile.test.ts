import { describe, expect, it } from "vitest";
import { findStudents, fullName, plainText, studentsOf } from "#core/model";
import { assignmentId, run, smallCourse } from "#core/testing";
import { readPileLine } from "../../index";

const course = run(smallCourse(), {
  type: "addStudents",
  students: ["Łukasz Ångström", "Mora Field", "Morten Vale", "Zoë O’Hara", "Anna-Lena Süß", "Max L"].map(
    (name, index) => ({
      number: `104${String(index)}`,
      givenName: name.split(" ")[0] ?? "",
      familyName: name.split(" ")[1] ?? "",
    }),
  ),
});
const quiz = course.assignments[assignmentId("quiz")];
const read = (line: string) => {
  if (!quiz) throw new Error("no quiz");
  const { students, best, text, comment, trouble } = readPileLine(course, quiz, line);
  return { who: students.slice(0, Math.max(1, best)).map(fullName), text, comment, trouble: trouble?.code ?? null };
};

describe("finding a student", () => {
  it.each([
    ["lukasz", ["Łukasz Ångström"]],
    ["angst", ["Łukasz Ångström"]],
    ["mor", ["Mora Field", "Morten Vale"]],
    ["mora", ["Mora Field"]],
    ["vale mor", ["Morten Vale"]],
    ["hara", ["Zoë O’Hara"]],
    ["suss", ["Anna-Lena Süß"]],
    ["1043", ["Zoë O’Hara"]],
    ["moreten", ["Morten Vale"]],
    ["angstrem", ["Łukasz Ångström"]],
  ])("%s finds %j", (typed, expected) => {
    const { students, best } = findStudents(studentsOf(course), typed);
    expect(students.slice(0, best).map(fullName)).toEqual(expected);
  });

  it("finds nobody for nothing, or for another name", () => {
    expect(findStudents(studentsOf(course), "  ")).toEqual({ students: [], best: 0 });
    expect(findStudents(studentsOf(course), "xq").students).toEqual([]);
    expect(plainText("Łukasz ÅNGSTRÖM ß")).toBe("lukasz angstrom ss");
  });
});

describe("a line of pile entry", () => {
  it.each([
    ["vale 18 l2", { who: ["Morten Vale"], text: "18 l2", comment: null }],
    ["vale 18l2", { who: ["Morten Vale"], text: "18l2" }],
    ["mor 18", { who: ["Mora Field", "Morten Vale"], text: "18" }],
    ["vale m", { who: ["Morten Vale"], text: "m" }],
    [
      "vale x: came in with a doctor's note",
      { who: ["Morten Vale"], text: "x", comment: "came in with a doctor's note" },
    ],
    ["vale", { who: ["Morten Vale"], text: "" }],
    ["1040 7,5", { who: ["Łukasz Ångström"], text: "7,5" }],
    ["max l", { who: ["Max L"], text: "" }],
    ["vale 18..", { who: ["Morten Vale"], text: "", trouble: "not_a_number" }],
    ["ada ames 4", { who: ["Ada Ames"], text: "4" }],
  ])("%s", (line, expected) => {
    expect(read(line)).toMatchObject(expected);
  });

  it("takes the names of levels, also of several words, where a scale gives the score", () => {
    const scaled = run(course, {
      type: "addScale",
      name: "Check",
      kind: "passNotYet",
      levels: [
        { name: "Pass", percent: null },
        { name: "Not yet", percent: null },
      ],
    });
    const scaleId = Object.values(scaled.scales)[0]?.id;
    const assignment = quiz && scaleId ? { ...quiz, scoredIn: { kind: "scale" as const, scaleId } } : null;
    if (!assignment) throw new Error("no scale");
    expect(readPileLine(scaled, assignment, "vale not yet")).toMatchObject({ text: "not yet", best: 1 });
    expect(readPileLine(scaled, assignment, "vale 18")).toMatchObject({ text: "", trouble: { code: "not_a_level" } });
  });
});
