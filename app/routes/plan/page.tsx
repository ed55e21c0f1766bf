import { useMemo, useState } from "react";
import { Link } from "react-router";
import { localToday } from "#core/kernel";
import { live, useLive } from "../../course/live";
import { openCourse } from "../../course/open-course";
import { PlanPlaces } from "../../ui/parts/plan-places";
import { useTotalsAsk } from "../../ui/dialogs/totals-ask";
import { PageTitle } from "../../ui/parts/page-title";
import { useChange } from "../../course/use-change";
import { AddCategory } from "./add-category";
import { ShorthandBox } from "./shorthand-box";
import { planRows } from "./rows";
import { WeightsRuler } from "./weights-ruler";
import type { Route } from "./+types/page";
import { RemovalAsk, useRemovals } from "./removals";
import { Categories } from "./categories";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { session } = await openCourse(context, params.slot);
  return { shown: live(session, (state) => ({ state, now: session.now() })) };
}

export default function PlanPage({ loaderData, params }: Route.ComponentProps) {
  const { state, now } = useLive(loaderData.shown);
  const rows = useMemo(() => planRows(state), [state]);
  const scales = useMemo(() => Object.values(state.scales), [state.scales]);
  const categories = rows.blocks.map(({ id, name }) => ({ id, name }));
  const change = useChange();
  const { send, dialog } = useTotalsAsk(state, change);
  const [trouble, setTrouble] = useState<string | null>(null);
  const { removal, setRemoval, removeLine, removeBlock } = useRemovals(state);
  const tell = (sending: Promise<string | null>) => void sending.then(setTrouble);

  return (
    <main className="mx-auto w-full max-w-[1080px] px-[30px] pt-6 pb-16">
      <PageTitle about={rows.title}>Plan</PageTitle>
      <h1 className="page-title">Plan</h1>
      <PlanPlaces slot={params.slot} />
      <ShorthandBox
        key={params.slot}
        timeZone={rows.timeZone}
        today={localToday(now, rows.timeZone)}
        categories={categories}
        scales={scales}
        first={rows.blocks.length === 0}
        onAdd={send}
      />
      {rows.faults.map((fault) => (
        <p key={fault} className="mt-3 text-[14px] text-ochre">
          {fault}
        </p>
      ))}
      {trouble && (
        <p role="alert" className="mt-3 text-[14px] text-wax">
          {trouble}
        </p>
      )}
      {rows.straight ? (
        <p className="figures mt-4 text-[13.5px] text-soft">Straight points: {rows.points} in all.</p>
      ) : (
        <WeightsRuler rows={rows} />
      )}
      <Categories {...{ state, rows, categories, send, tell, removeLine, removeBlock }} slot={params.slot} />
      <AddCategory first={rows.blocks.length === 0} straight={rows.straight} send={send} />
      {rows.blocks.length > 0 && rows.students === 0 && (
        <p className="mt-8 text-soft">
          Next: the students, under{" "}
          <Link className="link" to={`/courses/${params.slot}/plan/course`}>
            Course and roster
          </Link>
          .
        </p>
      )}
      {dialog}
      <RemovalAsk
        removal={removal}
        tell={tell}
        onClose={() => {
          setRemoval(null);
        }}
      />
    </main>
  );
}
