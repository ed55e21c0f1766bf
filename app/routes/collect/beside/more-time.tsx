import { useState } from "react";
import { fromLocalText, type StudentId } from "#core/kernel";
import { courseOf, resultOf, rosterName, sectionsOf, studentsOf, type Assignment, type CourseState } from "#core/model";
import { counted } from "#core/words";
import { useChange } from "../../../course/use-change";
import { useNews } from "../../../course/use-news";
import { DialogFrame, LeaveAsItIs } from "../../../ui/dialogs/dialog-frame";
import { Choice, type OptionGroup, type Option } from "../../../ui/fields/choice";
import { troubleOf } from "../../../ui/hooks/use-command";
import { DateField } from "../../../ui/time/date-field";

interface MoreTimeProps {
  readonly state: CourseState;
  readonly assignment: Assignment;
  /** Who is over now, for all of whom it may be given at once. */
  readonly over: readonly StudentId[];
  readonly onClose: () => void;
}

/** Gives a student, a section, or all who are over a due time of their own, with a reason for those who mark. */
export function MoreTime({ state, assignment, over, onClose }: MoreTimeProps) {
  const [whom, setWhom] = useState(over.length > 1 ? "over" : (over[0] ?? studentsOf(state)[0]?.id ?? ""));
  const [until, setUntil] = useState("");
  const [reason, setReason] = useState("");
  const [trouble, setTrouble] = useState<string | null>(null);
  const change = useChange();
  const news = useNews();
  const studentIds = studentsMeant(state, whom, over);
  const has = studentIds.filter((id) => resultOf(state, assignment.id, id).moreTime !== null);
  const send = async (moment: string) => {
    const outcome = await change({
      type: "giveMoreTime",
      assignmentId: assignment.id,
      studentIds: moment === "" ? has : [...studentIds],
      until: moment === "" ? null : fromLocalText(moment, courseOf(state).timeZone),
      reason: reason.trim(),
    });
    const words = troubleOf(outcome);
    setTrouble(words);
    if (words !== null) return;
    news(outcome);
    onClose();
  };
  return (
    <DialogFrame
      title="More time"
      detail={`${assignment.name}: a due time of their own, from which lateness counts.`}
      onClose={onClose}
    >
      <form
        className="mt-3 grid gap-3 text-[14.5px]"
        onSubmit={(event) => {
          event.preventDefault();
          if (until === "") setTrouble("Until when? Type a date such as 14 Sep 18:00.");
          else void send(until);
        }}
      >
        <div>
          <span aria-hidden="true" className="block text-[13px] text-soft">
            For
          </span>
          <Choice label="For whom" value={whom} options={whomOptions(state, over)} onChoose={setWhom} />
        </div>
        <DateField label="Until" precision="moment" edge="end" value={until} onChange={setUntil} />
        <label>
          <span className="block text-[13px] text-soft">Why, for those who mark</span>
          <input
            className="field"
            maxLength={500}
            value={reason}
            onChange={(event) => {
              setReason(event.target.value);
            }}
          />
        </label>
        {trouble && (
          <p role="alert" className="text-wax">
            {trouble}
          </p>
        )}
        <p className="mt-1 flex flex-wrap justify-end gap-3">
          {has.length > 0 && (
            <button type="button" className="act act-quiet me-auto" onClick={() => void send("")}>
              Take it back
            </button>
          )}
          <LeaveAsItIs />
          <button type="submit" className="act act-first">
            Give {counted(studentIds.length, "student")} more time
          </button>
        </p>
      </form>
    </DialogFrame>
  );
}

function studentsMeant(state: CourseState, whom: string, over: readonly StudentId[]): readonly StudentId[] {
  if (whom === "over") return over;
  const students = studentsOf(state).filter(({ id, sectionId }) => id === whom || sectionId === whom);
  return students.map(({ id }) => id);
}

function whomOptions(state: CourseState, over: readonly StudentId[]): readonly (Option | OptionGroup)[] {
  const sections = sectionsOf(state).map(({ id, name }) => [id, `${name} section`] as const);
  return [
    ...(over.length > 1 ? [["over", `All ${counted(over.length, "student")} who are over`] as const] : []),
    ...(sections.length > 0 ? [{ heading: "A section", options: sections }] : []),
    { heading: "A student", options: studentsOf(state).map((one) => [one.id, rosterName(state, one)] as const) },
  ];
}
