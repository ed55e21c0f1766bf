import { judgedPapers } from "#core/changes";
import { sameValue } from "#core/kernel";
import { type Rubric, usesOfRubric } from "#core/model";
import type { checkRubric } from "#core/scoring";
import { live, useLive } from "../../../course/live";
import { openCourse, orMissing } from "../../../course/open-course";
import { fromAddress } from "../../../ui/address";
import { PlanPlaces } from "../../../ui/parts/plan-places";
import { AsYouLeftIt } from "../../../ui/fields/as-you-left-it";
import { findingWords } from "../../../ui/words/words";
import { Criteria } from "./criteria";
import { RubricHead } from "./rubric-head";
import { SamplePaper } from "./sample-paper";
import type { Route } from "./+types/page";
import { PageTitle } from "../../../ui/parts/page-title";
import { useRubricDraft } from "./use-rubric-draft";
import { WhatWouldChange } from "./what-would-change";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { session } = await openCourse(context, params.slot);
  const rubricId = fromAddress("rubric", params.rubricId);
  return { shown: live(session, (state) => ({ state, rubric: orMissing(state.rubrics[rubricId], "rubric") })) };
}

const fresh = () => crypto.randomUUID();

export default function RubricPage({ loaderData, params }: Route.ComponentProps) {
  const { state, rubric: stored } = useLive(loaderData.shown);
  const uses = usesOfRubric(state, stored.id);
  const judged = uses.reduce((sum, { id }) => sum + judgedPapers(state, id, stored.id), 0);
  const { typed, rubric, findings, valid, changed, effects, trouble, setDraft, edit, apply } = useRubricDraft(
    state,
    stored,
    judged,
  );
  return (
    <main className="mx-auto w-full max-w-[1240px] px-[30px] pt-6 pb-24 print:max-w-none">
      <PageTitle about={rubric.name}>Rubric</PageTitle>
      <h1 className="page-title">{stored.name}</h1>
      <PlanPlaces slot={params.slot} />
      <RubricHead rubric={rubric} uses={uses.map(({ name }) => name)} judged={judged} edit={edit} />
      <Findings rubric={rubric} findings={findings} />
      {typed.isLeft && (
        <AsYouLeftIt
          {...(sameValue(typed.leftFrom, stored) ? {} : { more: "the rubric was changed meanwhile" })}
          onClear={typed.clear}
        />
      )}
      {trouble && (
        <p role="alert" className="mt-3 text-[14px] text-wax">
          {trouble}
        </p>
      )}
      <div className="mt-5 grid gap-10 lg:grid-cols-[minmax(0,1fr)_330px] print:block">
        <Criteria
          rubric={rubric}
          fresh={fresh}
          onCriteria={(criteria) => {
            edit({ criteria });
          }}
        />
        <SamplePaper rubric={rubric} points={uses[0]?.points ?? null} />
      </div>
      {changed && judged > 0 && (
        <WhatWouldChange
          state={state}
          judged={judged}
          effects={effects}
          valid={valid}
          onBack={() => {
            setDraft(null);
          }}
          onApply={() => void apply()}
        />
      )}
    </main>
  );
}

/** What is to be mended or thought about in the rubric. */
function Findings({
  rubric,
  findings,
}: {
  readonly rubric: Rubric;
  readonly findings: ReturnType<typeof checkRubric>;
}) {
  if (findings.length === 0) return null;
  return (
    <ul aria-live="polite" className="mt-3 space-y-0.5 text-[14px] print:hidden">
      {findings.map((finding, index) => (
        <li key={index} className={finding.kind === "fault" ? "text-wax" : "text-ochre"}>
          {"criterionId" in finding && `${rubric.criteria.find(({ id }) => id === finding.criterionId)?.name ?? ""}: `}
          {findingWords(finding)}
          {finding.kind === "fault" && " Not kept until it is mended."}
        </li>
      ))}
    </ul>
  );
}
