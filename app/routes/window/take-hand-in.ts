import { z } from "zod/mini";
import { idField, type WorkFile } from "#core/model";
import { handingIn } from "#core/release";
import type { StudentId } from "#core/kernel";
import type { CourseSession, Repository } from "#storage";
import { readForm } from "../../course/read-form";
import { fileSum } from "../../file-sum";
import { takeInFiles } from "../../keep-files";
import { issueWords } from "../../ui/words/words";
import type { Receipt } from "./hand-in-form";

const wish = z.object({
  assignmentId: idField("assignment"),
  text: z.string().check(z.maxLength(200_000)),
  files: z.array(z.instanceof(File)).check(z.maxLength(50)),
});

const refused = (assignmentId: string, trouble: string): Receipt => ({ assignmentId, trouble, at: null, files: [] });

/** Takes in what a student hands in by the window: files, and words as a file of their own. Answers a receipt. */
export async function takeHandIn(
  request: Request,
  studentId: StudentId,
  { repository, session }: { readonly repository: Repository; readonly session: CourseSession },
): Promise<Receipt> {
  const asked = await readForm(request, wish, ["files"]);
  if (!asked.success) return refused("", "Nothing was handed in. At most 50 files go at once; choose them again.");
  const { assignmentId, text } = asked.data;
  const assignment = session.state.assignments[assignmentId];
  const at = session.now();
  const about = assignment ? handingIn(session.state, assignment, studentId, at) : null;
  if (!assignment || !about) return refused(assignmentId, "This work is not handed in here.");
  if (about.left === 0) return refused(assignmentId, "No attempt is left. Nothing was handed in.");
  const words = text.trim() === "" ? [] : [new File([text], `${assignment.shortName}.md`, { type: "text/markdown" })];
  const files = [...asked.data.files.filter(({ size, name }) => size > 0 || name !== ""), ...words];
  if (files.length === 0) return refused(assignmentId, "There is nothing to hand in. Add a file, or write something.");
  const name = (kept: WorkFile[]) => {
    const done = session.submit({ type: "addHandIn", assignmentId, studentId, at, files: kept });
    return Promise.resolve(done.ok ? null : issueWords(done.issue));
  };
  const trouble = await takeInFiles(repository, session.slot, files, name);
  if (trouble !== null) return refused(assignmentId, trouble);
  const sums = await Promise.all(
    files.map(async (file) => ({ name: file.name, size: file.size, sum: await fileSum(file) })),
  );
  return { assignmentId, trouble: null, at, files: sums };
}
