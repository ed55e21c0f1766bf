import { useMemo, useState } from "react";
import type { Command } from "#core/changes";
import { sameValue } from "#core/kernel";
import { courseOf, type Course } from "#core/model";
import { live, useLive } from "../../../course/live";
import { openCourse } from "../../../course/open-course";
import { PlanPlaces } from "../../../ui/parts/plan-places";
import { useTotalsAsk } from "../../../ui/dialogs/totals-ask";
import { useChangedTotals } from "../../../ui/hooks/use-changed-totals";
import { isShapedLike, useTyped } from "../../../ui/fields/drafts";
import { troubleOf } from "../../../ui/hooks/use-command";
import { PageTitle } from "../../../ui/parts/page-title";
import { useChange } from "../../../course/use-change";
import { LateRuleFields } from "./late-rule-fields";
import { Letters } from "./letters";
import { Scales } from "./scales";
import type { Rules } from "./rules";
import { TotalsRules } from "./totals-rules";
import type { Route } from "./+types/page";
import { WhatWouldChange } from "./what-would-change";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { session } = await openCourse(context, params.slot);
  return { shown: live(session, (state) => ({ state })) };
}

const NO_EDITS: Partial<Rules> = {};

const readEdits =
  (course: Course) =>
  (stored: unknown): Partial<Rules> | null =>
    isEdits(stored, course) ? stored : null;

const isEdits = (stored: unknown, course: Course): stored is Partial<Rules> =>
  typeof stored === "object" &&
  stored !== null &&
  Object.entries(stored).every(([key, value]) => key in course && isShapedLike(value, course[key as keyof Course]));

export default function RulesPage({ loaderData, params }: Route.ComponentProps) {
  const { state } = useLive(loaderData.shown);
  const course = courseOf(state);
  const typed = useTyped<Partial<Rules>>("rules", NO_EDITS, readEdits(course));
  const { value: edits, set: setEdits } = typed;
  const [trouble, setTrouble] = useState<string | null>(null);
  const change = useChange();
  const draft: Course = useMemo(() => ({ ...course, ...edits }), [course, edits]);
  const changed = !sameValue(draft, course);
  const edit = (fields: Partial<Rules>) => {
    setEdits((before) => ({ ...before, ...fields }));
    setTrouble(null);
  };
  const scaleAsk = useTotalsAsk(state, change);
  const tried = useMemo(() => (changed ? { ...state, courses: { [draft.id]: draft } } : null), [changed, state, draft]);
  const { found, done, of } = useChangedTotals(state, tried);
  const apply = async () => {
    const command: Command = { type: "editCourse", fields: edits };
    const words = troubleOf(await change(command));
    setTrouble(words);
    if (words === null) typed.clear();
  };

  return (
    <main className="mx-auto w-full max-w-[1080px] px-[30px] pt-6 pb-24">
      <PageTitle about={course.title}>Rules</PageTitle>
      <h1 className="page-title">Rules</h1>
      <PlanPlaces slot={params.slot} />
      <div className="mt-5 space-y-8">
        <LateRuleFields draft={draft} edit={edit} />
        <TotalsRules draft={draft} edit={edit} />
        <Letters draft={draft} edit={edit} />
        <Scales scales={Object.values(state.scales)} send={scaleAsk.send} />
      </div>
      {scaleAsk.dialog}
      {changed && (
        <WhatWouldChange
          {...{ state, found, done, of, trouble }}
          isLeft={typed.isLeft}
          onBack={() => {
            typed.clear();
            setTrouble(null);
          }}
          onApply={() => void apply()}
        />
      )}
    </main>
  );
}
