import { fromLocalText, type Instant, type StudentId } from "#core/kernel";
import { courseOf, resultOf, rosterName, sectionsOf, studentsOf, type Assignment, type CourseState } from "#core/model";
import { counted } from "#core/words";
import { useChange } from "../../../course/use-change";
import { useNews } from "../../../course/use-news";
import { DialogFrame, LeaveAsItIs } from "../../../ui/dialogs/dialog-frame";
import { Choice, type OptionGroup, type Option } from "../../../ui/fields/choice";
import { troubleOf } from "../../../ui/hooks/use-command";
import { DateField } from "../../../ui/time/date-field";
import { z } from "zod/mini";
import { FormTrouble, HeldField, TextField } from "../../../ui/forms/fields";
import { sending, useSchemaForm, useTypedIn } from "../../../ui/forms/use-schema-form";

interface MoreTimeProps {
  readonly state: CourseState;
  readonly assignment: Assignment;
  /** Who is over now, for all of whom it may be given at once. */
  readonly over: readonly StudentId[];
  readonly onClose: () => void;
}

const moreTimeForm = z.object({
  whom: z.string(),
  until: z.string().check(z.minLength(1, "Until when? Type a date such as 14 Sep 18:00.")),
  reason: z.string().check(z.trim(), z.maxLength(500, "At most 500 letters.")),
});

/** Gives a student, a section, or all who are over a due time of their own, with a reason for those who mark. */
export function MoreTime({ state, assignment, over, onClose }: MoreTimeProps) {
  const form = useSchemaForm(moreTimeForm, {
    whom: over.length > 1 ? "over" : (over[0] ?? studentsOf(state)[0]?.id ?? ""),
    until: "",
    reason: "",
  });
  const change = useChange();
  const news = useNews();
  const meant = studentsMeant(state, useTypedIn(form).whom, over);
  const has = meant.filter((id) => resultOf(state, assignment.id, id).moreTime !== null);
  const send = async (ids: readonly StudentId[], until: Instant | null, reason: string) => {
    const studentIds = [...ids];
    const outcome = await change({ type: "giveMoreTime", assignmentId: assignment.id, studentIds, until, reason });
    const words = troubleOf(outcome);
    if (words !== null) return words;
    news(outcome);
    onClose();
    return null;
  };
  const takeBack = async () => {
    const words = await send(has, null, form.getValues("reason").trim());
    if (words !== null) form.setError("root", { message: words });
  };
  return (
    <DialogFrame
      title="More time"
      detail={`${assignment.name}: a due time of their own, from which lateness counts.`}
      onClose={onClose}
    >
      <form
        noValidate
        className="mt-3 grid gap-3 text-[14.5px]"
        onSubmit={sending(form, ({ until, reason }) =>
          send(meant, fromLocalText(until, courseOf(state).timeZone), reason),
        )}
      >
        <HeldField form={form} name="whom">
          {({ value, onChange }) => (
            <>
              <span aria-hidden="true" className="block text-[13px] text-soft">
                For
              </span>
              <Choice label="For whom" value={value} options={whomOptions(state, over)} onChoose={onChange} />
            </>
          )}
        </HeldField>
        <HeldField form={form} name="until">
          {(held) => <DateField label="Until" precision="moment" edge="end" {...held} />}
        </HeldField>
        <TextField form={form} name="reason" label="Why, for those who mark" />
        <FormTrouble form={form} />
        <p className="mt-1 flex flex-wrap justify-end gap-3">
          {has.length > 0 && (
            <button type="button" className="act act-quiet me-auto" onClick={() => void takeBack()}>
              Take it back
            </button>
          )}
          <LeaveAsItIs />
          <button type="submit" className="act act-first">
            Give {counted(meant.length, "student")} more time
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
