import type { Facet } from "#core/model";
import type { FacetOverview } from "#core/release";
import { Seal } from "../../ui/seal";
import type { SealRow } from "./rows";

export const FACET_WORDS: Readonly<Record<Facet, string>> = {
  score: "Score",
  rubric: "Rubric detail",
  comments: "Notes, comments",
};

interface SealTableProps {
  readonly seals: readonly SealRow[];
  readonly chosen: string;
  readonly timeZone: string;
  /** With a facet when its seal was pressed, without when the assignment was. */
  readonly onChoose: (assignmentId: string, facet: Facet | null) => void;
}

/** Assignments by facets; each cell is a seal. */
export function SealTable({ seals, chosen, timeZone, onChoose }: SealTableProps) {
  return (
    <table className="mt-3 w-full text-[14px]">
      <thead>
        <tr className="border-b border-rule text-[13.5px] text-soft">
          <th className="py-1.5 text-left font-normal">Assignment</th>
          {Object.values(FACET_WORDS).map((word) => (
            <th key={word} className="w-[132px] font-normal">
              {word}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {seals.map(({ assignment, detail, facets }) => (
          <tr
            key={assignment.id}
            aria-current={assignment.id === chosen ? "true" : undefined}
            className={`border-b border-rule ${assignment.id === chosen ? "bg-sheet shadow-[inset_3px_0_0_var(--ink)]" : ""}`}
          >
            <td className="py-1 ps-3">
              <button
                type="button"
                className="block w-full text-left"
                onClick={() => {
                  onChoose(assignment.id, null);
                }}
              >
                <span className="block font-serif text-[16px] leading-snug font-semibold">{assignment.name}</span>
                <span className="figures text-[13px] text-soft">{detail}</span>
              </button>
            </td>
            {facets.map((overview) => (
              <td key={overview.facet} className="text-center">
                {overview.empty ? (
                  <span className="text-soft" aria-label="no rubric">
                    –
                  </span>
                ) : (
                  <button
                    type="button"
                    className="inline-flex min-h-10 flex-col items-center justify-center rounded px-2 hover:bg-table"
                    aria-label={`${FACET_WORDS[overview.facet]} of ${assignment.name}: ${stateWords(overview)}`}
                    onClick={() => {
                      onChoose(assignment.id, overview.facet);
                    }}
                  >
                    <Seal release={overview.release} timeZone={timeZone} />
                    <Remark overview={overview} />
                  </button>
                )}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const stateWords = ({ release, ready, changed }: FacetOverview): string =>
  [release.state, `${String(ready.length)} ready`, changed.length > 0 ? `${String(changed.length)} changed` : ""]
    .filter(Boolean)
    .join(", ");

/** What is new under a broken seal: copies that changed, and students who were scored later. */
function Remark({ overview: { release, ready, changed } }: { readonly overview: FacetOverview }) {
  if (release.state !== "released" || ready.length + changed.length === 0) return null;
  const words = [
    changed.length > 0 ? `${String(changed.length)} changed` : "",
    ready.length > 0 ? `${String(ready.length)} new` : "",
  ];
  return <span className="figures text-[12.5px] leading-none text-ochre">{words.filter(Boolean).join(", ")}</span>;
}
