import type { StudentId } from "#core/kernel";
import { InlineField } from "../../../ui/fields/inline-field";
import type { PileStudent } from "./rows";
import { inMark } from "../../../ui/words/figures";

/** What is entered, the newest on top; each line can be put right where it stands. */
export function Done({
  students,
  fresh,
  onChange,
}: {
  readonly students: readonly PileStudent[];
  /** Those entered since the page was opened. */
  readonly fresh: readonly StudentId[];
  readonly onChange: (studentId: StudentId, text: string, seen: string, confirmed: boolean) => Promise<string | null>;
}) {
  return (
    <section aria-label="Entered">
      <h2 className="border-t-2 border-ink pt-2 font-semibold">Entered</h2>
      {students.length === 0 && <p className="mt-1 text-[14px] text-soft">The newest stands on top.</p>}
      <ul>
        {students.map(({ studentId, name, number, entered, comment }) => (
          <li key={studentId} className="flex items-center gap-4 border-b border-rule py-1 text-[15px]">
            <span className={`w-56 truncate ${fresh.includes(studentId) ? "" : "text-soft"}`}>{name}</span>
            <span className="figures w-20 text-[13.5px] text-soft">{number}</span>
            <InlineField
              label={`Entry of ${name}`}
              labelHidden
              className="w-32"
              value={inMark(entered)}
              onKeep={(text, again) => onChange(studentId, text === "" ? "-" : text, entered, again)}
            />
            <span className="min-w-0 flex-1 truncate text-[13.5px] text-soft">{comment}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
