import { postsPage } from "#core/formats";
import type { FileId } from "#core/kernel";
import { fullName, type Assignment, type Student } from "#core/model";
import { momentText } from "#core/words";
import type { usePosts } from "./use-posts";
import type { Repository } from "#storage";
import type { SendChange } from "../../../course/use-change";

interface PostsToTakeIn {
  readonly repository: Repository;
  readonly slot: string;
  readonly assignment: Assignment;
  readonly students: readonly Student[];
  readonly timeZone: string;
  readonly posts: ReturnType<typeof usePosts>["posts"];
  readonly change: SendChange;
}

/** Takes posts in as everyone's hand-ins, a page each; where that is refused no page is left behind. */
export async function takeInPosts({ repository, slot, assignment, students, timeZone, posts, change }: PostsToTakeIn) {
  const authors = new Set(posts.map(({ studentId }) => studentId));
  const handIns = [];
  for (const student of students.filter(({ id }) => authors.has(id))) {
    const own = posts
      .filter(({ studentId }) => studentId === student.id)
      .sort((a, b) => (a.at ?? "").localeCompare(b.at ?? ""));
    const headings = own.map(({ at }) => (at ? momentText(at, timeZone) : "Post"));
    const page = new Blob([postsPage(`${assignment.name}: ${fullName(student)}`, own, headings)], {
      type: "text/html",
    });
    const id = `file:${repository.surroundings.fresh()}` as FileId;
    await repository.keepFile(slot, id, page);
    const file = { id, name: `Posts ${student.number}.html`, mediaType: "text/html", size: page.size };
    handIns.push({ studentId: student.id, at: own.at(-1)?.at ?? null, file });
  }
  const outcome = await change({ type: "takeInPosts", assignmentId: assignment.id, posts: [...posts], handIns });
  if (!outcome.ok) for (const { file } of handIns) await repository.dropFile(slot, file.id).catch(() => null);
  return outcome;
}
