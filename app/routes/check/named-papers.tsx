import type { StudentId } from "#core/kernel";
import { counted } from "#core/words";
import { Tick } from "../../ui/fields/tick";

/** Students that are named of those chosen. */
const NAMED = 10;

interface NamedPapersProps {
  /** Whose papers can be chosen, in their order. */
  readonly students: readonly StudentId[];
  readonly chosen: readonly StudentId[];
  readonly nameOf: (id: StudentId) => string;
  readonly onChoose: (chosen: readonly StudentId[]) => void;
}

/** Papers ticked one by one, by the names of their students. */
export function NamedPapers({ students, chosen, nameOf, onChoose }: NamedPapersProps) {
  return (
    <fieldset className="max-h-56 columns-2 overflow-auto border border-rule bg-sheet p-3">
      <legend className="sr-only">Papers chosen by name</legend>
      {students.map((id) => (
        <Tick
          key={id}
          checked={chosen.includes(id)}
          onChange={(isChosen) => {
            onChoose(isChosen ? [...chosen, id] : chosen.filter((one) => one !== id));
          }}
        >
          {nameOf(id)}
        </Tick>
      ))}
    </fieldset>
  );
}

/** How many papers were chosen, and whose the first are. */
export function ChosenPapers({ chosen, nameOf }: Pick<NamedPapersProps, "chosen" | "nameOf">) {
  return (
    <p className="figures text-soft" aria-live="polite">
      {counted(chosen.length, "paper")}
      {chosen.length > 0 && `: ${chosen.slice(0, NAMED).map(nameOf).join(", ")}`}
      {chosen.length > NAMED && ` and ${String(chosen.length - NAMED)} more`}
    </p>
  );
}
