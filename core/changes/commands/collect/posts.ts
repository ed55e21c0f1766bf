import { z } from "zod/mini";
import { refuse } from "#core/kernel";
import { fileSchema, idField, instantField, ownHandInOf, postSchema, postsOf, resultKey } from "#core/model";
import { counted } from "#core/words";
import type { CommandKind } from "../../engine/change";
import { assignmentAt, finish, put, removeAll } from "../../engine/command-parts";
import { noLongerMissing } from "./no-longer-missing";

const takeInInput = z.object({
  assignmentId: idField("assignment"),
  posts: z.array(z.omit(postSchema, { assignmentId: true })).check(z.minLength(1), z.maxLength(20_000)),
  /** Each student's own posts as one file, kept by storage already. */
  handIns: z
    .array(z.object({ studentId: idField("student"), at: z.nullable(instantField), file: fileSchema }))
    .check(z.maxLength(5_000)),
});

/**
 * Takes in the posts of a discussion; they stand in the place of those taken in before. Every student who posted has
 * handed in: a student's own posts become their next attempt. Who posted nothing stays as they are.
 */
export const takeInPosts: CommandKind<z.infer<typeof takeInInput>> = {
  input: takeInInput,
  prepare: (state, { assignmentId, posts, handIns }) => {
    const found = assignmentAt(state, assignmentId);
    if (!found.ok) return found;
    const stranger = [...posts, ...handIns].find(({ studentId }) => !state.students[studentId]);
    if (stranger) return refuse({ code: "unknown_record", what: "student", id: stranger.studentId });
    const kept = new Set<string>(posts.map(({ id }) => id));
    const before = postsOf(state, assignmentId).filter(({ id }) => !kept.has(id));
    return finish(
      `${found.value.name}: ${counted(posts.length, "post")} of ${counted(handIns.length, "student")} taken in`,
      ...removeAll(state, "posts", before),
      ...posts.map((post) => put(state, "posts", { ...post, assignmentId })),
      ...handIns.map(({ studentId, at, file }) => {
        const attempts = ownHandInOf(state, assignmentId, studentId)?.attempts ?? [];
        const attempt = { number: (attempts.at(-1)?.number ?? 0) + 1, at, files: [file] };
        const id = resultKey(assignmentId, studentId);
        return put(state, "handIns", { id, assignmentId, studentId, attempts: [...attempts, attempt] });
      }),
      ...noLongerMissing(
        state,
        handIns.map(({ studentId }) => ({ assignmentId, studentId })),
      ),
    );
  },
};
