import { useCallback, useMemo } from "react";
import { Link, useNavigate, useSearchParams } from "react-router";
import { openCourse } from "../../open-course";
import { deskAddress, fromAddress, inAddress } from "../../ui/address";
import { useHashText } from "../../ui/use-hash-text";
import { useChange } from "../../use-change";
import { Grid } from "./grid";
import { entryHint, gradeRows } from "./rows";
import type { Route } from "./+types/page";

export async function clientLoader({ request, params, context }: Route.ClientLoaderArgs) {
  const { session } = await openCourse(context, params.slot);
  const search = new URL(request.url).searchParams;
  return { state: session.state, section: search.get("section") ?? "" };
}

export default function GradebookPage({ loaderData, params }: Route.ComponentProps) {
  const { state, section } = loaderData;
  const [find, setFind] = useHashText("find");
  const [, setSearch] = useSearchParams();
  const table = useMemo(
    () => gradeRows(state, { find, section: section ? fromAddress("section", section) : null }),
    [state, find, section],
  );
  const navigate = useNavigate();
  const change = useChange();
  const hint = useCallback(
    (assignmentId: Parameters<typeof entryHint>[1], studentId: Parameters<typeof entryHint>[2], text: string) =>
      entryHint(state, assignmentId, studentId, text),
    [state],
  );
  return (
    <main className="flex h-[calc(100vh-46px)] flex-col px-[18px] pt-3.5">
      <title>Gradebook · Upright Quill</title>
      <h1 className="sr-only">Gradebook</h1>
      <div role="search" className="flex items-center gap-5 text-sm">
        <input
          className="field !w-[230px]"
          type="search"
          aria-label="Find a student"
          placeholder="Find a student"
          value={find}
          onChange={(event) => {
            setFind(event.target.value);
          }}
        />
        {table.sections.length > 0 && (
          <select
            aria-label="Section"
            className="bg-transparent text-soft"
            value={section}
            onChange={(event) => {
              setSearch(event.target.value ? { section: event.target.value } : {}, { replace: true });
            }}
          >
            <option value="" className="bg-sheet">
              All sections
            </option>
            {table.sections.map(({ id, name }) => (
              <option key={id} value={inAddress(id)} className="bg-sheet">
                {name}
              </option>
            ))}
          </select>
        )}
        <span className="text-soft">
          {table.rows.length === table.total
            ? `${String(table.total)} students`
            : `${String(table.rows.length)} of ${String(table.total)}`}
        </span>
        <span className="ms-auto text-soft">18 l2 late · m missing · x excused · - clear</span>
      </div>
      {table.columns.length === 0 || table.total === 0 ? (
        <p className="mt-8 text-soft">
          There is nothing to enter yet. Begin with students and an assignment under{" "}
          <Link className="link" to={`/courses/${params.slot}/plan`}>
            Plan
          </Link>
          .
        </p>
      ) : (
        <Grid
          table={table}
          hint={hint}
          onEnter={(command) => change(command)}
          onOpen={(assignmentId, studentId) => void navigate(deskAddress(params.slot, assignmentId, studentId))}
        />
      )}
    </main>
  );
}
