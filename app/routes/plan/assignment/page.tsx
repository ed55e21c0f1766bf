import { useMemo, useState } from "react";
import { Link, useNavigate } from "react-router";
import { live, useLive } from "../../../course/live";
import { openCourse, orMissing } from "../../../course/open-course";
import { Ask } from "../../../ui/dialogs/ask";
import { fromAddress, inAddress } from "../../../ui/address";
import { PlanPlaces } from "../../../ui/parts/plan-places";
import { useTotalsAsk } from "../../../ui/dialogs/totals-ask";
import { troubleOf } from "../../../ui/hooks/use-command";
import { PageTitle } from "../../../ui/parts/page-title";
import { useChange } from "../../../course/use-change";
import { CopyElsewhere } from "./copy-elsewhere";
import { Groups } from "./groups";
import { HandedIn, HowItCounts, Judged, WhatItIs, WhatStudentsRead, When, type EditAssignment } from "./parts";
import { assignmentRows, lossWords } from "./rows";
import type { Route } from "./+types/page";

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
  const [rubricAsk, setRubricAsk] = useState<{ words: string; again: () => Promise<unknown> } | null>(null);
  const edit: EditAssignment = async (fields) => {
    const command = { type: "editAssignment", assignmentId: assignment.id, fields } as const;
    const outcome = await change(command);
    if (!outcome.ok && outcome.issue.code === "rubric_in_use") {
      const papers = String(outcome.issue.papers);
      setRubricAsk({
        words: `${papers} papers are judged by the present rubric. Their judgements are kept, but count only where the other rubric has the same criteria.`,
        again: () => change({ ...command, confirmed: true }),
      });
      return null;
    }
    return troubleOf(outcome);
  };
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
        <section aria-label="What else" className="space-y-3">
          <h2 className="border-t-2 border-ink pt-2 font-semibold">What else</h2>
          <div className="flex flex-wrap gap-3">
            {(assignment.channel === "answers" || assignment.channel === "discussion") && (
              <Link
                className="act"
                to={`/courses/${params.slot}/plan/assignments/${inAddress(assignment.id)}/${assignment.channel === "answers" ? "questions" : "posts"}`}
              >
                {assignment.channel === "answers" ? "Questions and their keys" : "Read in posts"}
              </Link>
            )}
            <Link className="act act-quiet" to={`/courses/${params.slot}/pile/${inAddress(assignment.id)}`}>
              Enter scores from the pile
            </Link>
            <button
              type="button"
              className="act act-quiet"
              onClick={() => void change({ type: "duplicateAssignment", assignmentId: assignment.id })}
            >
              Duplicate
            </button>
            <button
              type="button"
              className="act act-quiet"
              onClick={() => {
                setRemoving(true);
              }}
            >
              Remove
            </button>
          </div>
          {others.length > 0 && <CopyElsewhere slot={params.slot} assignmentId={assignment.id} others={others} />}
        </section>
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
        open={rubricAsk !== null}
        title="Change the rubric?"
        action="Change the rubric"
        onClose={() => {
          setRubricAsk(null);
        }}
        onAct={() => void rubricAsk?.again()}
      >
        {rubricAsk?.words}
      </Ask>
    </main>
  );
}
