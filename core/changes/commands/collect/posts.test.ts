import { type Id, type Instant } from "#core/kernel";
import { handInOf, type CourseState } from "#core/model";
import { assignmentId, fileId, run, smallCourse, studentId, WORLD } from "#core/testing";
import { figuresOf } from "#core/totals";
import { describe, expect, it } from "vitest";
import { runCommand, type Command } from "../../engine/registry";

const [ada, ben, cleo] = [studentId("ada"), studentId("ben"), studentId("cleo")];

const refused = (state: CourseState, command: Command) => {
  const done = runCommand(state, command, WORLD);
  return done.ok ? null : done.issue;
};

describe("posts of a discussion", () => {
  const quiz = assignmentId("quiz");
  const post = (id: string, who: typeof ada, replyTo: string | null = null) => ({
    id: `post:${id}` as Id<"post">,
    studentId: who,
    replyTo: replyTo === null ? null : (`post:${replyTo}` as Id<"post">),
    at: "2026-10-20T10:00:00Z" as Instant,
    text: id,
  });
  const file = { id: fileId("posts"), name: "Posts N1.html", mediaType: "text/html", size: 5 };
  const takeIn = (...posts: ReturnType<typeof post>[]): Command => ({
    type: "takeInPosts",
    assignmentId: quiz,
    posts,
    handIns: [{ studentId: ada, at: "2026-10-20T10:00:00Z" as Instant, file }],
  });

  it("become the hand-ins of who posted; a new list takes the place of the old one", () => {
    const taken = run(smallCourse(), takeIn(post("one", ada), post("two", ben, "one")));
    expect(Object.keys(taken.posts)).toHaveLength(2);
    expect(handInOf(taken, quiz, ada)?.attempts[0]?.files).toEqual([file]);
    expect(figuresOf(taken).figure(quiz, cleo).standing).toBe("expected");
    const again = run(taken, takeIn(post("one", ada)));
    expect(Object.keys(again.posts)).toEqual(["post:one"]);
    expect(handInOf(again, quiz, ada)?.attempts).toHaveLength(2);
    expect(refused(taken, takeIn(post("x", studentId("zoe"))))).toMatchObject({ what: "student" });
  });
});
