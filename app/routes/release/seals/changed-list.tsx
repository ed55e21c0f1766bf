import { useMemo } from "react";
import { rosterName, type CourseState } from "#core/model";
import type { StudentId } from "#core/kernel";
import type { Difference } from "#core/release";
import { useLatest } from "../../../ui/hooks/use-latest";
import type { RecordColumn } from "../../../ui/table/column";
import { RecordTable } from "../../../ui/table/record-table";
import { differenceWords } from "./difference-words";

type Pair = ReturnType<typeof differenceWords>[number];

/** One thing that differs in one student's copy. */
interface ChangedLine extends Pair {
  readonly key: string;
  readonly studentId: StudentId;
  readonly name: string;
  /** The first of the student's lines: there it is released. */
  readonly isFirst: boolean;
}

/** What changed since it was released: old against new, to go out one by one or together. */
export function ChangedList({
  state,
  changed,
  onRelease,
}: {
  readonly state: CourseState;
  readonly changed: readonly Difference[];
  readonly onRelease: (students: readonly StudentId[]) => void;
}) {
  const release = useLatest(onRelease);
  const lines = useMemo(() => linesOf(state, changed), [state, changed]);
  const columns = useMemo(() => columnsOf(release), [release]);
  const ids = lines.flatMap(({ isFirst, studentId }) => (isFirst ? [studentId] : []));
  if (ids.length === 0) return null;
  return (
    <section aria-label="Changed since release" className="mt-4">
      <div className="flex items-center justify-between">
        <h3 className="font-semibold">Changed since release</h3>
        {ids.length > 1 && (
          <button
            type="button"
            className="act"
            onClick={() => {
              release(ids);
            }}
          >
            Release {ids.length} corrections
          </button>
        )}
      </div>
      <RecordTable
        className="mt-1"
        label="What changed since it was released"
        records={lines}
        columns={columns}
        keyOf={({ key }) => key}
      />
    </section>
  );
}

function linesOf(state: CourseState, changed: readonly Difference[]): ChangedLine[] {
  const met = new Set<StudentId>();
  return changed.flatMap((difference) => {
    const { student, facet } = difference;
    return differenceWords(difference).map((words) => {
      const isFirst = !met.has(student.id);
      met.add(student.id);
      const key = `${student.id}${facet}${words.what}`;
      return { ...words, key, studentId: student.id, name: rosterName(state, student), isFirst };
    });
  });
}

const columnsOf = (release: (studentIds: readonly StudentId[]) => void): readonly RecordColumn<ChangedLine>[] => [
  { id: "student", head: "Student", by: ({ name }) => name, cell: ({ name }) => name },
  { id: "what", head: "What", by: ({ what }) => what, cell: ({ what }) => what },
  { id: "old", head: "They see", cell: ({ old }) => old || "nothing", className: "text-soft" },
  { id: "present", head: "You have", cell: ({ present }) => present || "nothing", className: "font-semibold" },
  {
    id: "release",
    head: "Action",
    quiet: true,
    className: "text-right",
    cell: ({ isFirst, studentId, name }) =>
      isFirst && (
        <button
          type="button"
          className="link"
          onClick={() => {
            release([studentId]);
          }}
        >
          Release<span className="sr-only"> to {name}</span>
        </button>
      ),
  },
];
