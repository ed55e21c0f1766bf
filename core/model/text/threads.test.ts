import { describe, expect, it } from "vitest";
import type { Id, Instant } from "#core/kernel";
import { ownPosts } from "./threads";
import type { Post } from "../records/post";

const post = (id: string, who: string, replyTo: string | null = null): Post => ({
  id: `post:${id}` as Id<"post">,
  assignmentId: "assignment:talk" as Id<"assignment">,
  studentId: `student:${who}` as Id<"student">,
  replyTo: replyTo === null ? null : (`post:${replyTo}` as Id<"post">),
  at: "2026-10-20T10:00:00Z" as Instant,
  text: id,
});
const ada = "student:ada" as Id<"student">;
const words = (list: readonly { readonly post: Post; readonly depth: number }[]) =>
  list.map(({ post: one, depth }) => `${String(depth)} ${one.text}`);

describe("a student's posts in their threads", () => {
  const posts = [
    post("start", "ben"),
    post("answer", "ada", "start"),
    post("back", "ben", "answer"),
    post("further", "cleo", "back"),
    post("again", "ada", "further"),
    post("aside", "cleo", "start"),
    post("own", "ada"),
  ];

  it("stand after what they answer and before what others answered, until the student wrote again", () => {
    const found = ownPosts(posts, ada);
    expect(found.map((own) => own.post.text)).toEqual(["answer", "again", "own"]);
    expect(words(found[0]?.before ?? [])).toEqual(["0 start"]);
    expect(words(found[0]?.after ?? [])).toEqual(["0 back", "1 further"]);
    expect(words(found[1]?.before ?? [])).toEqual(["0 start", "1 answer", "2 back", "3 further"]);
    expect(found[2]).toMatchObject({ before: [], after: [] });
  });

  it("end where a post answers one that is not there, or itself", () => {
    const loop = [post("a", "ada", "b"), post("b", "ben", "a"), post("lost", "ada", "nowhere")];
    const found = ownPosts(loop, ada);
    expect(words(found[0]?.before ?? [])).toEqual(["0 b"]);
    expect(words(found[0]?.after ?? [])).toEqual(["0 b"]);
    expect(found[1]?.before).toEqual([]);
  });
});
