import { useEffect, useMemo, useState } from "react";
import { judgedPapers, rubricEffects } from "#core/changes";
import { pointsText, sameValue } from "#core/kernel";
import { rosterName, type CourseState, type Rubric, rubricSchema, usesOfRubric } from "#core/model";
import { checkRubric } from "#core/scoring";
import { counted } from "#core/words";
import { live, useLive } from "../../../course/live";
import { openCourse, orMissing } from "../../../course/open-course";
import { fromAddress } from "../../../ui/address";
import { PlanPlaces } from "../../../ui/parts/plan-places";
import { troubleOf } from "../../../ui/hooks/use-command";
import { AsYouLeftIt } from "../../../ui/fields/as-you-left-it";
import { isShapedLike, useTyped } from "../../../ui/fields/drafts";
import { findingWords } from "../../../ui/words/words";
import { useChange } from "../../../course/use-change";
import { Criteria } from "./criteria";
import { RubricHead } from "./rubric-head";
import { SamplePaper } from "./sample-paper";
import type { Route } from "./+types/page";
import { inMark } from "../../../ui/words/figures";
import { PageTitle } from "../../../ui/parts/page-title";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { session } = await openCourse(context, params.slot);
  const rubricId = fromAddress("rubric", params.rubricId);
  return { shown: live(session, (state) => ({ state, rubric: orMissing(state.rubrics[rubricId], "rubric") })) };
}

const fresh = () => crypto.randomUUID();
/** Rest after an edit before a rubric that nobody is judged by keeps itself, in milliseconds. */
const REST = 400;
/** Papers named in the list of what changes. */
const SHOWN = 6;

export default function RubricPage({ loaderData, params }: Route.ComponentProps) {
  const { state, rubric: stored } = useLive(loaderData.shown);
  const change = useChange();
  const typed = useTyped<Rubric | null>(
    `rubric/${stored.id}`,
    null,
    (found) => (isShapedLike(found, stored) ? (found as Rubric) : null),
    stored,
  );
  const { value: draft, set: setDraft } = typed;
  const [trouble, setTrouble] = useState<string | null>(null);
  const rubric = draft ?? stored;
  const uses = usesOfRubric(state, stored.id);
  const judged = uses.reduce((sum, { id }) => sum + judgedPapers(state, id, rubric.id), 0);
  const findings = useMemo(() => checkRubric(rubric), [rubric]);
  const valid = findings.every(({ kind }) => kind === "hint") && rubricSchema.safeParse(rubric).success;
  const changed = draft !== null && !sameValue(draft, stored);
  const touches = judged > 0 && changed && valid;
  const effects = useMemo(() => (touches ? rubricEffects(state, rubric) : []), [touches, state, rubric]);

  useEffect(() => {
    if (!changed || !valid || judged > 0) return;
    const timer = setTimeout(() => {
      void change({ type: "saveRubric", rubric }).then((outcome) => {
        setTrouble(troubleOf(outcome));
        if (outcome.ok) setDraft((now) => (now === rubric ? null : now));
      });
    }, REST);
    return () => {
      clearTimeout(timer);
    };
  }, [changed, valid, judged, rubric, change, setDraft]);

  const edit = (fields: Partial<Rubric>) => {
    setTrouble(null);
    setDraft({ ...rubric, ...fields });
  };
  const apply = async () => {
    const words = troubleOf(await change({ type: "saveRubric", rubric, confirmed: true }));
    setTrouble(words);
    if (words === null) setDraft(null);
  };

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

/** What a changed rubric would do to the papers judged by it, before it is applied. */
function WhatWouldChange({
  state,
  judged,
  effects,
  valid,
  onBack,
  onApply,
}: {
  readonly state: CourseState;
  /** Papers that are judged by it. */
  readonly judged: number;
  readonly effects: ReturnType<typeof rubricEffects>;
  readonly valid: boolean;
  readonly onBack: () => void;
  readonly onApply: () => void;
}) {
  return (
    <section
      aria-label="What would change"
      className="fixed inset-x-0 bottom-0 z-20 border-t-2 border-ink bg-sheet px-[30px] py-3 print:hidden"
    >
      <div className="mx-auto flex max-w-[1180px] items-center gap-6">
        <div className="min-w-0 flex-1 text-[14.5px]" aria-live="polite">
          <strong>
            {counted(judged, "paper is", "papers are")} judged by it.{" "}
            {effects.length === 0 ? "No score would change." : `${counted(effects.length, "score")} would change.`}
          </strong>
          <p className="figures truncate text-[13.5px] text-soft">
            {effects
              .slice(0, SHOWN)
              .map(({ studentId, before, after }) => {
                const student = state.students[studentId];
                const text = (value: typeof before) => (value ? inMark(pointsText(value)) : "open");
                return `${student ? rosterName(state, student) : ""} ${text(before)} → ${text(after)}`;
              })
              .join(" · ")}
          </p>
        </div>
        <button type="button" className="act act-quiet" onClick={onBack}>
          Put it back
        </button>
        <button type="button" className="act act-first" disabled={!valid} onClick={onApply}>
          Change the rubric
        </button>
      </div>
    </section>
  );
}
