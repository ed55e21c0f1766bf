import type { FinalGrade } from "#core/formats";
import { inMark } from "../../../ui/words/figures";
import { counted } from "#core/words";
import type { RecordColumn } from "../../../ui/table/column";

export function gradeColumns(grades: readonly FinalGrade[], places: number): readonly RecordColumn<FinalGrade>[] {
  const percent = (of: (grade: FinalGrade) => string | null | undefined) => ({
    by: (grade: FinalGrade) => (of(grade) ? Number(of(grade)) : null),
    cell: (grade: FinalGrade) => inMark(of(grade) ?? "–"),
    figures: true,
  });
  return [
    { id: "student", head: "Student", by: ({ name }) => name, cell: ({ name }) => name },
    { id: "number", head: "Number", by: ({ number }) => number, cell: ({ number }) => number, className: "text-soft" },
    ...(grades[0]?.terms ?? []).map(({ name }, place) => ({
      id: `term-${String(place)}`,
      head: `${name}, %`,
      ...percent(({ terms }) => terms?.[place]?.percent),
    })),
    { id: "total", head: `Total, % (${counted(places, "decimal")})`, ...percent((grade) => grade.percent) },
    {
      id: "letter",
      head: "Letter",
      by: ({ letter }) => letter,
      cell: ({ letter }) => letter ?? "–",
      className: "ps-6 font-semibold",
      headClassName: "ps-6",
    },
  ];
}
