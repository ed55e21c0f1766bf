import { filesOfCopy, hasContent, studentCopyOf, withoutMetadata, type StudentCopyContent } from "#core/formats";
import type { StudentId } from "#core/kernel";
import { courseOf, rosterName, type CommentsCopy, type CourseState, type WorkFile } from "#core/model";
import type { Repository } from "#storage";
import { runCopyJobs, StoppedError } from "../../workers/client";
import type { CopyLock, CopyMaterial, MadeFile } from "../../workers/protocol";
import { pdfMarks } from "./marked-pdf";
import { criterionColour } from "../ui/colours";
import { formattedHtml } from "../ui/letter/formatted";
import type { JobProgress } from "../ui/hooks/use-job";
import { feedbackSheet } from "./feedback-sheet";
import { preparePaper } from "./paper-source";
import { pdfFonts } from "./pdf-fonts";

/** Whose copies are made, and how. */
export interface CopiesWish {
  readonly state: CourseState;
  readonly repository: Repository;
  readonly slot: string;
  readonly studentIds: readonly StudentId[];
  /** What locks a student's copy; null leaves it open. */
  readonly lockOf: (studentId: StudentId) => CopyLock | null;
  readonly signal: AbortSignal;
  readonly tell: (progress: JobProgress) => void;
}

/** The files made for one student. */
export interface MadeCopy {
  readonly studentId: StudentId;
  readonly files: readonly MadeFile[];
}

/**
 * Makes the copies of students from what they can see, one after the other, in a worker; those who can see nothing are
 * passed over. `finish` gets what was made, still with the worker at hand to pack it.
 * @throws StoppedError when stopped
 */
export function makeCopies<T>(
  wish: CopiesWish,
  finish: (
    made: readonly MadeCopy[],
    pack: (files: readonly MadeFile[]) => Promise<Uint8Array<ArrayBuffer>>,
  ) => Promise<T>,
): Promise<T> {
  const { state, repository, studentIds, lockOf, signal, tell } = wish;
  return runCopyJobs(async (jobs) => {
    const fonts = await pdfFonts();
    const at = repository.surroundings.now();
    const made: MadeCopy[] = [];
    for (const [done, studentId] of studentIds.entries()) {
      if (signal.aborted) throw new StoppedError();
      const student = state.students[studentId];
      const content = studentCopyOf(state, studentId, at);
      if (!student || !content || !hasContent(content)) continue;
      tell({
        words: `${String(done + 1)} of ${String(studentIds.length)}: ${rosterName(state, student)}`,
        done,
        all: studentIds.length,
      });
      const material = await copyMaterial(wish, content, lockOf(studentId));
      made.push({ studentId, files: await jobs.make(material, fonts) });
    }
    tell({ words: "Putting them together", done: studentIds.length, all: studentIds.length });
    return finish(made, (files) => jobs.pack(files));
  }, signal);
}

async function copyMaterial(
  { state, repository, slot }: CopiesWish,
  content: StudentCopyContent,
  lock: CopyLock | null,
): Promise<CopyMaterial> {
  const { letters, course, name } = content;
  const read = (file: WorkFile) => repository.readFile(slot, file.id);
  const papers = letters.flatMap(({ comments }) =>
    (comments?.files ?? []).map((file) => paperOf(file, comments?.notes ?? [], courseOf(state).shortTitle, read)),
  );
  const { works, attachments } = filesOfCopy(content);
  const files = [...works, ...attachments].map(async (file) => {
    const blob = await read(file);
    if (!blob) return [];
    // Where and when a picture was taken is nobody's business but its owner's; a group's work goes to all its members.
    const bytes = withoutMetadata(new Uint8Array(await blob.arrayBuffer())) as Uint8Array<ArrayBuffer>;
    return [{ fileId: file.id, name: file.name, mediaType: file.mediaType, bytes }];
  });
  const overall = [
    ...letters.map(({ comments }) => comments?.overall ?? ""),
    ...content.announced.map(({ task }) => task),
  ].filter((text) => text !== "");
  return {
    content,
    formatted: new Map(overall.map((text) => [text, formattedHtml(text)])),
    sheets: letters.map((letter) => feedbackSheet({ title: letter.assignment.name, course, name, ...letter })),
    papers: (await Promise.all(papers)).flat(),
    files: (await Promise.all(files)).flat(),
    lock,
  };
}

/** A work with the remarks that were given out on it. Nobody's name stands at them. */
async function paperOf(
  file: WorkFile,
  all: CommentsCopy["notes"],
  author: string,
  read: (file: WorkFile) => Promise<Blob | null>,
): Promise<CopyMaterial["papers"]> {
  const notes = all.filter(({ fileId }) => fileId === file.id);
  const { source, placeOf } = await preparePaper(file, await read(file), notes);
  const names = new Map(
    notes.flatMap(({ criterionId, criterionName }) =>
      criterionId ? [[criterionId, criterionName ?? ""] as const] : [],
    ),
  );
  const criteria = [...names].map(([id, name], index) => ({ id, name, colour: criterionColour(index) }));
  return [{ fileId: file.id, name: file.name, source, marks: pdfMarks(notes, placeOf, criteria), author }];
}
