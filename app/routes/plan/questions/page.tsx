import { Link } from "react-router";
import { compare, fromDecimal, pointsText } from "#core/kernel";
import { courseOf, questionsOf, studentsOf, type Assignment } from "#core/model";
import { questionPoints } from "#core/scoring";
import { counted } from "#core/words";
import { live, useLive } from "../../../course/live";
import { openCourse, orMissing } from "../../../course/open-course";
import { fromAddress, inAddress } from "../../../ui/address";
import { PlanPlaces } from "../../../ui/parts/plan-places";
import { AsYouLeftIt } from "../../../ui/fields/as-you-left-it";
import { useChange } from "../../../course/use-change";
import { QuestionFields } from "./question-fields";
import { AnswerEntry } from "./answer-entry";
import { freshQuestion, type QuestionDraft } from "./rows";
import type { Route } from "./+types/page";
import { inMark } from "../../../ui/words/figures";
import { PageTitle } from "../../../ui/parts/page-title";
import { Effects } from "./effects";
import { useQuestions } from "./use-questions";

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
  const { shown, stored, dirty, lack, effects, typed, trouble, set, edit, move, keep } = useQuestions({
    ...{ state, assignment, questions, by, change },
  });
  return (
    <main className="mx-auto w-full max-w-[900px] px-[30px] pt-6 pb-16">
      <PageTitle about={assignment.name}>Questions</PageTitle>
      <h1 className="page-title">{assignment.name}: questions</h1>
      <PlanPlaces slot={params.slot} />
      <QuestionsSum slot={params.slot} {...{ assignment, shown }} />
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
                set(shown.filter((_, at) => at !== index));
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
            set([...shown, freshQuestion()]);
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
                set(null);
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

interface QuestionsSumProps {
  readonly slot: string;
  readonly assignment: Assignment;
  readonly shown: readonly QuestionDraft[];
}

/** What the questions come to, and the ways on. */
function QuestionsSum({ slot, assignment, shown }: QuestionsSumProps) {
  const total = questionPoints(shown);
  return (
    <p className="figures mt-3 text-[14.5px] text-soft">
      {counted(shown.length, "question")} · {inMark(pointsText(total))} of {inMark(assignment.points)} points
      {compare(total, fromDecimal(assignment.points)) !== 0 && (
        <strong className="ms-2 text-ochre">The questions do not add up to the assignment’s points.</strong>
      )}
      <Link className="link ms-4" to={`/courses/${slot}/answers/${inAddress(assignment.id)}`}>
        One question, all answers
      </Link>
      <Link className="link ms-4" to={`/courses/${slot}/plan/assignments/${inAddress(assignment.id)}`}>
        The assignment
      </Link>
    </p>
  );
}
