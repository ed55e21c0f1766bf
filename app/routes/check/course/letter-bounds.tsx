import { useMemo, useState } from "react";
import { isDecimal, sameValue, type Decimal } from "#core/kernel";
import { courseOf, rosterName, type CourseState } from "#core/model";
import { lettersMoved, lettersOf, withBound, type LetterFigures, type LetterMove } from "#core/statistics";
import { bandsFromTop } from "#core/totals";
import { counted } from "#core/words";
import { useChange } from "../../../course/use-change";
import { AsYouLeftIt } from "../../../ui/fields/as-you-left-it";
import { useTyped } from "../../../ui/fields/drafts";
import { useTroubleOf } from "../../../ui/hooks/use-command";
import { BoundScale } from "./bound-scale";

/** Students that are named of those who would move. */
const NAMED = 12;

/** How many have each letter, with bounds that can be tried by dragging; nothing changes until it is applied. */
export function LetterBounds({
  state,
  whole,
  figures,
}: {
  /** The course, or the part of it that is looked at. */
  readonly state: CourseState;
  readonly whole: CourseState;
  readonly figures: LetterFigures;
}) {
  const { letters } = courseOf(whole);
  const typed = useTyped<Bounds>("letter bounds", NO_BOUNDS, readBounds);
  const wanted = useMemo(
    () => Object.entries(typed.value).reduce((all, [letter, from]) => withBound(all, letter, from), [...letters]),
    [letters, typed.value],
  );
  const [trouble, setTrouble] = useState<string | null>(null);
  const send = useTroubleOf(useChange());
  const isTried = !sameValue(wanted, letters);
  const tried = useMemo(
    () => (isTried ? lettersOf(withLetters(state, wanted)) : figures),
    [isTried, state, wanted, figures],
  );
  const moved = useMemo(() => (isTried ? lettersMoved(whole, wanted) : []), [isTried, whole, wanted]);
  const move = (letter: string, from: Decimal) => {
    setTrouble(null);
    typed.set((before) => ({ ...before, [letter]: from }));
  };
  const apply = async () => {
    const words = await send({ type: "editCourse", fields: { letters: wanted } });
    setTrouble(words);
    if (words === null) typed.clear();
  };
  return (
    <section aria-label="Letters" className="mt-4">
      <BoundScale bands={bandsFromTop(wanted)} totals={figures.totals} onMove={move} />
      <ByLetter {...{ tried, figures, isTried }} />
      {typed.isLeft && isTried && <AsYouLeftIt />}
      {isTried && (
        <div className="mt-3 flex flex-wrap items-center gap-4 border-y border-rule py-2">
          <p className="min-w-0 flex-1 text-[14px]" aria-live="polite">
            <strong>
              {moved.length === 0 ? "Nobody would move." : `${counted(moved.length, "student")} would move:`}
            </strong>{" "}
            {movedWords(whole, moved)}
          </p>
          <button
            type="button"
            className="act act-quiet"
            onClick={() => {
              typed.clear();
            }}
          >
            Put them back
          </button>
          <button type="button" className="act act-first" onClick={() => void apply()}>
            Apply the bounds
          </button>
        </div>
      )}
      {trouble && (
        <p role="alert" className="mt-2 text-[14px] text-wax">
          {trouble}
        </p>
      )}
    </section>
  );
}

/** Bounds that are tried, by their letters. */
type Bounds = Readonly<Record<string, Decimal>>;

const NO_BOUNDS: Bounds = {};

const readBounds = (stored: unknown): Bounds | null =>
  typeof stored === "object" &&
  stored !== null &&
  Object.values(stored).every((from) => typeof from === "string" && isDecimal(from))
    ? (stored as Bounds)
    : null;

function withLetters(state: CourseState, letters: Parameters<typeof lettersMoved>[1]): CourseState {
  const course = courseOf(state);
  return { ...state, courses: { ...state.courses, [course.id]: { ...course, letters: [...letters] } } };
}

function movedWords(state: CourseState, moved: readonly LetterMove[]): string {
  const named = moved.slice(0, NAMED).map(({ studentId, before, after }) => {
    const student = state.students[studentId];
    return `${student ? rosterName(state, student) : ""} ${before ?? "none"} → ${after ?? "none"}`;
  });
  return named.join(", ") + (moved.length > NAMED ? ` and ${String(moved.length - NAMED)} others` : "");
}

interface ByLetterProps {
  readonly tried: LetterFigures;
  readonly figures: LetterFigures;
  readonly isTried: boolean;
}

/** How many students have each letter, and how many had it before. */
function ByLetter({ tried, figures, isTried }: ByLetterProps) {
  return (
    <table className="figures mt-3 text-[14px]">
      <caption className="sr-only">Students by letter</caption>
      <thead>
        <tr className="text-left text-[13px] text-soft">
          <th className="pe-6 font-normal">Letter</th>
          {tried.letters.map(({ band }) => (
            <th key={band.letter} scope="col" className="w-20 font-semibold text-ink">
              {band.letter}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        <tr>
          <th className="pe-6 text-left font-normal text-soft">from, %</th>
          {tried.letters.map(({ band }) => (
            <td key={band.letter}>{band.from}</td>
          ))}
        </tr>
        <tr>
          <th className="pe-6 text-left font-normal text-soft">students</th>
          {tried.letters.map(({ band, studentIds }, at) => {
            const before = figures.letters[at]?.studentIds.length ?? 0;
            return (
              <td key={band.letter} className="font-semibold">
                {studentIds.length}
                {isTried && before !== studentIds.length && (
                  <span className="font-normal text-soft"> (was {before})</span>
                )}
              </td>
            );
          })}
        </tr>
      </tbody>
    </table>
  );
}
