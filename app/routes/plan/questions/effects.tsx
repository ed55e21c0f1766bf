import type { keyEffects } from "#core/changes";
import { pointsText } from "#core/kernel";
import { rosterName, type CourseState } from "#core/model";
import { counted } from "#core/words";
import { issueWords } from "../../../ui/words/words";
import { inMark } from "../../../ui/words/figures";

/** Students of the preview shown. */
const SHOWN = 12;

interface EffectsProps {
  readonly effects: ReturnType<typeof keyEffects>;
  readonly state: CourseState;
}

export function Effects({ effects, state }: EffectsProps) {
  if (!effects.ok) {
    return (
      <p role="alert" className="mt-3 text-wax">
        {issueWords(effects.issue)}
      </p>
    );
  }
  const changed = effects.value;
  return (
    <section aria-label="What changes" className="mt-3 text-[14.5px]">
      <p role="status">
        {changed.length === 0 ? "No score changes." : `${counted(changed.length, "score")} would change:`}
      </p>
      <ul className="mt-1 columns-2">
        {changed.slice(0, SHOWN).map(({ student, before, after }) => (
          <li key={student.id} className="figures flex justify-between gap-4 pe-8">
            {rosterName(state, student)}
            <span>
              {before ? inMark(pointsText(before)) : "–"} → <strong>{after ? inMark(pointsText(after)) : "–"}</strong>
            </span>
          </li>
        ))}
      </ul>
      {changed.length > SHOWN && <p className="text-soft">and {changed.length - SHOWN} more</p>}
    </section>
  );
}
