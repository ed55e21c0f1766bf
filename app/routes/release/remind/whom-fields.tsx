import type { StudentId } from "#core/kernel";
import { isDecimal } from "#core/kernel";
import { assignmentsOf, type CourseState } from "#core/model";
import type { remindersFor } from "#core/release";
import { type ReminderFilter } from "#core/release";
import { counted } from "#core/words";
import { inAddress } from "../../../ui/address";
import { ChoiceField } from "../../../ui/fields/choice-field";
import { KINDS } from "./reminder-texts";
import { Tick } from "../../../ui/fields/tick";

interface WhomFieldsProps {
  readonly state: CourseState;
  readonly kind: ReminderFilter["kind"];
  /** The assignment it is about as it stands in the address; empty for all work. */
  readonly about: string;
  readonly figure: string;
  readonly takesFigure: boolean;
  /** Students whom it reaches as things stand. */
  readonly count: number;
  /** Nobody is left out any more. */
  readonly onLeave: () => void;
  readonly set: (name: string, value: string) => void;
}

/** Who is written to: which kind, about which work, above or below which percentage. */
export function WhomFields({ state, kind, about, figure, takesFigure, count, onLeave, set }: WhomFieldsProps) {
  return (
    <div className="mt-3 flex flex-wrap items-end gap-x-5 gap-y-2 text-[14px]">
      <ChoiceField
        label="To those"
        value={kind}
        options={KINDS}
        onKeep={(value) => {
          onLeave();
          set("kind", value);
          return undefined;
        }}
      />
      {takesFigure && (
        <label>
          <span className="block text-[13px] text-soft">Percent</span>
          <input
            aria-label="Percent"
            className="field figures !w-20"
            inputMode="decimal"
            value={figure}
            aria-invalid={!isDecimal(figure)}
            onChange={(event) => {
              set("figure", event.target.value);
            }}
          />
        </label>
      )}
      <ChoiceField
        label="In"
        value={about}
        options={[
          ["", takesFigure ? "the course total" : "all work"],
          ...assignmentsOf(state).map(({ id, name }) => [inAddress(id), name] as const),
        ]}
        onKeep={(value) => {
          onLeave();
          set("assignment", value);
          return undefined;
        }}
      />
      <p className="figures pb-2 text-soft" role="status">
        {count === 0 ? "Nobody, as things stand." : counted(count, "student")}
      </p>
    </div>
  );
}

interface ReachedProps {
  readonly found: ReturnType<typeof remindersFor>;
  readonly left: ReadonlySet<StudentId>;
  readonly setLeft: (left: ReadonlySet<StudentId>) => void;
  readonly nameOf: (id: StudentId) => string;
}

/** Whom it goes to, each to be left out. */
export function Reached({ found, left, setLeft, nameOf }: ReachedProps) {
  return (
    <ul aria-label="Whom it goes to" className="mt-3 flex flex-wrap gap-x-5 gap-y-1 text-[14px]">
      {found.map(({ studentId, assignmentIds }) => (
        <li key={studentId}>
          <Tick
            checked={!left.has(studentId)}
            onChange={(ticked) => {
              const next = new Set(left);
              if (ticked) next.delete(studentId);
              else next.add(studentId);
              setLeft(next);
            }}
          >
            {nameOf(studentId)}
            {assignmentIds.length > 1 && <span className="figures text-soft">({assignmentIds.length})</span>}
          </Tick>
        </li>
      ))}
    </ul>
  );
}
