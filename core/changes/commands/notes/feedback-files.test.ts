import { type CourseState } from "#core/model";
import { facetNow } from "#core/release";
import { assignmentId, fileId, run, smallCourse, studentId, WORLD } from "#core/testing";
import { describe, expect, it } from "vitest";
import { runCommand, type Command } from "../../engine/registry";

const essay = assignmentId("essay");

const ada = studentId("ada");

const onAda = { assignmentId: essay, studentId: ada };

const refused = (state: CourseState, command: Command) => {
  const done = runCommand(state, command, WORLD);
  return done.ok ? null : done.issue;
};

const assignment = (state: CourseState) => state.assignments[essay] as NonNullable<(typeof state.assignments)[string]>;

describe("files as feedback", () => {
  const file = { id: fileId("spoken"), name: "Feedback 1.weba", mediaType: "audio/webm", size: 9 };

  it("go out with the comments, even alone, and are taken off again", () => {
    const added = run(smallCourse(), { type: "addFeedbackFile", ...onAda, file });
    const draft = (state: CourseState) => facetNow(state, assignment(state), state.students[ada] as never, "comments");
    expect(draft(added)?.attachments).toEqual([file]);
    const gone = run(added, { type: "removeFeedbackFile", ...onAda, fileId: file.id });
    expect(draft(gone)).toBeNull();
    expect(refused(gone, { type: "removeFeedbackFile", ...onAda, fileId: file.id })).toMatchObject({ what: "file" });
  });
});
