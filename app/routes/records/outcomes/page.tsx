import { Link, useSearchParams } from "react-router";
import { outcomeReports, outcomesCsv, type OutcomeReport } from "#core/formats";
import { rosterName, type CourseState } from "#core/model";
import { openCourse } from "../../../course/open-course";
import { deskAddress, inAddress, studentAddress } from "../../../ui/address";
import { saveAs } from "../../../ui/save-as";
import { LevelShares } from "./level-shares";
import type { Route } from "./+types/page";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { session } = await openCourse(context, params.slot);
  return { state: session.state, reports: outcomeReports(session.state) };
}

export default function OutcomesPage({ loaderData, params }: Route.ComponentProps) {
  const { state, reports } = loaderData;
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
            <select
              className="field !w-auto text-ink"
              value={inAddress(chosen.id)}
              onChange={(event) => {
                setSearch({ outcome: event.target.value }, { replace: true });
              }}
            >
              {reports.map(({ id, name, from }) => (
                <option key={id} value={inAddress(id)}>
                  {from === name ? name : `${name} · ${from}`}
                </option>
              ))}
            </select>
          </label>
          <LevelShares report={chosen} />
          <OutcomeTable slot={params.slot} state={state} report={chosen} />
        </>
      )}
    </main>
  );
}

/** Students by the work that judges the outcome, with the newest and the highest level of each. */
function OutcomeTable({
  slot,
  state,
  report,
}: {
  readonly slot: string;
  readonly state: CourseState;
  readonly report: OutcomeReport;
}) {
  return (
    <div className="mt-6 overflow-x-auto">
      <table className="w-full text-[14px]">
        <caption className="sr-only">{report.name}, student by student</caption>
        <thead>
          <tr className="border-b border-rule text-left text-[13.5px] text-soft">
            <th className="py-1 font-normal">Student</th>
            <th className="font-normal">Newest</th>
            <th className="font-normal">Highest</th>
            {report.work.map(({ id, name, shortName }) => (
              <th key={id} className="font-normal" title={name}>
                {shortName}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {report.students.map(({ studentId, given, latest, highest }) => {
            const student = state.students[studentId];
            return (
              student && (
                <tr key={studentId} className="border-b border-rule">
                  <td className="py-1">
                    <Link className="hover:underline" to={studentAddress(slot, studentId)}>
                      {rosterName(state, student)}
                    </Link>
                  </td>
                  <td className="font-semibold">{latest?.name ?? "–"}</td>
                  <td>{highest?.name ?? "–"}</td>
                  {report.work.map(({ id, name }, place) => (
                    <td key={id}>
                      <Link
                        className={given[place] ? "hover:underline" : "text-soft hover:underline"}
                        aria-label={`${name}: ${given[place]?.name ?? "open"}`}
                        to={deskAddress(slot, id, studentId)}
                      >
                        {given[place]?.name ?? "·"}
                      </Link>
                    </td>
                  ))}
                </tr>
              )
            );
          })}
        </tbody>
      </table>
    </div>
  );
}
