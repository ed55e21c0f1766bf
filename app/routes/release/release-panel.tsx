import { useState } from "react";
import { Link } from "react-router";
import { FACETS, fullName, type Facet } from "#core/model";
import type { Outcome } from "../../outcomes";
import { deskAddress } from "../../ui/address";
import { fromLocalText } from "../../ui/moments";
import { counted, issueWords } from "../../ui/words";
import { useChange } from "../../use-change";
import { differenceWords } from "./difference-words";
import { findingWords } from "./finding-words";
import { facetKey, type ReleaseRows } from "./rows";
import { FACET_WORDS } from "./seal-table";

interface ReleasePanelProps {
  readonly slot: string;
  readonly row: NonNullable<ReleaseRows["chosen"]>;
  readonly facets: readonly Facet[];
  readonly onFacets: (facets: readonly Facet[]) => void;
  readonly timeZone: string;
}

const SIGNS = { stop: "!", look: "•", fine: "✓" } as const;

/** What to know before a release, the release itself, and what changed since the last one. */
export function ReleasePanel({ slot, row, facets, onFacets, timeZone }: ReleasePanelProps) {
  const change = useChange();
  const [said, setSaid] = useState<string | null>(null);
  const [moment, setMoment] = useState("");
  const { assignment } = row;
  const usable = row.facets.filter((overview) => !overview.empty);
  const wanted = FACETS.filter(
    (facet) => facets.includes(facet) && usable.some((overview) => overview.facet === facet),
  );
  const those = usable.filter((overview) => wanted.includes(overview.facet));
  const ready = new Set(those.flatMap((overview) => [...overview.ready, ...overview.changed])).size;
  const open = those.filter((overview) => overview.release.state !== "sealed");
  const tell = (words: string) => (outcome: Outcome) => {
    setSaid(outcome.ok ? words : issueWords(outcome.issue));
  };
  const place = { assignmentId: assignment.id, facets: wanted };
  const release = () => change({ type: "release", ...place }).then(tell(`Released to ${counted(ready, "student")}.`));
  const time = () => {
    const at = fromLocalText(moment, timeZone);
    if (!at) {
      setSaid("Choose a day and a time first.");
      return;
    }
    void change({ type: "timeRelease", ...place, at }).then(
      tell("Timed. It goes out by itself when the moment comes, also if the application was closed in between."),
    );
  };
  return (
    <section className="mt-6 border-t-2 border-ink pt-2.5" aria-label={`Release ${assignment.name}`}>
      <h2 className="text-[16px] font-semibold">Before releasing {assignment.name}</h2>
      <fieldset className="mt-2 flex flex-wrap gap-x-6 gap-y-1">
        <legend className="sr-only">What to release</legend>
        {usable.map(({ facet }) => (
          <label key={facet} className="flex items-center gap-2">
            <input
              type="checkbox"
              className="size-4 accent-green"
              checked={facets.includes(facet)}
              onChange={(event) => {
                onFacets(event.target.checked ? [...facets, facet] : facets.filter((item) => item !== facet));
              }}
            />
            {FACET_WORDS[facet]}
          </label>
        ))}
      </fieldset>
      <ul className="mt-2">
        {(row.findings[facetKey(wanted)] ?? []).map((finding) => {
          const { text, way } = findingWords(finding);
          return (
            <li key={finding.code} className="flex gap-3 py-[3px] text-[14px]">
              <span
                aria-hidden="true"
                className={`w-3 shrink-0 font-semibold ${finding.weight === "stop" ? "text-wax" : ""}`}
              >
                {SIGNS[finding.weight]}
              </span>
              <span className="flex-1">{text}</span>
              {way && finding.first && (
                <Link className="link" to={deskAddress(slot, assignment.id, finding.first)}>
                  {way}
                </Link>
              )}
            </li>
          );
        })}
      </ul>
      <div className="mt-3 flex flex-wrap items-center gap-3">
        <button
          type="button"
          className="act act-first"
          disabled={wanted.length === 0 || ready === 0}
          onClick={() => void release()}
        >
          {ready === 0 ? "Nothing new to release" : `Release to ${counted(ready, "student")}`}
        </button>
        <span className="flex items-center gap-1.5 text-[14px]">
          <label className="text-soft" htmlFor="release-moment">
            or from
          </label>
          <input
            id="release-moment"
            type="datetime-local"
            className="field !w-auto"
            value={moment}
            title={`Time of the course: ${timeZone}`}
            onChange={(event) => {
              setMoment(event.target.value);
            }}
          />
          <button
            type="button"
            className="act act-quiet"
            disabled={wanted.length === 0 || moment === ""}
            onClick={time}
          >
            Set the time
          </button>
        </span>
        {open.length > 0 && (
          <button
            type="button"
            className="act act-quiet !text-wax"
            onClick={() =>
              void change({
                type: "seal",
                assignmentId: assignment.id,
                facets: open.map((overview) => overview.facet),
              }).then(tell("Sealed. Students see it no longer; what they had seen stays in the journal."))
            }
          >
            Take back and seal
          </button>
        )}
      </div>
      <p role="status" className="mt-2 min-h-5 text-[14px] text-soft">
        {said}
      </p>
      <Changed
        row={row}
        onRelease={(studentIds) => {
          const list = [
            ...new Set(row.changed.filter(({ student }) => studentIds.includes(student.id)).map(({ facet }) => facet)),
          ];
          void change({ type: "release", assignmentId: assignment.id, facets: list, studentIds: [...studentIds] }).then(
            tell(`Corrections released to ${counted(studentIds.length, "student")}.`),
          );
        }}
      />
    </section>
  );
}

type StudentIds = ReleaseRows["students"][number]["id"][];

function Changed({
  row,
  onRelease,
}: {
  readonly row: ReleasePanelProps["row"];
  readonly onRelease: (students: StudentIds) => void;
}) {
  const ids = [...new Set(row.changed.map(({ student }) => student.id))];
  if (ids.length === 0) return null;
  return (
    <div className="mt-2">
      <div className="flex items-center justify-between">
        <h3 className="font-semibold">Changed since release</h3>
        {ids.length > 1 && (
          <button
            type="button"
            className="act"
            onClick={() => {
              onRelease(ids);
            }}
          >
            Release {ids.length} corrections
          </button>
        )}
      </div>
      <table className="mt-1 w-full text-[14px]">
        <thead>
          <tr className="border-b border-rule text-left text-[13px] text-soft">
            <th className="py-1 font-normal">Student</th>
            <th className="font-normal">What</th>
            <th className="font-normal">They see</th>
            <th className="font-normal">You have</th>
            <th>
              <span className="sr-only">Action</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {row.changed.flatMap((difference) =>
            differenceWords(difference).map((pair, index) => (
              <tr
                key={`${difference.student.id}${difference.facet}${pair.what}`}
                className="border-b border-rule align-top"
              >
                <td className="py-1 pe-3">{fullName(difference.student)}</td>
                <td className="pe-3">{pair.what}</td>
                <td className="pe-3 text-soft">{pair.old || "nothing"}</td>
                <td className="pe-3 font-semibold">{pair.present || "nothing"}</td>
                <td className="text-right">
                  {index === 0 &&
                    difference === row.changed.find(({ student }) => student.id === difference.student.id) && (
                      <button
                        type="button"
                        className="link"
                        onClick={() => {
                          onRelease([difference.student.id]);
                        }}
                      >
                        Release<span className="sr-only"> to {fullName(difference.student)}</span>
                      </button>
                    )}
                </td>
              </tr>
            )),
          )}
        </tbody>
      </table>
    </div>
  );
}
