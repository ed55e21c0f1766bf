import { fromLocalText } from "#core/kernel";
import { stateAt, type Entry } from "#core/changes";
import { copyFileName, progressReport, type ProgressReport } from "#core/formats";
import { courseOf, rosterName, type CourseState } from "#core/model";
import { counted } from "#core/words";
import { saveAs } from "../../../ui/save-as";
import type { Student } from "#core/model";
import type { JobProgress } from "../../../ui/hooks/use-job";

interface ReportsWish {
  readonly state: CourseState;
  readonly entries: readonly Entry[];
  /** The day the course is looked at as it stood, `2026-11-02`. */
  readonly day: string;
  readonly students: readonly Student[];
  readonly audience: ProgressReport["audience"];
  /** The seal of the journal as it stands now; it is written on what goes to the office. */
  readonly seal: string;
}

/** Makes the reports in a worker and saves them, one as a PDF, several in an archive; answers in words. */
export async function saveReports(
  { state, entries, day, students, audience, seal }: ReportsWish,
  { signal, tell }: { readonly signal: AbortSignal; readonly tell: (progress: JobProgress) => void },
): Promise<string> {
  // The end of the day, in the course's time zone.
  const at = fromLocalText(`${day}T23:59`, courseOf(state).timeZone);
  const then = at && stateAt(state, entries, at);
  if (!at || !then) throw new Error("The course did not exist on that day. Choose a later one.");
  const [{ runCopyJobs, StoppedError }, { pdfFonts }] = await Promise.all([
    import("../../../../workers/client"),
    import("../../../exports/pdf-fonts"),
  ]);
  const fonts = await pdfFonts();
  return runCopyJobs(async (jobs) => {
    const files = [];
    for (const [done, student] of students.entries()) {
      if (signal.aborted) throw new StoppedError();
      tell({
        words: `${String(done + 1)} of ${String(students.length)}: ${rosterName(state, student)}`,
        done,
        all: students.length,
      });
      const report = progressReport(then, state, { studentId: student.id, at, audience, seal });
      if (!report) continue;
      const name = `${copyFileName(student.number)}-${day}.pdf`;
      files.push({ name, mediaType: "application/pdf", bytes: await jobs.report(report, fonts) });
    }
    const [only, ...others] = files;
    if (!only) throw new Error("Nobody of those was on the roster on that day.");
    if (others.length === 0) saveAs(new Blob([only.bytes], { type: "application/pdf" }), only.name);
    else saveAs(new Blob([await jobs.pack(files)], { type: "application/zip" }), `progress-reports-${day}.zip`);
    return `${counted(files.length, "report was", "reports were")} saved.`;
  }, signal);
}
