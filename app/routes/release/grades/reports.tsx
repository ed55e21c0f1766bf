import { useState } from "react";
import { fromLocalText } from "#core/kernel";
import { stateAt, type Entry } from "#core/changes";
import { copyFileName, progressReport, type ProgressReport } from "#core/formats";
import { courseOf, rosterName, studentsOf, type CourseState } from "#core/model";
import { counted } from "#core/words";
import { saveAs } from "../../../ui/save-as";
import type { Job } from "../../../ui/hooks/use-job";
import { ChoiceField } from "../../../ui/fields/choice-field";
import { DateField } from "../../../ui/time/date-field";

/** Progress reports as PDF, one for each student, from the course as it stood at any day. */
export function Reports({
  state,
  entries,
  today,
  job,
}: {
  readonly state: CourseState;
  readonly entries: readonly Entry[];
  readonly today: string;
  readonly job: Job;
}) {
  const [day, setDay] = useState(today);
  const [who, setWho] = useState("");
  const [audience, setAudience] = useState<ProgressReport["audience"]>("student");
  const students = studentsOf(state);
  const chosen = students.filter(({ id }) => who === "" || id === who);
  const make = () =>
    job.run(async (signal, tell) => {
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
        for (const [done, student] of chosen.entries()) {
          if (signal.aborted) throw new StoppedError();
          tell({
            words: `${String(done + 1)} of ${String(chosen.length)}: ${rosterName(state, student)}`,
            done,
            all: chosen.length,
          });
          const report = progressReport(then, state, { studentId: student.id, at, audience });
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
    });
  return (
    <section aria-label="Progress reports" className="mt-6 border-t-2 border-ink pt-2">
      <h2 className="text-[16px] font-semibold">Progress reports</h2>
      <div className="mt-1 flex flex-wrap items-end gap-x-5 gap-y-2 text-[14px]">
        <DateField
          label="As of"
          precision="day"
          value={day}
          onChange={(chosen) => {
            // A report tells of the past; a later day is today.
            if (chosen !== "") setDay(chosen < today ? chosen : today);
          }}
        />
        <ChoiceField
          label="Student"
          value={who}
          options={[["", "everyone"], ...students.map((student) => [student.id, rosterName(state, student)] as const)]}
          onKeep={(value) => {
            setWho(value);
            return undefined;
          }}
        />
        <ChoiceField
          label="Holding"
          className="w-64"
          value={audience}
          options={[
            ["student", "what the student could see"],
            ["office", "everything, for the office"],
          ]}
          onKeep={(value) => {
            setAudience(value);
            return undefined;
          }}
        />
        <button
          type="button"
          className="act act-quiet"
          disabled={day === "" || chosen.length === 0 || job.progress !== null}
          onClick={() => void make()}
        >
          Save {counted(chosen.length, "report")} as PDF
        </button>
      </div>
      {audience === "office" && (
        <p className="mt-1 text-[13.5px] text-wax">
          ! Holds figures that students have not been given. Not for students.
        </p>
      )}
    </section>
  );
}
