import { expect, it } from "vitest";
import { handInOf } from "#core/model";
import { assignmentId, fileId, studentId } from "#core/testing";
import { openSmallCourse, sentForm } from "../../testing/open-small-course";
import { takeInAsked } from "./take-in-asked";

const essay = assignmentId("essay");
const one = (student: string, file = student) => ({
  assignmentId: essay,
  studentId: studentId(student),
  at: "2026-10-23T10:00:00Z",
  files: [{ id: fileId(file), name: `${file}.pdf`, mediaType: "application/pdf", size: 10 }],
  joins: false,
});
const asked = (handIns: unknown) =>
  sentForm(["handIns", typeof handIns === "string" ? handIns : JSON.stringify(handIns)]);

it("takes in what was shown, and answers what it was for", async () => {
  const { session } = await openSmallCourse();
  const answer = await takeInAsked(asked([one("ben"), one("cleo")]), session);
  expect(answer).toMatchObject({ taken: essay, trouble: null, done: { ok: true } });
  expect(handInOf(session.state, essay, studentId("cleo"))?.attempts).toHaveLength(1);
});

it.each([
  ["what is no JSON", "{", /Reload the page/],
  ["what is no list", "{}", /./],
  ["a file that was taken in", [one("ben", "ada")], /ada\.pdf was taken in already/],
  ["a student who is not there", [one("ben"), one("zoe")], /no longer in the course/],
])("refuses %s, and takes in nothing", async (_, handIns, words) => {
  const { session } = await openSmallCourse();
  const before = session.state;
  const answer = await takeInAsked(asked(handIns), session);
  expect(answer.trouble).toMatch(words);
  expect(session.state).toBe(before);
});
