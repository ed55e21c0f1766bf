import { useMemo } from "react";
import { Link } from "react-router";
import { readChoice } from "#core/scoring";
import { questionFigures, type AnswerUse, type QuestionFigures } from "#core/statistics";
import { counted } from "#core/words";
import { inAddress } from "../../../ui/address";
import type { RecordColumn } from "../../../ui/table/column";
import { RecordTable } from "../../../ui/table/record-table";
import { fixed, short, told, whyNot } from "../figure-words";
import type { Looked } from "../rows";
import { inMark } from "../../../ui/words/figures";

/** How many different answers of a question are named. */
const NAMED = 6;

/** What each question tells about the class, and which answers were given. */
export function QuestionsTable({ slot, looked }: { readonly slot: string; readonly looked: Looked }) {
  const { state, assignment } = looked;
  const figures = useMemo(() => questionFigures(state, assignment), [state, assignment]);
  const columns = useMemo(() => columnsOf(slot, assignment.id), [slot, assignment.id]);
  if (!figures || figures.papers === 0) return <p className="mt-6 text-soft">No answers have come in yet.</p>;
  return (
    <section aria-label="Questions" className="mt-4">
      <RecordTable
        label="Questions"
        records={figures.questions}
        columns={columns}
        keyOf={({ question }) => question.id}
      />
      <p className="figures mt-2 text-[14px] text-soft">
        {counted(figures.papers, "paper")} ·{" "}
        {figures.alpha.ok
          ? `Cronbach’s alpha ${fixed(figures.alpha.value, 2)}`
          : `alpha not computable: ${whyNot(figures.alpha.issue)}`}{" "}
        · difficulty: mean over the maximum · discrimination: the best 27 % less the weakest 27 % (T. L. Kelley, 1939)
      </p>
      <h2 className="mt-6 text-[15px] font-semibold">Which answers were given</h2>
      <ol className="mt-1 grid gap-4">
        {figures.questions
          .filter(({ answers }) => answers.length > 0)
          .map((question) => (
            <Answers key={question.question.id} figures={question} papers={figures.papers} />
          ))}
      </ol>
    </section>
  );
}

const columnsOf = (slot: string, assignmentId: string): readonly RecordColumn<QuestionFigures>[] => [
  {
    id: "question",
    head: "Question",
    by: ({ question }) => question.order,
    cell: ({ question }) => (
      <Link
        className="hover:underline"
        to={`/courses/${slot}/answers/${inAddress(assignmentId)}?question=${inAddress(question.id)}`}
      >
        <span className="font-semibold">{question.order + 1}</span> {question.prompt}
      </Link>
    ),
  },
  {
    id: "mean",
    head: "Mean",
    figures: true,
    by: ({ mean, maximum }) => (mean.ok ? mean.value / maximum : null),
    cell: ({ mean, maximum, open }) => (open > 0 ? "–" : `${told(mean)} / ${short(maximum)}`),
  },
  {
    id: "difficulty",
    head: "Difficulty",
    figures: true,
    by: ({ difficulty }) => (difficulty.ok ? difficulty.value : null),
    cell: ({ difficulty, open }) => (open > 0 ? "–" : told(difficulty, 2)),
  },
  {
    id: "discrimination",
    head: "Discrimination",
    figures: true,
    by: ({ discrimination }) => (discrimination.ok ? discrimination.value : null),
    cell: ({ discrimination, open }) => (open > 0 ? "–" : told(discrimination, 2)),
  },
  {
    id: "rest",
    head: "Goes with the rest",
    figures: true,
    by: ({ itemRest }) => (itemRest.ok ? itemRest.value : null),
    cell: ({ itemRest, open }) =>
      open > 0 ? (
        <span className="text-soft">{counted(open, "answer")} to judge</span>
      ) : (
        <span className={itemRest.ok && itemRest.value < 0 ? "font-semibold text-ochre" : ""}>{told(itemRest, 2)}</span>
      ),
  },
];

/** The answers to one question as bars, the right one marked with a sign and a word. */
function Answers({ figures, papers }: { readonly figures: QuestionFigures; readonly papers: number }) {
  const { question, answers, likelier } = figures;
  const named = answers.slice(0, NAMED);
  const rest = answers.slice(NAMED);
  return (
    <li>
      <p className="text-[14px]">
        <span className="font-semibold">{question.order + 1}</span> {question.prompt}
      </p>
      {likelier && (
        <p className="text-[14px] text-ochre">
          ≈ The best papers answer “{wordsOf(likelier, figures)}” more often than what the key calls right.
        </p>
      )}
      <table className="figures mt-1 w-full max-w-[640px] text-[13.5px]">
        <caption className="sr-only">Answers to question {question.order + 1}</caption>
        <tbody>
          {named.map((use) => (
            <tr key={use.text} className="border-b border-rule">
              <td className="w-[45%] py-1 pe-3 break-words">
                {use.isRight ? "✓ " : ""}
                {wordsOf(use, figures)}
                {use.isRight && <span className="sr-only">, right</span>}
              </td>
              <td className="py-1 pe-3">
                <span
                  aria-hidden="true"
                  className={`block h-3 ${use.isRight ? "bg-green" : "bg-rule"}`}
                  style={{ width: `${String((100 * use.studentIds.length) / papers)}%` }}
                />
              </td>
              <td className="w-10 py-1 text-right">{use.studentIds.length}</td>
              <td className="w-36 py-1 text-right text-soft">
                {use.restMean === null ? "" : `rest ${inMark(use.restMean.toFixed(1))}`}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {rest.length > 0 && (
        <p className="text-[13px] text-soft">and {counted(rest.length, "other answer")}, each less frequent</p>
      )}
    </li>
  );
}

/** An answer as it reads: options with their words. */
function wordsOf({ text }: AnswerUse, { question }: QuestionFigures): string {
  if (text === "") return "nothing";
  if (question.key.kind !== "choice") return text;
  const { options } = question.key;
  const named = (readChoice(text, options.length) ?? []).flatMap((place) => options[place] ?? []);
  return named.length > 0 ? named.join(", ") : text;
}
