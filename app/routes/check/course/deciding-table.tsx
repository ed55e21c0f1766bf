import { useMemo } from "react";
import { Link } from "react-router";
import type { CourseState } from "#core/model";
import { decidingWork, type Deciding } from "#core/statistics";
import { inAddress } from "../../../ui/address";
import type { RecordColumn } from "../../../ui/table/column";
import { RecordTable } from "../../../ui/table/record-table";
import { short } from "../figure-words";
import { inMark } from "../../../ui/words/figures";

const percent = (share: number) => `${short(100 * share)} %`;

const columnsOf = (slot: string): readonly RecordColumn<Deciding>[] => [
  {
    id: "name",
    head: "Assignment",
    cell: ({ assignment }) => (
      <Link
        className="font-semibold hover:underline"
        to={`/courses/${slot}/check?assignment=${inAddress(assignment.id)}`}
      >
        {assignment.name}
      </Link>
    ),
  },
  {
    id: "count",
    head: "Scores",
    figures: true,
    by: ({ described }) => (described.ok ? described.value.count : 0),
    cell: ({ described }) => (described.ok ? described.value.count : 0),
  },
  {
    id: "mean",
    head: "Mean, %",
    figures: true,
    by: ({ described }) => (described.ok ? described.value.mean : null),
    cell: ({ described }) => (described.ok ? inMark(described.value.mean.toFixed(1)) : "–"),
  },
  {
    id: "spread",
    head: "SD",
    figures: true,
    by: ({ described }) => (described.ok && described.value.deviation.ok ? described.value.deviation.value : null),
    cell: ({ described }) =>
      described.ok && described.value.deviation.ok ? inMark(described.value.deviation.value.toFixed(1)) : "–",
  },
  {
    id: "planned",
    head: "Planned",
    figures: true,
    by: ({ planned }) => planned,
    cell: ({ planned }) => percent(planned),
  },
  {
    id: "decides",
    head: "Decides",
    figures: true,
    by: ({ decides }) => (decides.ok ? decides.value : null),
    cell: ({ decides, planned }) =>
      decides.ok ? (
        <span className={decides.value > planned + FAR ? "font-semibold text-ochre" : ""}>
          {percent(decides.value)}
        </span>
      ) : (
        "–"
      ),
  },
];

/** From how much above its planned share on an assignment stands out. */
const FAR = 0.15;

/** Which assignment decides the totals most, beside the weight it was planned with. */
export function DecidingTable({
  slot,
  state,
  totals,
}: {
  readonly slot: string;
  readonly state: CourseState;
  readonly totals: Parameters<typeof decidingWork>[1];
}) {
  const work = useMemo(() => decidingWork(state, totals), [state, totals]);
  const columns = useMemo(() => columnsOf(slot), [slot]);
  return (
    <section aria-label="What decides the totals" className="mt-8">
      <h2 className="text-[15px] font-semibold">What decides the totals</h2>
      <p className="max-w-prose text-[14px] text-soft">
        Planned: its share of the course total. Decides: its share of how far the totals lie apart. Work in which all
        stand alike decides little, whatever its weight.
      </p>
      <RecordTable
        className="mt-1"
        label="Assignments by what they decide"
        records={work}
        columns={columns}
        keyOf={({ assignment }) => assignment.id}
      />
    </section>
  );
}
