import { useState } from "react";
import { Link, useSearchParams } from "react-router";
import { FACETS, type Facet } from "#core/model";
import { openCourse } from "../../open-course";
import { fromAddress, inAddress, windowAddress } from "../../ui/address";
import { Letter } from "../../ui/letter";
import { ReleasePanel } from "./release-panel";
import { releaseRows } from "./rows";
import { SealTable } from "./seal-table";
import type { Route } from "./+types/page";

export async function clientLoader({ request, params, context }: Route.ClientLoaderArgs) {
  const { session } = await openCourse(context, params.slot);
  const search = new URL(request.url).searchParams;
  const id = <K extends string>(kind: K) => {
    const part = search.get(kind);
    return part === null ? null : fromAddress(kind, part);
  };
  return releaseRows(session.state, id("assignment"), id("student"));
}

export default function ReleasePage({ loaderData, params }: Route.ComponentProps) {
  const { seals, chosen, reader, students, timeZone, courseTitle } = loaderData;
  const [, setSearch] = useSearchParams();
  const [facets, setFacets] = useState<readonly Facet[]>(FACETS);
  const choose = (key: "assignment" | "student", id: string) => {
    setSearch(
      (before) => {
        before.set(key, inAddress(id));
        return before;
      },
      { replace: true, preventScrollReset: true },
    );
  };
  if (!chosen) {
    return (
      <main className="mx-auto w-full max-w-[1000px] px-[30px] pt-6">
        <h1 className="page-title">Release</h1>
        <p className="mt-6 text-soft">
          There is nothing to release yet. Begin with an assignment under{" "}
          <Link className="link" to={`/courses/${params.slot}/plan`}>
            Plan
          </Link>
          .
        </p>
      </main>
    );
  }
  return (
    <main className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_400px]">
      <title>Release · Upright Quill</title>
      <div className="px-6 pt-4 pb-12">
        <h1 className="page-title">Release</h1>
        <SealTable
          seals={seals}
          chosen={chosen.assignment.id}
          timeZone={timeZone}
          onChoose={(assignmentId, facet) => {
            setFacets(facet ? [facet] : FACETS);
            choose("assignment", assignmentId);
          }}
        />
        <ReleasePanel
          key={chosen.assignment.id}
          slot={params.slot}
          row={chosen}
          facets={facets}
          onFacets={setFacets}
          timeZone={timeZone}
        />
      </div>
      <aside aria-label="Student copy" className="border-s border-rule bg-table px-5 py-4">
        {reader && (
          <StudentCopyAside
            key={`${chosen.assignment.id}/${reader.id}`}
            title={chosen.assignment.name}
            courseTitle={courseTitle}
            reader={reader}
            facets={facets}
            students={students}
            windowTo={windowAddress(params.slot, reader.id)}
            onReader={(id) => {
              choose("student", id);
            }}
          />
        )}
      </aside>
    </main>
  );
}

interface AsideProps {
  readonly title: string;
  readonly courseTitle: string;
  readonly reader: NonNullable<Route.ComponentProps["loaderData"]["reader"]>;
  readonly facets: readonly Facet[];
  readonly students: Route.ComponentProps["loaderData"]["students"];
  readonly windowTo: string;
  readonly onReader: (id: string) => void;
}

/** What one student sees now, or would see once the chosen facets are released. */
function StudentCopyAside({ title, courseTitle, reader, facets, students, windowTo, onReader }: AsideProps) {
  const [after, setAfter] = useState(true);
  const pick = <F extends Facet>(facet: F) =>
    after && facets.includes(facet) ? reader.after[facet] : reader.now[facet];
  const tab = (on: boolean) => `border-b-2 ${on ? "border-ink font-semibold" : "border-transparent text-soft"}`;
  return (
    <>
      <div className="flex items-center gap-3 text-[13.5px]">
        <label className="min-w-0 text-soft">
          What{" "}
          <select
            aria-label="Whose copy"
            className="max-w-40 border-b border-rule bg-transparent font-semibold text-ink"
            value={reader.id}
            onChange={(event) => {
              onReader(event.target.value);
            }}
          >
            {students.map(({ id, name }) => (
              <option key={id} value={id} className="bg-sheet">
                {name}
              </option>
            ))}
          </select>
        </label>
        <button
          type="button"
          aria-pressed={!after}
          className={tab(!after)}
          onClick={() => {
            setAfter(false);
          }}
        >
          sees now
        </button>
        <button
          type="button"
          aria-pressed={after}
          className={tab(after)}
          onClick={() => {
            setAfter(true);
          }}
        >
          will see
        </button>
      </div>
      <div className="mt-3 min-h-[420px] border border-rule bg-sheet px-7 py-7">
        <Letter
          title={title}
          courseTitle={courseTitle}
          name={reader.name}
          score={pick("score")}
          rubric={pick("rubric")}
          comments={pick("comments")}
        />
      </div>
      <p className="mt-2 text-[13.5px]">
        <Link className="link" to={windowTo}>
          Open the student window
        </Link>
      </p>
    </>
  );
}
