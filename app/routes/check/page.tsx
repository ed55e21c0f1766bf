import { useMemo } from "react";
import { Link } from "react-router";
import type { FileId } from "#core/kernel";
import { progressOf } from "#core/totals";
import { counted } from "#core/words";
import { live, useLive } from "../../course/live";
import { openCourse } from "../../course/open-course";
import { sharedTextOf } from "../../exports/shared-text";
import { inAddress } from "../../ui/address";
import { Choice } from "../../ui/fields/choice";
import { useIsChoosing, useSearchChoice } from "../../ui/ways/use-search-choice";
import { PageTitle } from "../../ui/parts/page-title";
import { CheckTabs } from "./check-tabs";
import { CriteriaTable } from "./criteria/criteria-table";
import { QuestionsTable } from "./criteria/questions-table";
import { OddList } from "./odd/odd-list";
import { useOdd } from "./odd/use-odd";
import { PacketsView } from "./packets/packets-view";
import { checkRows } from "./rows";
import { ScalingView } from "./scaling/scaling-view";
import { SecondView } from "./second/second-view";
import { SharedView } from "./shared/shared-view";
import { SharedLines } from "./shared/shared-lines";
import { SpreadView } from "./spread/spread-view";
import type { Route } from "./+types/page";

export async function clientLoader({ request, params, context }: Route.ClientLoaderArgs) {
  const { repository, session } = await openCourse(context, params.slot);
  const search = new URL(request.url).searchParams;
  const place = { assignment: search.get("assignment"), view: search.get("view") };
  return {
    shown: live(session, (state) => checkRows(state, session, place)),
    looks: sharedTextOf(repository, session),
    repository,
    session,
    read: (id: FileId) => repository.readFile(params.slot, id),
  };
}

export default function CheckPage({ loaderData, params }: Route.ComponentProps) {
  const rows = useLive(loaderData.shown);
  const found = useOdd(rows?.looked ?? null);
  const [text, set] = useSearchChoice();
  const isChoosing = useIsChoosing();
  const choices = useMemo(() => (rows?.work ?? []).map(({ id, name }) => [inAddress(id), name] as const), [rows?.work]);
  if (!rows) return <NothingToCheck slot={params.slot} />;
  const { looked, view, views } = rows;
  const { state, assignment } = looked;
  const { scored } = progressOf(state, assignment);
  return (
    <div className="grid min-h-[calc(100vh-46px)] grid-cols-[minmax(0,1fr)_330px] max-[1120px]:grid-cols-[minmax(0,1fr)_280px]">
      <main className="px-10 pt-5 pb-12 max-[1120px]:px-5">
        <PageTitle about={assignment.name}>Check</PageTitle>
        <div className="flex flex-wrap items-baseline gap-x-3">
          <h1 className="page-title">{assignment.name}</h1>
          <span className="figures text-soft">{counted(scored, "paper")} scored</span>
          <span className="ms-auto">
            <Choice
              quiet
              label="Assignment that is checked"
              value={
                choices.some(([part]) => part === text("assignment")) ? text("assignment") : inAddress(assignment.id)
              }
              options={choices}
              onChoose={(part) => {
                set("assignment", part);
              }}
            />
          </span>
        </div>
        <CheckTabs slot={params.slot} assignmentId={assignment.id} views={views} view={view} />
        <fieldset className="mt-3 min-w-0" key={assignment.id} disabled={isChoosing}>
          {view === "spread" && (
            <>
              <SpreadView slot={params.slot} looked={looked} />
              {views.includes("criteria") && <CriteriaTable slot={params.slot} looked={looked} whole={false} />}
            </>
          )}
          {view === "criteria" && <CriteriaTable slot={params.slot} looked={looked} whole />}
          {view === "questions" && <QuestionsTable slot={params.slot} looked={looked} />}
          {view === "second" && <SecondView slot={params.slot} looked={looked} read={loaderData.read} />}
          {view === "packets" && (
            <PacketsView looked={looked} repository={loaderData.repository} session={loaderData.session} />
          )}
          {view === "shared" && <SharedView looked={looked} looks={loaderData.looks} />}
          {view === "scaling" && <ScalingView looked={looked} />}
        </fieldset>
      </main>
      <aside aria-label="Worth a second look" className="border-s border-rule bg-table px-5 py-5">
        <OddList slot={params.slot} state={state} assignment={assignment} found={found} />
        <SharedLines slot={params.slot} state={state} assignment={assignment} looks={loaderData.looks} />
      </aside>
    </div>
  );
}

function NothingToCheck({ slot }: { readonly slot: string }) {
  return (
    <main className="mx-auto w-full max-w-[1000px] px-[30px] pt-6">
      <title>Check · Upright Quill</title>
      <h1 className="page-title">Check</h1>
      <p className="mt-6 text-soft">
        There is nothing to look at yet. Begin with an assignment under{" "}
        <Link className="link" to={`/courses/${slot}/plan`}>
          Plan
        </Link>
        .
      </p>
    </main>
  );
}
