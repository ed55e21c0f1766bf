import { useDeferredValue, useMemo, useState } from "react";
import { Link } from "react-router";
import { keyEffects, type Command } from "#core/changes";
import { compare, fromDecimal, pointsText, sameValue, type Instant } from "#core/kernel";
import { courseOf, questionsOf, rosterName, studentsOf, type Assignment, type CourseState } from "#core/model";
import { questionPoints } from "#core/scoring";
import { counted } from "#core/words";
import { live, useLive } from "../../../course/live";
import { openCourse, orMissing } from "../../../course/open-course";
import { fromAddress, inAddress } from "../../../ui/address";
import { PlanPlaces } from "../../../ui/parts/plan-places";
import { AsYouLeftIt } from "../../../ui/fields/as-you-left-it";
import { useTyped } from "../../../ui/fields/drafts";
import { issueWords } from "../../../ui/words/words";
import { useChange } from "../../../course/use-change";
import { QuestionFields } from "./question-fields";
import { AnswerEntry } from "./answer-entry";
import { draftOf, freshQuestion, keptQuestion, lackOf, type QuestionDraft, readQuestions } from "./rows";
import type { Route } from "./+types/page";
import { inMark } from "../../../ui/words/figures";
import { PageTitle } from "../../../ui/parts/page-title";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { repository, session } = await openCourse(context, params.slot);
  const assignmentId = fromAddress("assignment", params.assignmentId);
  const shown = live(session, (state) => ({
    state,
    assignment: orMissing(state.assignments[assignmentId], "assignment"),
    questions: questionsOf(state, assignmentId),
    students: studentsOf(state),
    by: courseOf(state).markerId,
  }));
  return { repository, shown };
}

/** The questions of an assignment with their keys; what a change does to figures is shown before it is applied. */
export default function QuestionsPage({ loaderData, params }: Route.ComponentProps) {
  const { repository } = loaderData;
  const { state, assignment, questions, students, by } = useLive(loaderData.shown);
  const change = useChange();
  const stored = useMemo(() => questions.map(draftOf), [questions]);
  const typed = useTyped<readonly QuestionDraft[] | null>(`questions/${assignment.id}`, null, readQuestions, stored);
  const { value: drafts, set: setDrafts } = typed;
  const [trouble, setTrouble] = useState<string | null>(null);
  const shown = drafts ?? stored;
  const dirty = drafts !== null && !sameValue(drafts, stored);
  const lack = shown.map((draft, index) => lackOf(draft, index + 1)).find((words) => words !== null) ?? null;
  const command = commandOf(assignment.id, shown);
  // What a key does to a large class may take longer than a key press: the fields go first.
  const settled = useDeferredValue(drafts);
  const effects = useMemo(() => {
    const sound = settled?.every((draft, index) => lackOf(draft, index + 1) === null);
    if (!settled || !sound || sameValue(settled, stored)) return null;
    return keyEffects(state, commandOf(assignment.id, settled), { at: PREVIEWED_AT, by, fresh: fixed, journal: [] });
  }, [settled, stored, state, assignment.id, by]);
  const total = questionPoints(shown);
  const edit = (place: number, fields: Partial<QuestionDraft>) => {
    setDrafts(shown.map((draft, index) => (index === place ? { ...draft, ...fields } : draft)));
  };
  const move = (place: number, by_: 1 | -1) => {
    const next = [...shown];
    const [one] = next.splice(place, 1);
    if (one) next.splice(Math.max(0, place + by_), 0, one);
    setDrafts(next);
  };
  const keep = async () => {
    const outcome = await change(command);
    setTrouble(outcome.ok || outcome.issue.code === "nothing_to_change" ? null : issueWords(outcome.issue));
    if (outcome.ok) setDrafts(null);
  };
  return (
    <main className="mx-auto w-full max-w-[900px] px-[30px] pt-6 pb-16">
      <PageTitle about={assignment.name}>Questions</PageTitle>
      <h1 className="page-title">{assignment.name}: questions</h1>
      <PlanPlaces slot={params.slot} />
      <p className="figures mt-3 text-[14.5px] text-soft">
        {counted(shown.length, "question")} · {inMark(pointsText(total))} of {inMark(assignment.points)} points
        {compare(total, fromDecimal(assignment.points)) !== 0 && (
          <strong className="ms-2 text-ochre">The questions do not add up to the assignment’s points.</strong>
        )}
        <Link className="link ms-4" to={`/courses/${params.slot}/answers/${inAddress(assignment.id)}`}>
          One question, all answers
        </Link>
        <Link className="link ms-4" to={`/courses/${params.slot}/plan/assignments/${inAddress(assignment.id)}`}>
          The assignment
        </Link>
      </p>
      <ol className="mt-3">
        {shown.map((draft, index) => (
          <li key={draft.id ?? `new-${String(index)}`} className="border-t border-rule py-3">
            <QuestionFields
              place={index + 1}
              draft={draft}
              onEdit={(fields) => {
                edit(index, fields);
              }}
              onMove={(by_) => {
                move(index, by_);
              }}
              onRemove={() => {
                setDrafts(shown.filter((_, at) => at !== index));
              }}
            />
          </li>
        ))}
      </ol>
      <div className="flex flex-wrap items-center gap-4 border-t-2 border-ink pt-3">
        <button
          type="button"
          className="act"
          onClick={() => {
            setDrafts([...shown, freshQuestion()]);
          }}
        >
          Add a question
        </button>
        {dirty && (
          <>
            <button type="button" className="act act-first" disabled={lack !== null} onClick={() => void keep()}>
              Keep {counted(shown.length, "question")}
            </button>
            <button
              type="button"
              className="link"
              onClick={() => {
                setDrafts(null);
              }}
            >
              Back to what is kept
            </button>
          </>
        )}
        {typed.isLeft && <AsYouLeftIt />}
        {dirty && lack && <p className="text-[14px] text-ochre">{lack}</p>}
      </div>
      {effects && <Effects effects={effects} state={state} />}
      {trouble && (
        <p role="alert" className="mt-2 text-wax">
          {trouble}
        </p>
      )}
      {stored.length > 0 && !dirty && (
        <AnswerEntry
          questions={questions}
          students={students}
          assignmentId={assignment.id}
          now={repository.surroundings.now}
          send={change}
        />
      )}
    </main>
  );
}

const commandOf = (
  assignmentId: Assignment["id"],
  drafts: readonly QuestionDraft[],
): Extract<Command, { type: "saveQuestions" }> => ({
  type: "saveQuestions",
  assignmentId,
  questions: drafts.map(keptQuestion),
});

/** Ids and moment of a preview are never kept. */
const fixed = () => "preview";
const PREVIEWED_AT = "2000-01-01T00:00:00Z" as Instant;

/** Students of the preview shown. */
const SHOWN = 12;

interface EffectsProps {
  readonly effects: ReturnType<typeof keyEffects>;
  readonly state: CourseState;
}

function Effects({ effects, state }: EffectsProps) {
  if (!effects.ok) {
    return (
      <p role="alert" className="mt-3 text-wax">
        {issueWords(effects.issue)}
      </p>
    );
  }
  const changed = effects.value;
  return (
    <section aria-label="What changes" className="mt-3 text-[14.5px]">
      <p role="status">
        {changed.length === 0 ? "No score changes." : `${counted(changed.length, "score")} would change:`}
      </p>
      <ul className="mt-1 columns-2">
        {changed.slice(0, SHOWN).map(({ student, before, after }) => (
          <li key={student.id} className="figures flex justify-between gap-4 pe-8">
            {rosterName(state, student)}
            <span>
              {before ? inMark(pointsText(before)) : "–"} → <strong>{after ? inMark(pointsText(after)) : "–"}</strong>
            </span>
          </li>
        ))}
      </ul>
      {changed.length > SHOWN && <p className="text-soft">and {changed.length - SHOWN} more</p>}
    </section>
  );
}
