import { useDeferredValue, useMemo, useState } from "react";
import { keyEffects, type Command } from "#core/changes";
import { sameValue, type Instant } from "#core/kernel";
import type { Assignment, Course, CourseState, questionsOf } from "#core/model";
import { useTyped } from "../../../ui/fields/drafts";
import { issueWords } from "../../../ui/words/words";
import { draftOf, keptQuestion, lackOf, type QuestionDraft, readQuestions } from "./rows";
import type { SendChange } from "../../../course/use-change";

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

interface QuestionsAsked {
  readonly state: CourseState;
  readonly assignment: Assignment;
  readonly questions: ReturnType<typeof questionsOf>;
  readonly by: Course["markerId"];
  readonly change: SendChange;
}

/** The questions as they are being written, what they still lack, and what they would do to figures once kept. */
export function useQuestions({ state, assignment, questions, by, change }: QuestionsAsked) {
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
  return { shown, stored, dirty, lack, effects, typed, trouble, set: setDrafts, edit, move, keep };
}
