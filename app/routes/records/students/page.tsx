import { useMemo } from "react";
import { Link } from "react-router";
import { live, useLive } from "../../../course/live";
import { openCourse } from "../../../course/open-course";
import { studentAddress, windowAddress } from "../../../ui/address";
import type { RecordColumn } from "../../../ui/table/column";
import { RecordTable } from "../../../ui/table/record-table";
import type { Route } from "./+types/page";
import { studentLines } from "./rows";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { session } = await openCourse(context, params.slot);
  return { shown: live(session, studentLines) };
}

type StudentLine = ReturnType<typeof studentLines>[number];

const columnsOf = (slot: string): readonly RecordColumn<StudentLine>[] => [
  {
    id: "name",
    head: "Name",
    by: ({ name }) => name,
    cell: ({ id, name }) => (
      <Link className="font-semibold hover:underline" to={studentAddress(slot, id)}>
        {name}
      </Link>
    ),
  },
  { id: "number", head: "Number", by: ({ number }) => number, cell: ({ number }) => number, className: "text-soft" },
  {
    id: "section",
    head: "Section",
    by: ({ section }) => section,
    cell: ({ section }) => section,
    className: "text-soft",
  },
  {
    id: "now",
    head: "Total now, %",
    by: ({ now }) => (now === "" ? null : Number(now)),
    cell: ({ now }) => now,
    figures: true,
  },
  {
    id: "letter",
    head: "Letter",
    by: ({ letter }) => letter || null,
    cell: ({ letter }) => letter,
    className: "ps-6",
    headClassName: "ps-6",
  },
  {
    id: "sees",
    head: "What they see",
    by: ({ visible }) => visible,
    cell: ({ id, name, visible }) => (
      <>
        <Link className="link" to={windowAddress(slot, id)}>
          Student window<span className="sr-only"> of {name}</span>
        </Link>{" "}
        <span className="text-soft">{visible === 0 ? "nothing released" : `${String(visible)} released`}</span>
      </>
    ),
  },
];

export default function StudentsPage({ loaderData, params }: Route.ComponentProps) {
  const students = useLive(loaderData.shown);
  const columns = useMemo(() => columnsOf(params.slot), [params.slot]);
  return (
    <main className="mx-auto w-full max-w-[1000px] px-[30px] pt-6 pb-16">
      <title>Students · Upright Quill</title>
      <div className="flex items-baseline justify-between">
        <h1 className="page-title">Students</h1>
        <Link className="link text-[14px]" to={`/courses/${params.slot}/outcomes`}>
          Outcomes over all work
        </Link>
      </div>
      {students.length === 0 ? (
        <p className="mt-6 text-soft">
          Nobody is on the roster yet. Add students under{" "}
          <Link className="link" to={`/courses/${params.slot}/plan`}>
            Plan
          </Link>
          .
        </p>
      ) : (
        <RecordTable className="mt-4" label="Students" records={students} columns={columns} keyOf={({ id }) => id} />
      )}
    </main>
  );
}
