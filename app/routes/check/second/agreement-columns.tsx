import { useMemo } from "react";
import type { Agreement, CriterionAgreement } from "#core/statistics";
import type { RecordColumn } from "../../../ui/table/column";
import { RecordTable } from "../../../ui/table/record-table";
import { short, told, whyNot } from "../figure-words";

export const CRITERIA: readonly RecordColumn<CriterionAgreement>[] = [
  { id: "criterion", head: "Criterion", cell: ({ criterion }) => <strong>{criterion.name}</strong> },
  { id: "count", head: "Judged twice", figures: true, by: ({ count }) => count, cell: ({ count }) => count },
  share("Same level", ({ sameLevel }) => sameLevel),
  share("Within one level", ({ withinOne }) => withinOne),
  {
    id: "kappa",
    head: "Weighted kappa",
    figures: true,
    by: ({ kappa }) => (kappa.ok ? kappa.value : null),
    cell: ({ kappa }) => (kappa.ok ? told(kappa, 2) : <span className="text-soft">{whyNot(kappa.issue)}</span>),
  },
];

function share(
  head: string,
  of: (one: CriterionAgreement) => CriterionAgreement["sameLevel"],
): RecordColumn<CriterionAgreement> {
  return {
    id: head,
    head,
    figures: true,
    by: (one) => {
      const found = of(one);
      return found.ok ? found.value : null;
    },
    cell: (one) => {
      const found = of(one);
      return found.ok ? `${String(Math.round(100 * found.value))} %` : "–";
    },
  };
}

/** Every paper judged twice with both scores: what the pictures are drawn from. */
export function TwiceTable({
  agreement,
  nameOf,
}: {
  readonly agreement: Agreement;
  readonly nameOf: (id: string) => string;
}) {
  const columns = useMemo(
    (): readonly RecordColumn<Agreement["twice"][number]>[] => [
      {
        id: "name",
        head: "Student",
        by: ({ studentId }) => nameOf(studentId),
        cell: ({ studentId }) => nameOf(studentId),
      },
      { id: "first", head: "First", figures: true, by: ({ first }) => first, cell: ({ first }) => short(first, 2) },
      {
        id: "second",
        head: "Second",
        figures: true,
        by: ({ second }) => second,
        cell: ({ second }) => short(second, 2),
      },
      {
        id: "difference",
        head: "Difference",
        figures: true,
        by: ({ first, second }) => second - first,
        cell: ({ first, second }) => short(second - first, 2),
      },
    ],
    [nameOf],
  );
  return (
    <RecordTable
      className="mt-2 max-w-[560px]"
      label="Papers judged twice"
      records={agreement.twice}
      columns={columns}
      keyOf={({ studentId }) => studentId}
    />
  );
}
