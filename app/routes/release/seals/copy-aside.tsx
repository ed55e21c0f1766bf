import { useState } from "react";
import { Link } from "react-router";
import type { Facet } from "#core/model";
import { windowAddress } from "../../../ui/address";
import { Letter } from "../../../ui/letter/letter";
import { TotalsLetter } from "../../../ui/letter/totals-letter";
import type { ReleaseRows } from "../rows";
import { Choice } from "../../../ui/fields/choice";

interface CopyAsideProps {
  readonly slot: string;
  readonly title: string;
  readonly rows: ReleaseRows;
  readonly reader: NonNullable<ReleaseRows["reader"]>;
  /** Who is chosen in the list: the reader, or the one on the way. */
  readonly picked: string;
  /** The facets a release would give out. */
  readonly wanted: readonly Facet[];
  readonly onReader: (id: string) => void;
}

/** What one student sees now, or would see once the chosen facets, or the chosen total, are released. */
export function CopyAside({ slot, title, rows, reader, picked, wanted, onReader }: CopyAsideProps) {
  const [after, setAfter] = useState(true);
  const pick = <F extends Facet>(facet: F) =>
    after && wanted.includes(facet) ? reader.after[facet] : reader.now[facet];
  const tab = (on: boolean) => `border-b-2 ${on ? "border-ink font-semibold" : "border-transparent text-soft"}`;
  return (
    <>
      <div className="flex items-center gap-3 text-[13.5px]">
        <label className="min-w-0 text-soft">
          What{" "}
          <Choice
            label="Whose copy"
            quiet
            className="max-w-40 border-b border-rule font-semibold"
            value={picked}
            onChoose={onReader}
            options={rows.students.map(({ id, name }) => [id, name] as const)}
          />
        </label>
        {(
          [
            [false, "sees now"],
            [true, "will see"],
          ] as const
        ).map(([on, words]) => (
          <button
            key={words}
            type="button"
            aria-pressed={after === on}
            className={tab(after === on)}
            onClick={() => {
              setAfter(on);
            }}
          >
            {words}
          </button>
        ))}
      </div>
      <div key={reader.id} className="mt-3 min-h-[420px] border border-rule bg-sheet px-7 py-7">
        {rows.chosenTotal ? (
          <TotalsLetter totals={after ? reader.totals : reader.totalsNow} name={reader.name} />
        ) : (
          <Letter
            title={title}
            courseTitle={rows.courseTitle}
            name={reader.name}
            score={pick("score")}
            rubric={pick("rubric")}
            comments={pick("comments")}
            outcomes={pick("outcomes")}
            classFigures={pick("classFigures")}
          />
        )}
      </div>
      <p className="mt-2 text-[13.5px]">
        <Link className="link" to={windowAddress(slot, reader.id)}>
          Open the student window
        </Link>
      </p>
    </>
  );
}
