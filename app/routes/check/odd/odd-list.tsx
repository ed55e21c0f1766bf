import { useState } from "react";
import { Link } from "react-router";
import type { Assignment, CourseState } from "#core/model";
import { ODD_CODES, oddBasis, oddStudents, oddSubject, type OddFound, type Oddity } from "#core/statistics";
import { counted } from "#core/words";
import { useChange } from "../../../course/use-change";
import { InlineField } from "../../../ui/fields/inline-field";
import { useTroubleOf } from "../../../ui/hooks/use-command";
import { ODD_GROUPS, oddLine } from "./odd-words";

interface OddListProps {
  readonly slot: string;
  readonly state: CourseState;
  readonly assignment: Assignment;
  /** Null while it is being looked for. */
  readonly found: OddFound | null;
}

/** From how many lines of one kind on they stand behind one. */
const TOGETHER = 4;

/** What is worth a second look, each with the way to it; what was set aside lies under it. */
export function OddList({ slot, state, assignment, found }: OddListProps) {
  const [trouble, setTrouble] = useState<string | null>(null);
  const send = useTroubleOf(useChange());
  const setAside = async (odd: Oddity, word: string) => {
    const line = oddLine(slot, state, assignment, odd);
    const said = await send({
      type: "setAside",
      assignmentId: assignment.id,
      subject: oddSubject(odd),
      title: `${line.about} ${line.words}`.slice(0, 300),
      basis: oddBasis(odd),
      studentIds: oddStudents(odd),
      word,
    });
    setTrouble(said);
    return said;
  };
  const takeBack = async (odd: Oddity) => {
    setTrouble(await send({ type: "takeFromAside", assignmentId: assignment.id, subject: oddSubject(odd) }));
  };
  const groups = ODD_CODES.map((code) => ({ code, odds: (found?.open ?? []).filter((odd) => odd.code === code) }));
  const line = (odd: Oddity) => (
    <OddItem
      key={oddSubject(odd)}
      line={oddLine(slot, state, assignment, odd)}
      onAside={() => void setAside(odd, "")}
    />
  );
  return (
    <section aria-label="What looks odd">
      <h2 className="figures text-[15px] font-semibold" aria-live="polite">
        {found ? `What looks odd: ${String(found.open.length)}` : "Looking for what is odd…"}
      </h2>
      {found?.open.length === 0 && <p className="mt-1 text-[14px] text-soft">Nothing here asks for a second look.</p>}
      <ul className="mt-1">
        {groups.map(({ code, odds }) =>
          odds.length < TOGETHER ? (
            odds.map(line)
          ) : (
            <li key={code} className="border-b border-rule py-2 text-[14px]">
              <details>
                <summary className="figures">
                  <Sign sign={code === "other_name" || code === "above_maximum" ? "!" : "≈"} />{" "}
                  {ODD_GROUPS[code](odds.length)}
                </summary>
                <ul className="ps-3">{odds.map(line)}</ul>
              </details>
            </li>
          ),
        )}
      </ul>
      {trouble && (
        <p role="alert" className="mt-2 text-[13.5px] text-wax">
          {trouble}
        </p>
      )}
      {found && found.aside.length > 0 && (
        <Aside aside={found.aside} {...{ slot, state, assignment, setAside, takeBack }} />
      )}
    </section>
  );
}

function OddItem({ line, onAside }: { readonly line: ReturnType<typeof oddLine>; readonly onAside: () => void }) {
  return (
    <li className="figures grid grid-cols-[18px_minmax(0,1fr)_auto] gap-x-1 border-b border-rule py-2 text-[14px]">
      <Sign sign={line.sign} />
      <span>
        <strong>{line.about}</strong> {line.words}
      </span>
      <span className="flex flex-col items-end gap-0.5 ps-2 text-[13.5px]">
        <Link className="link" to={line.to}>
          {line.way}
          <span className="sr-only"> {line.about}</span>
        </Link>
        <button
          type="button"
          className="text-soft underline decoration-rule underline-offset-2 hover:text-ink"
          onClick={onAside}
        >
          Set aside<span className="sr-only"> {line.about}</span>
        </button>
      </span>
    </li>
  );
}

const Sign = ({ sign }: { readonly sign: "!" | "≈" }) => (
  <span aria-hidden="true" className={sign === "!" ? "font-bold text-wax" : "text-ochre"}>
    {sign}
  </span>
);

interface AsideProps {
  readonly aside: OddFound["aside"];
  readonly slot: string;
  readonly state: CourseState;
  readonly assignment: Assignment;
  readonly setAside: (odd: Oddity, word: string) => Promise<string | null>;
  readonly takeBack: (odd: Oddity) => Promise<void>;
}

/** What was set aside, each with its word and the way back. */
function Aside({ aside, slot, state, assignment, setAside, takeBack }: AsideProps) {
  return (
    <details className="mt-3 text-[14px]">
      <summary className="text-soft">{counted(aside.length, "line")} set aside</summary>
      <ul>
        {aside.map(({ odd, word }) => {
          const { about, words } = oddLine(slot, state, assignment, odd);
          return (
            <li key={oddSubject(odd)} className="border-b border-rule py-2">
              <p>
                <strong>{about}</strong> {words}
              </p>
              <div className="mt-1 flex items-end gap-3">
                <InlineField
                  className="flex-1"
                  place={`aside ${assignment.id} ${oddSubject(odd)}`}
                  label="Why it may stay"
                  value={word}
                  maxLength={500}
                  onKeep={(text) => setAside(odd, text)}
                />
                <button type="button" className="link pb-1" onClick={() => void takeBack(odd)}>
                  Take back<span className="sr-only"> what was set aside of {about}</span>
                </button>
              </div>
            </li>
          );
        })}
      </ul>
    </details>
  );
}
