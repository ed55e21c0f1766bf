import { useState } from "react";
import { Link } from "react-router";
import type { ChangeResult, Command } from "#core/changes";
import { inAddress } from "../../../../ui/address";
import { DraftField } from "../../../../ui/fields/draft-field";
import { PointsField } from "../../../../ui/fields/points-field";
import type { AnswerRow, DeskRows } from "../rows";
import { inMark } from "../../../../ui/words/figures";

interface AnswersProps {
  readonly slot: string;
  readonly rows: DeskRows;
  readonly send: (command: Command) => Promise<ChangeResult>;
}

/** What a student answered, question by question, with what each answer earns and why. */
export function Answers({ slot, rows, send }: AnswersProps) {
  return (
    <div className="h-full overflow-auto bg-table px-5 py-[18px]">
      <section aria-label="Answers" className="mx-auto max-w-[700px] border border-rule bg-sheet px-10 py-8">
        <p className="text-right text-[14px]">
          <Link className="link" to={`/courses/${slot}/answers/${inAddress(rows.assignment.id)}`}>
            One question, all answers
          </Link>
        </p>
        <ol className="space-y-6">
          {rows.answers.map((row, index) => (
            <Answer key={row.question.id} row={row} place={index + 1} rows={rows} send={send} />
          ))}
        </ol>
      </section>
    </div>
  );
}

function Answer({
  row,
  place,
  rows,
  send,
}: Omit<AnswersProps, "slot"> & { readonly row: AnswerRow; readonly place: number }) {
  const [typing, setTyping] = useState(false);
  const where = { assignmentId: rows.assignment.id, studentId: rows.student.id, questionId: row.question.id };
  return (
    <li>
      <div className="flex items-baseline gap-3">
        <h2 className="min-w-0 flex-1 text-[15px] font-semibold">
          {place}. {row.question.prompt}
        </h2>
        <span className="figures whitespace-nowrap">
          {typing ? (
            <PointsField
              place={`answer-points/${where.assignmentId}/${where.studentId}/${where.questionId}`}
              label={`Points for question ${String(place)}`}
              value={row.points ?? ""}
              onKeep={(text, confirmed) => send({ type: "judgeAnswer", ...where, text, confirmed })}
              onDone={() => {
                setTyping(false);
              }}
            />
          ) : (
            <button
              type="button"
              aria-label={`Type points for question ${String(place)}`}
              className={`rounded px-1 hover:bg-table ${row.setByHand && row.byKey !== null ? "text-plum" : ""}`}
              onClick={() => {
                setTyping(true);
              }}
            >
              {row.setByHand && row.byKey !== null && <span aria-hidden="true">✎ </span>}
              <strong>{inMark(row.points ?? "–")}</strong>{" "}
              <span className="text-soft">/ {inMark(row.question.points)}</span>
            </button>
          )}
        </span>
      </div>
      <p className="mt-1 font-serif text-[16px] whitespace-pre-wrap">
        {row.text || <em className="text-soft">no answer</em>}
      </p>
      <p className="text-[13.5px] text-soft">
        {row.byKey === null
          ? row.points === null
            ? "Written: waits to be judged"
            : "Judged by hand"
          : row.setByHand
            ? `By hand; the key gives ${inMark(row.byKey)}`
            : "By the key"}
        {row.setByHand && row.byKey !== null && (
          <button
            type="button"
            className="link ms-2"
            onClick={() => void send({ type: "judgeAnswer", ...where, text: "-" })}
          >
            Back to the key
          </button>
        )}
      </p>
      <DraftField
        place={`answer/${where.assignmentId}/${where.studentId}/${where.questionId}`}
        label={`Comment on question ${String(place)}`}
        labelHidden
        placeholder="To the student, on this answer"
        value={row.comment}
        className="mt-1"
        onKeep={(text, seen) => send({ type: "judgeAnswer", ...where, comment: { text, seen } })}
      />
    </li>
  );
}
