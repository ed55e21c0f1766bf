import { useMemo, useRef } from "react";
import { Link } from "react-router";
import { fromDecimal, toNumber, type Interval } from "#core/kernel";
import type { CourseState } from "#core/model";
import type { Leak, LeakReport } from "#core/release";
import { studentAddress } from "../../../ui/address";
import { Room } from "../../../ui/table/room";
import { useRowsInView } from "../../../ui/table/use-rows-in-view";
import { leakInterval, leakWorking } from "../leak-words";

const VERDICTS = { certain: "exact", narrow: "narrow", open: "open" } as const;

/** What each student could work out: the sealed score, the verdict, the interval on the score's ruler, and the working. */
export function LeakTable({
  slot,
  state,
  reports,
  nameOf,
  studentName,
}: {
  readonly slot: string;
  readonly state: CourseState;
  readonly reports: readonly LeakReport[];
  readonly nameOf: (id: string) => string;
  readonly studentName: (id: string) => string;
}) {
  const body = useRef<HTMLTableSectionElement>(null);
  const rows = useMemo(() => rowsOf(reports), [reports]);
  const { places, above, below, measure } = useRowsInView(rows.length, body);
  if (rows.length === 0) return null;
  return (
    <table className="mt-5 w-full text-[14px]" aria-rowcount={measure ? rows.length + 1 : undefined}>
      <caption className="sr-only">What each student could work out</caption>
      <thead>
        <tr className="border-b border-rule text-left text-[13.5px] text-soft">
          <th className="py-1 font-normal">Student</th>
          <th className="w-[190px] font-normal">Sealed score of</th>
          <th className="font-normal">Verdict</th>
          <th className="w-[170px] font-normal">What is left possible</th>
          <th className="font-normal">How it follows</th>
        </tr>
      </thead>
      <tbody ref={body}>
        {above > 0 && <Room height={above} />}
        {places.map((place) => {
          const row = rows[place];
          return (
            row && (
              <tr
                key={row.key}
                ref={measure}
                data-index={place}
                aria-rowindex={measure ? place + 2 : undefined}
                className="border-b border-rule align-top"
              >
                <td className="py-1.5 pe-3 whitespace-nowrap">
                  {row.isFirst && (
                    <Link className="link" to={studentAddress(slot, row.report.studentId)}>
                      {studentName(row.report.studentId)}
                    </Link>
                  )}
                </td>
                {row.leak ? (
                  <LeakCells leak={row.leak} state={state} nameOf={nameOf} />
                ) : (
                  <td colSpan={4} className="py-1.5 text-ochre">
                    {unsafeWords(row.report, nameOf)}
                  </td>
                )}
              </tr>
            )
          );
        })}
        {below > 0 && <Room height={below} />}
      </tbody>
    </table>
  );
}

/** One sealed score a student could work out, or, without one, what of their totals is not to be taken as safe. */
interface LeakRow {
  readonly key: string;
  readonly report: LeakReport;
  readonly leak: Leak | null;
  /** The first row of the student, who is named there. */
  readonly isFirst: boolean;
}

const rowsOf = (reports: readonly LeakReport[]): readonly LeakRow[] =>
  reports.flatMap((report) => {
    const { studentId, leaks, inconsistent, unchecked } = report;
    const all = [...leaks, ...(inconsistent.length + unchecked.length > 0 ? [null] : [])];
    return all.map((leak, index) => ({
      key: `${studentId} ${leak ? leak.assignmentId + leak.from : "unsafe"}`,
      report,
      leak,
      isFirst: index === 0,
    }));
  });

function LeakCells({
  leak,
  state,
  nameOf,
}: {
  readonly leak: Leak;
  readonly state: CourseState;
  readonly nameOf: (id: string) => string;
}) {
  const isCertain = leak.verdict === "certain";
  return (
    <>
      <td className="py-1.5 pe-3">{nameOf(leak.assignmentId)}</td>
      <td className={`py-1.5 pe-3 font-semibold whitespace-nowrap ${isCertain ? "text-wax" : "text-ochre"}`}>
        <span aria-hidden="true">{isCertain ? "! " : "≈ "}</span>
        {VERDICTS[leak.verdict]}
      </td>
      <td className="py-2 pe-4">
        <Span leak={leak} whole={state.assignments[leak.assignmentId]?.points ?? null} />
      </td>
      <td className="figures py-1.5">{leakWorking(leak, nameOf)}</td>
    </>
  );
}

function unsafeWords({ inconsistent, unchecked }: LeakReport, nameOf: (id: string) => string): string {
  const named = (ids: readonly string[]) => ids.map(totalWords(nameOf)).join(", ");
  return [
    inconsistent.length > 0 ? `What is shown of ${named(inconsistent)} cannot come from its parts.` : "",
    unchecked.length > 0 ? `${named(unchecked)} may leap with a score and cannot be checked.` : "",
    "Take it as unsafe.",
  ]
    .filter(Boolean)
    .join(" ");
}

const totalWords = (nameOf: (id: string) => string) => (id: string) => (id === "course" ? "the course" : nameOf(id));

/** The interval drawn on the score's own scale, with a line where the score is. */
function Span({ leak, whole }: { readonly leak: Leak; readonly whole: Parameters<typeof fromDecimal>[0] | null }) {
  const maximum = whole === null ? 1 : Math.max(toNumber(fromDecimal(whole)), toNumber(leak.interval.high));
  const share = (value: Interval["low"]) => Math.min(100, Math.max(0, (100 * toNumber(value)) / (maximum || 1)));
  const [low, high] = [share(leak.interval.low), share(leak.interval.high)];
  return (
    <svg viewBox="0 0 160 16" className="h-4 w-40" role="img" aria-label={leakInterval(leak)}>
      <line x1="1" x2="159" y1="8" y2="8" className="stroke-rule" strokeWidth="2" />
      <rect
        x={1 + low * 1.58}
        width={Math.max(2, (high - low) * 1.58)}
        y="4"
        height="8"
        rx="2"
        className={leak.verdict === "certain" ? "fill-wax" : "fill-ochre"}
      />
      <line
        x1={1 + share(leak.score) * 1.58}
        x2={1 + share(leak.score) * 1.58}
        y1="1"
        y2="15"
        className="stroke-ink"
        strokeWidth="1.5"
      />
    </svg>
  );
}
