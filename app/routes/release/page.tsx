import { useMemo, useState } from "react";
import { Link, useNavigation } from "react-router";
import { lookedAt } from "../../course/looked-at";
import { live, useLive } from "../../course/live";
import { useStepped } from "../../ui/hooks/use-stepped";
import { openCourse } from "../../course/open-course";
import { readPlace, withScope, writeScope, type ReleasePlace } from "./place";
import { ReleaseLinks } from "./release-links";
import { ReleasePanel } from "./seals/release-panel";
import { releaseRows, type ReleaseRows } from "./rows";
import { TotalPanel } from "./seals/total-panel";
import type { Route } from "./+types/page";
import { Seals } from "./seals-of-course";
import { NothingToShow } from "./nothing-to-show";
import { Copy } from "./copy-of-student";
import { useAddress } from "./use-address";

export async function clientLoader({ request, params, context }: Route.ClientLoaderArgs) {
  const { session } = await openCourse(context, params.slot);
  const place = readPlace(new URL(request.url).searchParams);
  return { place, shown: live(session, () => lookedAt(session)) };
}

export default function ReleasePage({ loaderData, params }: Route.ComponentProps) {
  const { place } = loaderData;
  const { checked, asked } = useLive(loaderData.shown);
  const looked = useStepped(useMemo(() => () => releaseRows(checked.state, place, asked), [checked, place, asked]));
  if (!looked.value) return <NothingToShow>Looking at the whole class…</NothingToShow>;
  return (
    <ReleaseView
      slot={params.slot}
      place={place}
      rows={looked.value}
      isLooking={looked.isBehind}
      checked={checked}
      asked={asked}
    />
  );
}

interface ReleaseViewProps extends ReturnType<typeof lookedAt> {
  readonly slot: string;
  readonly place: ReleasePlace;
  readonly rows: ReleaseRows;
  /** The rows are of an earlier state or place. */
  readonly isLooking: boolean;
}

function ReleaseView({ slot, place, rows, isLooking, checked, asked }: ReleaseViewProps) {
  const [search, set] = useAddress();
  // What was ticked shows at once; what rests on it follows with the next look, and nothing is released in between.
  const [wish, setWish] = useState<{ readonly base: ReleasePlace; readonly place: ReleasePlace } | null>(null);
  const shown = wish?.base === place ? wish.place : place;
  const isBehind = useNavigation().state !== "idle" || shown !== place || isLooking;
  const names = new Map<string, string>(rows.students.map(({ id, name }) => [id, name]));
  const nameOf = (id: string) => names.get(id) ?? "";
  const { chosen, chosenTotal } = rows;
  const leaksTo = `/courses/${slot}/release/leaks?${search.toString()}`;
  if (!chosen) {
    return (
      <NothingToShow>
        There is nothing to release yet. Begin with an assignment under{" "}
        <Link className="link" to={`/courses/${slot}/plan`}>
          Plan
        </Link>
        .
      </NothingToShow>
    );
  }
  return (
    <main className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_400px]">
      <title>Release · Upright Quill</title>
      <div className="px-6 pt-4 pb-12">
        <div className="flex items-baseline justify-between gap-6">
          <h1 className="page-title">Release</h1>
          <ReleaseLinks slot={slot} />
        </div>
        <Seals {...{ rows, set }} chosen={chosenTotal?.id ?? chosen.assignment.id} />
        {chosenTotal ? (
          <TotalPanel
            key={chosenTotal.id}
            slot={slot}
            total={chosenTotal}
            rows={rows}
            checked={checked}
            context={asked}
            leaksTo={leaksTo}
            nameOf={nameOf}
          />
        ) : (
          <ReleasePanel
            key={chosen.assignment.id}
            slot={slot}
            row={chosen}
            rows={rows}
            place={place}
            shown={shown}
            isBehind={isBehind}
            checked={checked}
            context={asked}
            leaksTo={leaksTo}
            nameOf={nameOf}
            onPlace={(change) => {
              const next = withScope(shown, change);
              setWish({ base: place, place: next });
              set((address) => {
                writeScope(address, next);
              });
            }}
          />
        )}
      </div>
      <Copy {...{ slot, rows, set }} />
    </main>
  );
}
