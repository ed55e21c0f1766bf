import { unzipSync, strFromU8 } from "fflate";
import Papa from "papaparse";
import { describe, expect, it } from "vitest";
import type { Command } from "#core/changes";
import type { Instant } from "#core/kernel";
import { assignmentId, reference, run, smallCourse, studentId } from "#core/testing";
import {
  finalGrades,
  finalGradesCsv,
  gradeDifferences,
  openBeforeGrades,
  progressReport,
  rosterResultsArchive,
  rosterResultsFiles,
} from "../index";

const essay = assignmentId("essay");
const quiz = assignmentId("quiz");
const [ada, ben, cleo] = [studentId("ada"), studentId("ben"), studentId("cleo")];
const score = (assignment: typeof essay, student: typeof ada, text: string): Command => ({
  type: "setScore",
  assignmentId: assignment,
  studentId: student,
  text,
});
const AT = "2026-12-18T22:30:00Z" as Instant;

/** Ada 70 and 12 of 20: 66.0 %, F. Ben missing and 18: 36.0 %, F. Cleo excused and nothing: no total. */
const state = run(
  smallCourse({ lateRule: null, timeZone: "Pacific/Auckland" }),
  score(essay, ada, "70"),
  score(quiz, ada, "12"),
  { type: "setStanding", assignmentId: essay, studentId: ben, decision: "missing" },
  score(quiz, ben, "18"),
  { type: "setStanding", assignmentId: essay, studentId: cleo, decision: "excused" },
  { type: "editStudent", studentId: cleo, fields: { familyName: 'Crane, "C"', email: "cleo@larkmere.example" } },
);
const table = (text: string) => Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true }).data;

describe("final grades", () => {
  it("are each student's total and letter (by hand: 0.6 x 70 + 0.4 x 60 = 66.0)", () => {
    expect(finalGrades(state).map(({ name, percent, letter }) => [name, percent, letter])).toEqual([
      ["Ada Ames", "66.0", "F"],
      ["Ben Bolt", "36.0", "F"],
      ['Cleo Crane, "C"', null, null],
    ]);
    expect(table(finalGradesCsv(finalGrades(state), "point"))[2]).toEqual({
      "Student number": "N3",
      Name: 'Cleo Crane, "C"',
      "Total (%)": "",
      Letter: "",
    });
  });

  it("say what is open before they are exported", () => {
    expect(openBeforeGrades(state)).toEqual({ waiting: 0, undecided: 1 });
    expect(openBeforeGrades(smallCourse())).toEqual({ waiting: 1, undecided: 5 });
  });

  it("kept as exported are compared with today's, one by one", () => {
    const kept = finalGrades(state);
    expect(gradeDifferences(kept, finalGrades(state))).toEqual([]);
    const later = run(state, score(quiz, ada, "20"), { type: "removeStudents", studentIds: [ben] });
    expect(
      gradeDifferences(kept, finalGrades(later)).map(({ name, old, present }) => [
        name,
        old?.percent,
        present?.percent,
      ]),
    ).toEqual([
      ["Ada Ames", "66.0", "82.0"],
      ["Ben Bolt", "36.0", undefined],
    ]);
  });
});

describe("the open roster-and-results set (reference std.oneroster.csv11, 1EdTech CSV tables 1.1, from memory)", () => {
  const { expected } = reference<
    unknown,
    {
      readonly headers: Readonly<Record<string, readonly string[]>>;
      readonly manifestProperties: readonly string[];
      readonly enumerations: Readonly<Record<string, readonly string[]>>;
    }
  >("std.oneroster.csv11");
  const files = rosterResultsFiles(state, AT);

  it("has in every file all the columns, in their order", () => {
    expect(Object.keys(files)).toHaveLength(10);
    for (const [name, text] of Object.entries(files)) {
      const head = text.split("\r\n")[0]?.split(",");
      expect([name, head]).toEqual([name, expected.headers[name.replace(".csv", "")]]);
    }
  });

  it("names every property in its manifest, and each file that is there as bulk", () => {
    const manifest = table(files["manifest.csv"] ?? "");
    expect(manifest.map(({ propertyName }) => propertyName)).toEqual(expected.manifestProperties);
    const bulk = manifest.filter(({ value }) => value === "bulk").map(({ propertyName }) => propertyName);
    expect(bulk.map((name) => `${(name ?? "").replace("file.", "")}.csv`).sort()).toEqual(
      Object.keys(files)
        .filter((name) => name !== "manifest.csv")
        .sort(),
    );
  });

  it("uses only the words its lists allow, and leaves status and change dates of a bulk set empty", () => {
    const words = (file: string, field: string) => new Set(table(files[file] ?? "").map((row) => row[field] ?? ""));
    const allowed = (list: string) => new Set(expected.enumerations[list]);
    for (const [file, field, list] of [
      ["results.csv", "scoreStatus", "scoreStatus"],
      ["academicSessions.csv", "type", "sessionType"],
      ["classes.csv", "classType", "classType"],
      ["enrollments.csv", "role", "enrollmentRole"],
      ["users.csv", "role", "userRole"],
      ["orgs.csv", "type", "orgType"],
    ] as const) {
      for (const word of words(file, field)) expect([...allowed(list)]).toContain(word);
    }
    for (const file of Object.keys(files).filter((name) => name !== "manifest.csv")) {
      expect([...words(file, "status"), ...words(file, "dateLastModified")]).toEqual(["", ""]);
    }
  });

  it("points from every row to one that is there", () => {
    const ids = (file: string) => new Set(table(files[file] ?? "").map(({ sourcedId }) => sourcedId ?? ""));
    for (const [file, field, target] of [
      ["results.csv", "lineItemSourcedId", "lineItems.csv"],
      ["results.csv", "studentSourcedId", "users.csv"],
      ["lineItems.csv", "categorySourcedId", "categories.csv"],
      ["lineItems.csv", "gradingPeriodSourcedId", "academicSessions.csv"],
      ["lineItems.csv", "classSourcedId", "classes.csv"],
      ["enrollments.csv", "userSourcedId", "users.csv"],
      ["classes.csv", "courseSourcedId", "courses.csv"],
    ] as const) {
      for (const row of table(files[file] ?? "")) expect([...ids(target)]).toContain(row[field]);
    }
  });

  it("holds each result, its standing, and the course total with its letter", () => {
    const results = table(files["results.csv"] ?? "").map((row) => [
      row["lineItemSourcedId"],
      row["studentSourcedId"],
      row["scoreStatus"],
      row["score"],
      row["comment"],
    ]);
    expect(results).toEqual([
      ["assignment-essay", "student-ada", "fully graded", "70", ""],
      ["assignment-quiz", "student-ada", "fully graded", "12", ""],
      ["assignment-essay", "student-ben", "not submitted", "0", ""],
      ["assignment-quiz", "student-ben", "fully graded", "18", ""],
      ["assignment-essay", "student-cleo", "exempt", "", ""],
      ["line-course-total", "student-ada", "fully graded", "66.0", "F"],
      ["line-course-total", "student-ben", "fully graded", "36.0", "F"],
    ]);
    // 22:30 in UTC is the next day in Auckland.
    expect(table(files["results.csv"] ?? "")[0]?.["scoreDate"]).toBe("2026-12-19");
    expect(table(files["users.csv"] ?? "")[2]).toMatchObject({
      familyName: 'Crane, "C"',
      email: "cleo@larkmere.example",
    });
  });

  it("comes as one archive with all files at its top", () => {
    const unpacked = unzipSync(rosterResultsArchive(state, AT));
    expect(Object.keys(unpacked).sort()).toEqual(Object.keys(files).sort());
    expect(strFromU8(unpacked["users.csv"] ?? new Uint8Array())).toBe(files["users.csv"]);
  });
});

const SEAL = "00000 00000 00000 00000 00000 00007";

describe("a progress report", () => {
  const released = run(state, { type: "release", assignmentId: quiz, facets: ["score"] });
  it("for a student holds what they could see, and no more", () => {
    const report = progressReport(released, released, { studentId: ada, at: AT, audience: "student", seal: SEAL });
    expect(report?.groups.flatMap(({ work }) => work)).toEqual([
      { name: "Essay", text: "not released" },
      { name: "Quiz", text: "12 / 20" },
    ]);
    expect(report?.totals).toEqual([]);
    expect(report?.seal).toBe("");
  });

  it("for a student of a day on which a score was open tells nothing of it once it is sealed again", () => {
    const sealed = run(released, { type: "seal", assignmentId: quiz, facets: ["score"] });
    const report = progressReport(released, sealed, { studentId: ada, at: AT, audience: "student", seal: SEAL });
    expect(report?.groups.flatMap(({ work }) => work).map(({ text }) => text)).toEqual([
      "not released",
      "not released",
    ]);
    const office = progressReport(released, sealed, { studentId: ada, at: AT, audience: "office", seal: SEAL });
    expect(JSON.stringify(office)).toContain("12 / 20");
  });

  it("for the office holds everything", () => {
    const report = progressReport(released, released, { studentId: ada, at: AT, audience: "office", seal: SEAL });
    expect(report?.totals[0]).toEqual({ name: "Course", text: "66.0 %, F" });
    expect(report?.seal).toBe(SEAL);
    expect(report?.groups[0]?.work).toEqual([{ name: "Essay", text: "70 / 100" }]);
    expect(
      progressReport(released, released, { studentId: ben, at: AT, audience: "office", seal: SEAL })?.groups[0]?.work[0]
        ?.text,
    ).toBe("missing, 0 / 100");
    expect(
      progressReport(released, released, { studentId: studentId("nobody"), at: AT, audience: "office", seal: SEAL }),
    ).toBeNull();
  });
});
