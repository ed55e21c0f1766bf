import { useRef } from "react";
import type { Facet } from "#core/model";
import type { FacetOverview } from "#core/release";
import { counted, FACET_WORDS, momentText } from "#core/words";
import { Seal } from "../../../ui/parts/seal";
import { Room } from "../../../ui/table/room";
import { useRowsInView, type RowsInView } from "../../../ui/table/use-rows-in-view";
import type { SealRow, TotalRow } from "../rows";

interface SealTableProps {
  readonly seals: readonly SealRow[];
  readonly totals: readonly TotalRow[];
  /** The id of the assignment or the total that is looked at. */
  readonly chosen: string;
  readonly timeZone: string;
  readonly sectionName: (id: string) => string;
  /** With a facet when its seal was pressed, without when the assignment was. */
  readonly onChoose: (assignmentId: string, facet: Facet | null) => void;
  readonly onTotal: (id: string) => void;
}

const rowClass = (on: boolean) => `border-b border-rule ${on ? "bg-sheet shadow-[inset_3px_0_0_var(--ink)]" : ""}`;

/** Rows up to this many are drawn whole, and how many stand drawn beyond the window: each holds five seals. */
const DRAWN = { whole: 60, overscan: 8 };

/** Assignments by facets, then the totals; each cell is a seal. Of a long plan only what stands in the window is drawn. */
export function SealTable({ seals, totals, ...props }: SealTableProps) {
  const body = useRef<HTMLTableSectionElement>(null);
  const { places, above, below, measure } = useRowsInView(seals.length, body, DRAWN);
  return (
    <table className="mt-3 w-full text-[14px]" aria-rowcount={measure ? 1 + seals.length + totals.length : undefined}>
      <caption className="sr-only">Seals: what students can see</caption>
      <thead>
        <tr className="border-b border-rule text-[13.5px] text-soft">
          <th className="py-1.5 text-left font-normal">Assignment</th>
          {Object.values(FACET_WORDS).map((word) => (
            <th key={word} className="w-[104px] font-normal">
              {word}
            </th>
          ))}
        </tr>
      </thead>
      <tbody ref={body}>
        {above > 0 && <Room height={above} />}
        {places.map((place) => {
          const row = seals[place];
          return row && <AssignmentLine key={row.assignment.id} row={row} place={place} measure={measure} {...props} />;
        })}
        {below > 0 && <Room height={below} />}
      </tbody>
      <tbody>
        {totals.map((total) => (
          <TotalLine key={total.id} total={total} {...props} />
        ))}
      </tbody>
    </table>
  );
}

type LineProps = Omit<SealTableProps, "seals" | "totals">;

/** One assignment with the seals of its facets. */
function AssignmentLine({
  row: { assignment, detail, facets },
  place,
  measure,
  chosen,
  timeZone,
  sectionName,
  onChoose,
}: LineProps & { readonly row: SealRow; readonly place: number } & Pick<RowsInView, "measure">) {
  return (
    <tr
      ref={measure}
      data-index={place}
      aria-rowindex={measure ? place + 2 : undefined}
      aria-current={assignment.id === chosen ? "true" : undefined}
      className={rowClass(assignment.id === chosen)}
    >
      <td className="ps-3">
        <button
          type="button"
          className="flex w-full flex-wrap items-baseline gap-x-3 text-left"
          onClick={() => {
            onChoose(assignment.id, null);
          }}
        >
          <span className="font-serif text-[16px] leading-snug font-semibold">{assignment.name}</span>
          <span className="figures text-[13px] text-soft">{detail}</span>
        </button>
      </td>
      {facets.map((overview) => (
        <td key={overview.facet} className="text-center">
          {overview.empty ? (
            <span className="text-soft" aria-label={`${FACET_WORDS[overview.facet]}: none here`}>
              –
            </span>
          ) : (
            <button
              type="button"
              className="inline-flex min-h-7 flex-col items-center justify-center rounded px-2 hover:bg-table"
              aria-label={`${FACET_WORDS[overview.facet]} of ${assignment.name}: ${stateWords(overview)}`}
              onClick={() => {
                onChoose(assignment.id, overview.facet);
              }}
            >
              <Seal release={overview.release} timeZone={timeZone} />
              <Remark overview={overview} />
              <Waves overview={overview} timeZone={timeZone} sectionName={sectionName} />
            </button>
          )}
        </td>
      ))}
    </tr>
  );
}

/** One total with its seal. */
function TotalLine({ total, chosen, timeZone, onTotal }: LineProps & { readonly total: TotalRow }) {
  return (
    <tr aria-current={total.id === chosen ? "true" : undefined} className={rowClass(total.id === chosen)}>
      <td className="ps-3">
        <button
          type="button"
          className="flex w-full flex-wrap items-baseline gap-x-3 text-left"
          onClick={() => {
            onTotal(total.id);
          }}
        >
          <span className="font-serif text-[16px] leading-snug font-semibold">{total.name} total</span>
          <span className="text-[13px] text-soft">{total.detail}</span>
        </button>
      </td>
      <td className="text-center">
        <button
          type="button"
          className="inline-flex min-h-7 flex-col items-center justify-center rounded px-2 hover:bg-table"
          aria-label={`${total.name} total: ${total.seal.state}`}
          onClick={() => {
            onTotal(total.id);
          }}
        >
          {total.seal.state === "released" ? (
            <span className="font-semibold text-green">{total.seal.shows === "letter" ? "letter shown" : "shown"}</span>
          ) : (
            <Seal release={total.seal} timeZone={timeZone} />
          )}
          {total.changed.length > 0 && (
            <span className="figures text-[12.5px] leading-none text-ochre">
              {String(total.changed.length)} changed
            </span>
          )}
        </button>
      </td>
      <td colSpan={4} />
    </tr>
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

/** Moments for parts of the class. */
function Waves({
  overview: { release },
  timeZone,
  sectionName,
}: {
  readonly overview: FacetOverview;
  readonly timeZone: string;
  readonly sectionName: (id: string) => string;
}) {
  return release.waves.map(({ at, sectionId, studentIds }) => (
    <span key={`${at}${sectionId ?? ""}`} className="figures text-[12.5px] leading-tight text-wax">
      {sectionId ? sectionName(sectionId) : counted(studentIds?.length ?? 0, "student")}: {momentText(at, timeZone)}
    </span>
  ));
}
