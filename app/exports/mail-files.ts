import { copyFileName } from "#core/formats";
import type { Instant, StudentId } from "#core/kernel";
import { fullName, type CourseState } from "#core/model";
import { runCopyJobs } from "../../workers/client";
import type { MadeFile } from "../../workers/protocol";
import type { FilledLetter } from "../ui/letter/letter-writer";
import { saveAs } from "../ui/save-as";

/** Letters as e-mail drafts, one file each named by student number, saved together. Answers the archive's name. */
export async function saveDrafts(
  state: CourseState,
  letters: readonly FilledLetter[],
  at: Instant,
  signal: AbortSignal,
  attachments: ReadonlyMap<StudentId, readonly MadeFile[]> = new Map(),
): Promise<string> {
  const drafts = letters.flatMap(({ studentId, to: address, subject, body }) => {
    const student = state.students[studentId];
    if (!student) return [];
    const to = { name: fullName(student), address };
    const boundary = `part-${crypto.randomUUID()}`;
    const draft = { to, subject, body, at, attachments: attachments.get(studentId) ?? [], boundary };
    return [{ name: `${copyFileName(student.number)}.eml`, draft }];
  });
  const archive = await runCopyJobs(async (jobs) => jobs.pack(await jobs.mail(drafts)), signal);
  const name = `e-mail-drafts-${at.slice(0, 10)}.zip`;
  saveAs(new Blob([archive], { type: "application/zip" }), name);
  return name;
}
