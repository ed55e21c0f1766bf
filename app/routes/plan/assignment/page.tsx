import { useMemo, useState } from "react";
import { useNavigate } from "react-router";
import { live, useLive } from "../../../course/live";
import { openCourse, orMissing } from "../../../course/open-course";
import { Ask } from "../../../ui/dialogs/ask";
import { fromAddress } from "../../../ui/address";
import { PlanPlaces } from "../../../ui/parts/plan-places";
import { useTotalsAsk } from "../../../ui/dialogs/totals-ask";
import { troubleOf } from "../../../ui/hooks/use-command";
import { PageTitle } from "../../../ui/parts/page-title";
import { useChange, type SendChange } from "../../../course/use-change";
import { Groups } from "./groups";
import { HandedIn, HowItCounts, Judged, WhatItIs, WhatStudentsRead, When, type EditAssignment } from "./parts";
import { assignmentRows, lossWords } from "./rows";
import type { Route } from "./+types/page";
import { WhatElse } from "./what-else";
import type { Assignment } from "#core/model";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { repository, session } = await openCourse(context, params.slot);
  const assignmentId = fromAddress("assignment", params.assignmentId);
  const others = (await repository.courses()).filter(({ slot }) => slot !== params.slot);
  const shown = live(session, (state) => ({
    state,
    assignment: orMissing(state.assignments[assignmentId], "assignment"),
  }));
  return { shown, others };
}

export default function AssignmentPage({ loaderData, params }: Route.ComponentProps) {
  const { others } = loaderData;
  const { state, assignment } = useLive(loaderData.shown);
  const rows = useMemo(() => assignmentRows(state, assignment), [state, assignment]);
  const change = useChange();
  const navigate = useNavigate();
  const [removing, setRemoving] = useState(false);
  const { edit, asking, letGo } = useRubricAsk(assignment, change);
  const { send: editAsked, dialog } = useTotalsAsk(state, change);
  /** What decides figures is looked at first; the rubric has its own question. */
  const editFields: EditAssignment = (fields) =>
    "rubricId" in fields ? edit(fields) : editAsked({ type: "editAssignment", assignmentId: assignment.id, fields });
  const parts = { assignment, rows, edit: editFields, send: change };
  return (
    <main className="mx-auto w-full max-w-[1080px] px-[30px] pt-6 pb-16">
      <PageTitle about={assignment.name}>Plan</PageTitle>
      <h1 className="page-title">{assignment.name}</h1>
      <PlanPlaces slot={params.slot} />
      <div className="mt-5 grid gap-x-12 gap-y-8 lg:grid-cols-2">
        <WhatItIs {...parts} />
        <When {...parts} />
        <HandedIn {...parts} />
        <HowItCounts {...parts} />
        <WhatStudentsRead {...parts} slot={params.slot} />
        <Judged {...parts} slot={params.slot} />
        {assignment.grouping === "groups" && <Groups rows={rows} assignment={assignment} send={change} />}
        <WhatElse
          slot={params.slot}
          {...{ assignment, others }}
          send={change}
          onRemove={() => {
            setRemoving(true);
          }}
        />
      </div>
      <Ask
        open={removing}
        title={`Remove ${assignment.name}?`}
        action="Remove"
        onClose={() => {
          setRemoving(false);
        }}
        onAct={() => {
          void change({ type: "removeAssignments", assignmentIds: [assignment.id] }).then(() =>
            navigate(`/courses/${params.slot}/plan`),
          );
        }}
      >
        {lossWords(state, assignment.id)}
      </Ask>
      {dialog}
      <Ask
        open={asking !== null}
        title="Change the rubric?"
        action="Change the rubric"
        onClose={letGo}
        onAct={() => void asking?.again()}
      >
        {asking?.words}
      </Ask>
    </main>
  );
}

/** Edits of an assignment; another rubric under judged papers is asked about first. */
function useRubricAsk(assignment: Assignment, change: SendChange) {
  const [asking, setAsking] = useState<{ words: string; again: () => Promise<unknown> } | null>(null);
  const edit: EditAssignment = async (fields) => {
    const command = { type: "editAssignment", assignmentId: assignment.id, fields } as const;
    const outcome = await change(command);
    if (!outcome.ok && outcome.issue.code === "rubric_in_use") {
      const papers = String(outcome.issue.papers);
      setAsking({
        words: `${papers} papers are judged by the present rubric. Their judgements are kept, but count only where the other rubric has the same criteria.`,
        again: () => change({ ...command, confirmed: true }),
      });
      return null;
    }
    return troubleOf(outcome);
  };
  return {
    edit,
    asking,
    letGo: () => {
      setAsking(null);
    },
  };
}
