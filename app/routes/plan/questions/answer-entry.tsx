import { useMemo, useState } from "react";
import type { ChangeResult, Command } from "#core/changes";
import { readAnswers, type AnswerIssue } from "#core/formats";
import type { AssignmentId, Instant } from "#core/kernel";
import type { Question, Student } from "#core/model";
import { counted } from "#core/words";
import { PastedList } from "../../../ui/files/pasted-list";
import { readTextDraft, useTyped } from "../../../ui/fields/drafts";
import { issueWords } from "../../../ui/words/words";

interface AnswerEntryProps {
  readonly questions: readonly Question[];
  readonly students: readonly Student[];
  readonly assignmentId: AssignmentId;
  readonly now: () => Instant;
  readonly send: (command: Command) => Promise<ChangeResult>;
}

const issueText = (issue: AnswerIssue): string => {
  switch (issue.code) {
    case "no_columns":
      return "The first line must name the columns: student, then 1, 2, 3 for the questions.";
    case "no_question":
      return `The column "${issue.column}" is none of the questions; it is left out.`;
    case "unknown_student":
      return `Line ${String(issue.line)}: "${issue.text}" is no number and no whole name of the roster.`;
  }
};

/** Answers pasted or from CSV: a line for each student, a column for each question. */
export function AnswerEntry({ questions, students, assignmentId, now, send }: AnswerEntryProps) {
  const { value: text, set: setText, clear, isLeft } = useTyped(`answers/${assignmentId}`, "", readTextDraft);
  const [said, setSaid] = useState<{ good: boolean; words: string } | null>(null);
  const read = useMemo(
    () => (text.trim() === "" ? { answers: [], students: 0, issues: [] } : readAnswers(text, students, questions)),
    [text, students, questions],
  );
  const takeIn = async () => {
    const outcome = await send({ type: "takeInAnswers", assignmentId, at: now(), answers: [...read.answers] });
    if (outcome.ok) clear();
    const words = `Answers of ${counted(read.students, "student")} taken in.`;
    setSaid(outcome.ok ? { good: true, words } : { good: false, words: issueWords(outcome.issue) });
  };
  return (
    <section aria-label="Answers" className="mt-8">
      <h2 className="border-t-2 border-ink pt-2 font-semibold">Answers</h2>
      <p className="mt-1 max-w-prose text-[14.5px] text-soft">
        Paste them, or open a CSV file: a line for each student, a column for each question. Options by their letters.
      </p>
      <PastedList
        label="Answers, a line for each student"
        placeholder={`student,${questions.map((_, index) => String(index + 1)).join(",")}\nL26041,B,287`}
        text={text}
        onText={(next) => {
          setText(next);
          setSaid(null);
        }}
        isLeft={isLeft}
        onClear={clear}
      >
        {read.answers.length > 0 && (
          <button type="button" className="act act-first" onClick={() => void takeIn()}>
            Take in the answers of {counted(read.students, "student")}
          </button>
        )}
      </PastedList>
      {said && (
        <p role={said.good ? "status" : "alert"} className={`mt-2 ${said.good ? "text-green" : "text-wax"}`}>
          {said.words}
        </p>
      )}
      {read.issues.length > 0 && (
        <ul aria-label="Left out" className="mt-2 text-[14px] text-wax">
          {read.issues.slice(0, 8).map((issue, index) => (
            <li key={index}>{issueText(issue)}</li>
          ))}
        </ul>
      )}
    </section>
  );
}
