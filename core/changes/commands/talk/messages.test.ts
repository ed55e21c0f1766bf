import { messagesOf, type CourseState } from "#core/model";
import { canReply, preflight, unreadReplies, visibleMessages } from "#core/release";
import { assignmentId, run, smallCourse, studentId, WORLD } from "#core/testing";
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

describe("the conversation on a paper", () => {
  const send = (text: string, type: "sendMessage" | "replyAsStudent" = "sendMessage"): Command => ({
    type,
    ...onAda,
    text,
    files: [],
  });

  it("shows the student the marker's words only once the comments are open, and their own always", () => {
    const written = run(smallCourse(), send("Well begun."), send("May I ask?", "replyAsStudent"));
    const seen = (state: CourseState) => visibleMessages(state, assignment(state), ada).map(({ text }) => text);
    expect(seen(written)).toEqual(["May I ask?"]);
    expect(canReply(written, assignment(written), ada)).toBe(false);
    const open = run(
      written,
      { type: "setComment", ...onAda, facing: "student", text: "Good." },
      { type: "release", assignmentId: essay, facets: ["comments"] },
    );
    expect(seen(open)).toEqual(["Well begun.", "May I ask?"]);
    expect(canReply(open, assignment(open), ada)).toBe(true);
    expect(seen(run(open, { type: "holdResult", ...onAda, held: true }))).toEqual(["May I ask?"]);
  });

  it("counts what the other side has not read, until it is read", () => {
    const written = run(smallCourse(), send("One?", "replyAsStudent"), send("Two?", "replyAsStudent"), send("Yes."));
    expect(unreadReplies(written).map(({ student, count }) => [student.id, count])).toEqual([[ada, 2]]);
    const facets = ["score"] as const;
    expect(
      preflight({ state: written, assignment: assignment(written), facets }).find(
        ({ code }) => code === "replies_unread",
      )?.count,
    ).toBe(1);
    const read = run(written, { type: "readMessages", ...onAda, side: "marker" });
    expect(unreadReplies(read)).toEqual([]);
    expect(messagesOf(read, essay, ada).map(({ readAt }) => readAt)).toEqual([WORLD.at, WORLD.at, null]);
    expect(refused(read, { type: "readMessages", ...onAda, side: "marker" })).toEqual({ code: "nothing_to_change" });
  });

  it("refuses to send nothing", () => {
    expect(refused(smallCourse(), send("  "))).toEqual({ code: "nothing_to_change" });
  });
});
