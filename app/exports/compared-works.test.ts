import { describe, expect, it } from "vitest";
import { decimal, required, type Id, type Instant } from "#core/kernel";
import { withRecords } from "#core/model";
import { assignmentId, fileId, smallCourse, studentId, withAnswers, wholeClass } from "#core/testing";
import { filesToRead, taskOf, worksOfOther, worksToCompare } from "./compared-works";

const essay = assignmentId("essay");
const course = smallCourse();
const assignment = required(course.assignments[essay], "essay");

describe("what is held against what", () => {
  it("is each student's own last attempt, with their group as kin; who has nothing in is left out", () => {
    const group = {
      id: "group:g" as Id<"group">,
      assignmentId: essay,
      name: "Sluice",
      memberIds: [studentId("ada"), studentId("ben")],
      score: null,
    };
    const works = worksToCompare(withRecords(course, "groups", [group]), assignment);
    expect(works.map(({ id, kin, files }) => [id, kin, files.map((file) => file.id)])).toEqual([
      [studentId("ada"), "group:g", [fileId("ada")]],
    ]);
    expect(filesToRead(works)).toEqual([fileId("ada")]);
  });

  it("is a student's posts, and their written answers but not those a key reads", () => {
    const post = (slug: string, text: string, place: number) => ({
      id: `post:${String(place)}` as Id<"post">,
      assignmentId: essay,
      studentId: studentId(slug),
      replyTo: null,
      at: `2026-10-0${String(place)}T10:00:00Z` as Instant,
      text,
    });
    const posted = withRecords(course, "posts", [
      post("ben", "First.", 1),
      post("ben", "Second.", 2),
      post("cleo", " ", 3),
    ]);
    expect(worksToCompare(posted, assignment).find(({ id }) => id === studentId("ben"))?.text).toBe(
      "First.\n\nSecond.",
    );
    expect(worksToCompare(posted, assignment).some(({ id }) => id === studentId("cleo"))).toBe(false);
    const work = assignmentId("work");
    const asked = withAnswers(
      wholeClass(1),
      work,
      [
        { key: { kind: "written" }, points: decimal("8") },
        { key: { kind: "short", accepted: ["rating"] }, points: decimal("2") },
      ],
      [["Because the points are missing.", "rating"]],
    );
    const paper = required(asked.assignments[work], "work");
    expect(worksToCompare(asked, paper).map(({ text }) => text)).toEqual(["Because the points are missing."]);
    expect(taskOf(asked, paper).text).toContain("Question 1");
  });

  it("is of another course the work of the same name, else all of it, never a pair of its own", () => {
    const same = worksOfOther(course, "Essay");
    expect(same.map(({ id, kin, name }) => [id, kin, name])).toEqual([
      [`other/${essay}/${studentId("ada")}`, "other", "Ada Ames (Small)"],
    ]);
    expect(worksOfOther(course, "Memo").map(({ name }) => name)).toEqual(["Ada Ames (Small, Essay)"]);
  });
});
