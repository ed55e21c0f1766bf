import { useMemo } from "react";
import { live, useLive } from "../../../course/live";
import { openCourse } from "../../../course/open-course";
import { PlanPlaces } from "../../../ui/parts/plan-places";
import { useTroubleOf } from "../../../ui/hooks/use-command";
import { PageTitle } from "../../../ui/parts/page-title";
import { useChange } from "../../../course/use-change";
import { useNews } from "../../../course/use-news";
import { CopyPlan } from "./copy-plan";
import { Details } from "./details";
import { JoinedLate, LeftCourse } from "./come-and-gone";
import { Roster } from "./roster";
import { RosterEntry } from "./roster-entry";
import { setupRows } from "./rows";
import { Sections } from "./sections";
import { Terms } from "./terms";
import type { Route } from "./+types/page";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { repository, session } = await openCourse(context, params.slot);
  const others = (await repository.courses()).filter(({ slot }) => slot !== params.slot);
  return { others, shown: live(session, (state) => ({ state, now: session.now() })) };
}

export default function SetupPage({ loaderData, params }: Route.ComponentProps) {
  const { others } = loaderData;
  const { state, now } = useLive(loaderData.shown);
  const rows = useMemo(() => setupRows(state, now), [state, now]);
  const change = useChange();
  const send = useTroubleOf(change);
  const news = useNews();
  return (
    <main className="mx-auto w-full max-w-[1080px] px-[30px] pt-6 pb-16">
      <PageTitle about={rows.course.title}>Course and roster</PageTitle>
      <h1 className="page-title">Course and roster</h1>
      <PlanPlaces slot={params.slot} />
      <div className="mt-5 grid gap-x-12 gap-y-8 lg:grid-cols-[1fr_340px]">
        <div>
          <RosterEntry taken={rows.numbers} first={rows.students.length === 0} send={send} />
          {rows.newcomers && <JoinedLate newcomers={rows.newcomers} send={send} />}
          <Roster rows={rows} send={send} onGone={(command) => void change(command).then(news)} />
          {rows.left.length > 0 && <LeftCourse left={rows.left} slot={params.slot} send={send} />}
        </div>
        <div className="space-y-8">
          <Details course={rows.course} send={send} />
          <Sections sections={rows.sections} send={send} />
          <Terms terms={rows.terms} weights={rows.termWeights} timeZone={rows.course.timeZone} send={send} />
          {rows.blank && others.length > 0 && <CopyPlan others={others} />}
        </div>
      </div>
    </main>
  );
}
