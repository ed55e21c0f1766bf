import { useState } from "react";
import type { Entry } from "#core/changes";
import type { ProgressReport } from "#core/formats";
import { rosterName, studentsOf, type CourseState } from "#core/model";
import { counted } from "#core/words";
import type { Job } from "../../../ui/hooks/use-job";
import { ChoiceField } from "../../../ui/fields/choice-field";
import { DateField } from "../../../ui/time/date-field";
import { saveReports } from "./save-reports";

/** Progress reports as PDF, one for each student, from the course as it stood at any day. */
export function Reports({
  state,
  entries,
  seal,
  today,
  job,
}: {
  readonly state: CourseState;
  readonly entries: readonly Entry[];
  /** The seal of the journal as it stands. */
  readonly seal: string;
  readonly today: string;
  readonly job: Job;
}) {
  const [day, setDay] = useState(today);
  const [who, setWho] = useState("");
  const [audience, setAudience] = useState<ProgressReport["audience"]>("student");
  const students = studentsOf(state);
  const chosen = students.filter(({ id }) => who === "" || id === who);
  const make = () =>
    job.run((signal, tell) => saveReports({ state, entries, day, students: chosen, audience, seal }, { signal, tell }));
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
          ! Holds figures that students have not been given. Not for students. The seal of the journal stands at its
          end.
        </p>
      )}
    </section>
  );
}
