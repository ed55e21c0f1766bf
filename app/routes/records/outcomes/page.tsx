import { Link, useSearchParams } from "react-router";
import { outcomeReports, outcomesCsv } from "#core/formats";
import { live, useLive } from "../../../course/live";
import { openCourse } from "../../../course/open-course";
import { inAddress } from "../../../ui/address";
import { saveAs } from "../../../ui/save-as";
import { OutcomeTable } from "./outcome-table";
import { LevelShares } from "./level-shares";
import type { Route } from "./+types/page";
import { Choice } from "../../../ui/fields/choice";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { session } = await openCourse(context, params.slot);
  return { shown: live(session, (state) => ({ state, reports: outcomeReports(state) })) };
}

export default function OutcomesPage({ loaderData, params }: Route.ComponentProps) {
  const { state, reports } = useLive(loaderData.shown);
  const [search, setSearch] = useSearchParams();
  const chosen = reports.find(({ id }) => inAddress(id) === search.get("outcome")) ?? reports[0];
  return (
    <main className="mx-auto w-full max-w-[1180px] px-[30px] pt-6 pb-16">
      <title>Outcomes · Upright Quill</title>
      <div className="flex flex-wrap items-baseline justify-between gap-4">
        <h1 className="page-title">Outcomes</h1>
        {chosen && (
          <button
            type="button"
            className="act act-quiet"
            onClick={() => {
              saveAs(new Blob([outcomesCsv(state)], { type: "text/csv;charset=utf-8" }), "outcomes.csv");
            }}
          >
            Save all outcomes as CSV
          </button>
        )}
      </div>
      <p className="mt-1 max-w-[70ch] text-[14px] text-soft">
        Judged in levels beside the score, on the desk and in the sweep. No outcome enters a score or a total.
      </p>
      {!chosen ? (
        <p className="mt-6 text-soft">
          No work judges outcomes yet. Make a rubric for outcomes under{" "}
          <Link className="link" to={`/courses/${params.slot}/plan/rubrics`}>
            Plan, rubrics
          </Link>
          , then choose it on the page of an assignment.
        </p>
      ) : (
        <>
          <label className="mt-4 flex items-center gap-2 text-[14px] text-soft">
            Outcome
            <Choice
              className="!w-auto"
              value={inAddress(chosen.id)}
              onChoose={(picked) => {
                setSearch({ outcome: picked }, { replace: true });
              }}
              options={reports.map(
                ({ id, name, from }) => [inAddress(id), from === name ? name : `${name} · ${from}`] as const,
              )}
            />
          </label>
          <LevelShares report={chosen} />
          <OutcomeTable key={chosen.id} slot={params.slot} state={state} report={chosen} />
        </>
      )}
    </main>
  );
}
