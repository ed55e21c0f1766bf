import { useMemo } from "react";
import { Link } from "react-router";
import { courseOf } from "#core/model";
import { lookedAt } from "../../course/looked-at";
import { live, useLive } from "../../course/live";
import { openCourse } from "../../course/open-course";
import { knownIn } from "../../course/choices";
import { unsavedOf } from "../../course/saved-outside";
import { LaneStrip } from "../../ui/parts/lane-strip";
import { useLeakCheck } from "../../ui/hooks/use-leak-check";
import { useStepped } from "../../ui/hooks/use-stepped";
import { PageTitle } from "../../ui/parts/page-title";
import { LeakRemark } from "./leak-remark";
import { NextAction } from "./next-action";
import type { Route } from "./+types/page";
import { boardRows, workedOut } from "./rows";
import { Attention } from "./attention";
import { Legend } from "./legend";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { repository, session } = await openCourse(context, params.slot);
  const unsaved = await unsavedOf(repository, session);
  const folderTrouble = (await knownIn(repository, params.slot, "folder-trouble")) ?? "";
  const shown = live(session, (state) => ({
    checked: lookedAt(session).checked,
    now: session.now(),
    timeZone: courseOf(state).timeZone,
    title: courseOf(state).title,
    broken: session.broken,
    empty: Object.keys(state.assignments).length === 0,
  }));
  return { shown, unsaved, folderTrouble };
}

const MAIN = "mx-auto w-full max-w-[1260px] px-[30px] pt-6 pb-16";

export default function BoardPage({ loaderData, params }: Route.ComponentProps) {
  const { checked, now, timeZone, title, empty, broken } = useLive(loaderData.shown);
  const { value: rows } = useStepped(useMemo(() => () => boardRows(checked.state, now), [checked, now]));
  const { found } = useLeakCheck(checked);
  const leaking = useMemo(() => workedOut(found), [found]);
  const home = `/courses/${params.slot}`;
  const heading = (
    <>
      <PageTitle about={title}>Board</PageTitle>
      <h1 className="font-serif text-[28px] leading-tight font-semibold">{title}</h1>
    </>
  );
  if (!rows) {
    return (
      <main className={MAIN}>
        {heading}
        <p role="status" className="mt-1 text-sm text-soft">
          Looking at the whole class…
        </p>
      </main>
    );
  }
  return (
    <main className={MAIN}>
      {heading}
      <p className="mt-1 text-sm text-soft">{rows.subtitle}</p>
      <Attention
        {...rows}
        broken={broken}
        home={home}
        unsaved={loaderData.unsaved}
        folderTrouble={loaderData.folderTrouble}
      />
      {empty && (
        <p className="mt-10 max-w-prose text-soft">
          Nothing is planned yet. Begin with the students and the first assignment under{" "}
          <Link className="link" to={`${home}/plan`}>
            Plan
          </Link>
          .
        </p>
      )}
      {rows.groups.map((group) => (
        <section key={group.id} className="mt-7">
          <h2 className="figures text-[13px] font-semibold text-soft">{group.title}</h2>
          <ul>
            {group.lanes.map((lane) => (
              <li
                key={lane.assignment.id}
                className="grid grid-cols-[minmax(180px,290px)_1fr_190px] items-center gap-6 border-b border-rule py-[11px]"
              >
                <div>
                  <h3 className="font-serif text-[17px] leading-snug font-semibold">{lane.assignment.name}</h3>
                  <p className="figures text-[13px] text-soft">{lane.detail}</p>
                  {lane.remarks.length > 0 && (
                    <p className="figures text-[13px] text-ochre">{lane.remarks.join(" · ")}</p>
                  )}
                  <LeakRemark home={home} students={leaking.get(lane.assignment.id) ?? 0} />
                </div>
                <LaneStrip {...lane} label={lane.assignment.name} />
                <NextAction slot={params.slot} lane={lane} timeZone={timeZone} />
              </li>
            ))}
          </ul>
        </section>
      ))}
      {rows.groups.length > 0 && <Legend />}
    </main>
  );
}
