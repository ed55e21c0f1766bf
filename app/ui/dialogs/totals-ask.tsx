import { useState, type ReactNode } from "react";
import { type ChangeResult, type Command, type Context, runCommand } from "#core/changes";
import { compare, fromDecimal, type Instant } from "#core/kernel";
import { courseOf, rosterName, studentsOf, type CourseState } from "#core/model";
import { changedTotals, figuresOf, type ChangedTotal } from "#core/totals";
import { counted } from "#core/words";
import { Ask } from "./ask";
import { STRETCH } from "../hooks/use-changed-totals";
import { troubleOf } from "../hooks/use-command";
import { untilTakenIn } from "../hooks/under-way";

/** Students named in the list of changed totals. */
const SHOWN = 8;
/** The moment of a change that is only looked at. */
const LOOKED_AT = "2000-01-01T00:00:00Z" as Instant;

/** What a change of the plan would do to figures that stand. */
interface Effects {
  readonly totals: readonly ChangedTotal[];
  /** Scores that would stand above a lowered maximum. */
  readonly above: number;
}

async function effectsOf(state: CourseState, command: Command): Promise<Effects | null> {
  const context: Context = { at: LOOKED_AT, by: courseOf(state).markerId, fresh: () => "looked-at", journal: [] };
  const done = runCommand(state, command, context);
  if (!done.ok) return null;
  const after = done.value.state;
  const students = studentsOf(state);
  const totals: ChangedTotal[] = [];
  for (let from = 0; from < students.length; from += STRETCH) {
    totals.push(...changedTotals(state, after, students.slice(from, from + STRETCH)));
    if (students.length > STRETCH) await new Promise((resume) => setTimeout(resume, 0));
  }
  return { totals, above: aboveAfter(state, command) };
}

/** Scores above the maximum that a command lowers. */
function aboveAfter(state: CourseState, command: Command): number {
  if (command.type !== "editAssignment" || command.fields.points === undefined) return 0;
  const before = state.assignments[command.assignmentId];
  const maximum = fromDecimal(command.fields.points);
  if (!before || compare(maximum, fromDecimal(before.points)) >= 0) return 0;
  const { figure } = figuresOf(state);
  return studentsOf(state).filter(({ id }) => {
    const { counted: value } = figure(before.id, id);
    return value !== null && compare(value, maximum) > 0;
  }).length;
}

interface Asking extends Effects {
  readonly answer: (goOn: boolean) => void;
}

/**
 * Sends changes of the plan, and asks first where totals that stand would become others. `send` answers words of trouble,
 * or null, also where it was left as it is.
 */
export function useTotalsAsk(
  state: CourseState,
  change: (command: Command) => Promise<ChangeResult>,
): { readonly send: (command: Command) => Promise<string | null>; readonly dialog: ReactNode } {
  const [asking, setAsking] = useState<Asking | null>(null);
  const send = async (command: Command): Promise<string | null> => {
    // Until it is looked at it is nowhere but here: the bar must not call it kept.
    const effects = await untilTakenIn(effectsOf(state, command));
    if (effects && (effects.totals.length > 0 || effects.above > 0)) {
      const goOn = await new Promise<boolean>((answer) => {
        setAsking({ ...effects, answer });
      });
      setAsking(null);
      if (!goOn) return null;
    }
    return troubleOf(await change(command));
  };
  const nameOf = ({ studentId }: ChangedTotal) => {
    const student = state.students[studentId];
    return student ? rosterName(state, student) : "";
  };
  const dialog = (
    <Ask
      open={asking !== null}
      title="Change figures that stand?"
      action="Change it"
      onClose={() => asking?.answer(false)}
      onAct={() => asking?.answer(true)}
    >
      {asking && asking.above > 0 && (
        <p>{counted(asking.above, "score")} would stand above the new maximum. They are kept as they are.</p>
      )}
      {asking && asking.totals.length > 0 && (
        <>
          <p>{counted(asking.totals.length, "total")} would change:</p>
          <ul className="figures mt-1 text-[14px]">
            {asking.totals.slice(0, SHOWN).map((one) => (
              <li key={one.studentId} className="border-b border-rule py-0.5">
                {nameOf(one)} {one.before ?? "–"} → {one.after ?? "–"}
                {one.letterBefore !== one.letterAfter &&
                  ` (${one.letterBefore ?? "no letter"} → ${one.letterAfter ?? "no letter"})`}
              </li>
            ))}
          </ul>
          {asking.totals.length > SHOWN && (
            <p className="text-[13.5px] text-soft">and {counted(asking.totals.length - SHOWN, "more", "more")}</p>
          )}
        </>
      )}
    </Ask>
  );
  return { send, dialog };
}
