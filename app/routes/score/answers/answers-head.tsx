import { Link } from "react-router";
import { Choice } from "../../../ui/fields/choice";
import { Tick } from "../../../ui/fields/tick";
import type { answerSheets } from "./rows";

interface AnswersHeadProps {
  /** Where the questions and their keys are written. */
  readonly questionsAt: string;
  readonly title: string;
  readonly rows: NonNullable<ReturnType<typeof answerSheets>>;
  /** The question that stands in the list: undefined for the one that is shown. */
  readonly chosen: AnswersHeadProps["rows"]["question"]["id"] | undefined;
  readonly isNameless: boolean;
  readonly isShuffled: boolean;
  readonly isTogether: boolean;
  readonly onNames: (hidden: boolean) => void;
  readonly onShuffle: (on: boolean) => void;
  readonly onTogether: (on: boolean) => void;
  readonly onQuestion: (id: AnswersHeadProps["rows"]["question"]["id"]) => void;
}

/** The question at hand, how many answers wait, and how they are listed. */
export function AnswersHead(props: AnswersHeadProps) {
  const { questionsAt, title, rows, isNameless, isShuffled, isTogether } = props;
  const { onNames, onShuffle, onTogether, onQuestion } = props;
  return (
    <div className="border-b border-rule px-[18px] py-2.5">
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1">
        <h1 className="font-serif text-[19px] font-semibold">
          {title}: <span className="font-normal">one question, all answers</span>
        </h1>
        <span className="figures text-[14px] text-soft">
          {rows.open === 0 ? "nothing waits" : `${String(rows.open)} of ${String(rows.sheets.length)} wait`}
        </span>
        <Tick className="ms-auto text-[14px]" checked={isNameless} onChange={onNames}>
          Without names
        </Tick>
        <Tick className="text-[14px]" checked={isShuffled} onChange={onShuffle}>
          Shuffled
        </Tick>
        <Tick className="text-[14px]" checked={isTogether} onChange={onTogether}>
          Equal answers together
        </Tick>
        <Link className="link text-[14px]" to={questionsAt}>
          Questions and keys
        </Link>
      </div>
      <div className="mt-1.5 flex items-baseline gap-3">
        <Choice
          label="Question"
          className="!w-64 text-[14.5px]"
          value={props.chosen ?? rows.question.id}
          onChoose={onQuestion}
          options={rows.questions.map(({ id, prompt }, index) => [id, `${String(index + 1)}. ${prompt}`] as const)}
        />
        <p className="min-w-0 flex-1 font-serif text-[16px]">{rows.question.prompt}</p>
      </div>
      <p className="figures mt-1 text-[13.5px] text-soft">
        A digit gives points · Enter: type them · Backspace: as the key gives · [ ]: other question · H: names
      </p>
    </div>
  );
}
