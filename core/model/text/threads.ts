import type { StudentId } from "#core/kernel";
import type { Post } from "../records/post";

/** A post of a discussion and how deep it stands below the one that began it. */
export interface ThreadedPost {
  readonly post: Post;
  readonly depth: number;
}

/** One of a student's own posts, with what it answers and what answers it. */
export interface OwnPost {
  readonly post: Post;
  /** The posts it answers, from the beginning of the thread down; the student's own among them. */
  readonly before: readonly ThreadedPost[];
  /** What others answered to it, and the answers to those, until the student wrote again. */
  readonly after: readonly ThreadedPost[];
}

/** A student's posts in the order they were written, each in its thread. `posts` are all of the discussion, in order. */
export function ownPosts(posts: readonly Post[], studentId: StudentId): OwnPost[] {
  const byId = new Map(posts.map((post) => [post.id, post]));
  const answers = new Map<Post["id"], Post[]>();
  for (const post of posts) {
    if (post.replyTo) answers.set(post.replyTo, [...(answers.get(post.replyTo) ?? []), post]);
  }
  const above = (post: Post): ThreadedPost[] => {
    const chain: Post[] = [];
    const seen = new Set([post.id]);
    for (let parent = post.replyTo; parent !== null && !seen.has(parent);) {
      seen.add(parent);
      const found = byId.get(parent);
      if (!found) break;
      chain.unshift(found);
      parent = found.replyTo;
    }
    return chain.map((found, depth) => ({ post: found, depth }));
  };
  const below = (post: Post, depth: number, seen: ReadonlySet<string>): ThreadedPost[] =>
    (answers.get(post.id) ?? []).flatMap((answer) =>
      answer.studentId === studentId || seen.has(answer.id)
        ? []
        : [{ post: answer, depth }, ...below(answer, depth + 1, new Set([...seen, answer.id]))],
    );
  return posts
    .filter((post) => post.studentId === studentId)
    .map((post) => ({ post, before: above(post), after: below(post, 0, new Set([post.id])) }));
}
