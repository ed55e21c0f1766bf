import { memo, type RefObject } from "react";
import { Link } from "react-router";
import type { ChangeResult, Command } from "#core/changes";
import type { Message } from "#core/model";
import type { Repository } from "#storage";
import { latenessWords } from "#core/words";
import { inAddress } from "../../../../ui/address";
import { DraftField } from "../../../../ui/fields/draft-field";
import type { TextHandle } from "../../../../ui/fields/text-handle";
import { CriterionCard } from "./criterion-card";
import { LeftPoints, PointsField } from "../../../../ui/fields/points-field";
import { paperOf, type JudgedRows } from "../rows";
import { FeedbackFiles } from "../paper/feedback-files";
import { OutcomeCards } from "./outcome-cards";
import { GroupStrip } from "./group-strip";
import { PaperConversation } from "../paper/paper-conversation";
import { StandingRow } from "./standing-row";
import type { DeskKeys } from "../use-desk-keys";
import { inMark } from "../../../../ui/words/figures";

interface JudgementColumnProps {
  readonly slot: string;
  readonly rows: JudgedRows;
  readonly unitHours: number;
  readonly timeZone: string;
  readonly repository: Repository;
  readonly markerName: (message: Message) => string;
  /** Whether what is judged here is judged for the whole group. */
  readonly wholeGroup: boolean;
  readonly onWholeGroup: (whole: boolean) => void;
  readonly keys: DeskKeys;
  readonly send: (command: Command) => Promise<ChangeResult>;
  readonly sendTyped: (command: Command) => Promise<ChangeResult>;
  /** Why the last thing was refused. */
  readonly notice: string | null;
  readonly onEvidence: (noteId: string) => void;
  readonly outcomesRef: RefObject<HTMLDivElement | null>;
  readonly doneRef: RefObject<HTMLButtonElement | null>;
  readonly overallRef: RefObject<TextHandle | null>;
  readonly privateRef: RefObject<TextHandle | null>;
  readonly lateRef: RefObject<HTMLInputElement | null>;
}

/**
 * The left column of the desk: who, the rulers, the sum, the standing, the comment and the private note. A remark on the work
 * draws nothing of it anew.
 */
export const JudgementColumn = memo(function JudgementColumn(props: JudgementColumnProps) {
  const { slot, rows, unitHours, send, sendTyped } = props;
  return (
    <div className="h-full overflow-y-auto">
      <PaperHead {...props} />
      <CriterionCards {...props} />
      <Sum {...props} />
      {props.notice && (
        <p role="alert" className="mx-4 mt-2 border-s-2 border-wax bg-wax-wash px-2.5 py-1.5 text-[14px]">
          {props.notice}
        </p>
      )}
      {rows.group && (
        <GroupStrip
          slot={slot}
          rows={rows}
          group={rows.group}
          whole={props.wholeGroup}
          onWhole={props.onWholeGroup}
          send={send}
          sendTyped={sendTyped}
        />
      )}
      <OutcomeCards
        rows={rows}
        wholeGroup={props.wholeGroup}
        send={send}
        firstRef={props.outcomesRef}
        onLast={() => props.doneRef.current?.focus()}
      />
      <StandingRow rows={rows} unitHours={unitHours} send={send} lateRef={props.lateRef} />
      <Comments {...props} />
    </div>
  );
});

const placeOf = ({ assignment, student }: JudgedRows) => ({ assignmentId: assignment.id, studentId: student.id });

/** Whom a judgement is for, where there is a group. */
const scopeOf = ({ rows, wholeGroup }: JudgementColumnProps) => (rows.group ? { wholeGroup } : {});

/** Whose paper it is, and the other ways to score. */
function PaperHead({ slot, rows, unitHours, keys }: JudgementColumnProps) {
  const late = rows.figure.unitsLate;
  return (
    <header className="px-4 pt-3.5 pb-2.5">
      <h1 className="font-serif text-[20px] leading-tight font-semibold">{rows.name}</h1>
      <p className="mt-0.5 text-[13.5px] leading-snug text-soft">
        {rows.assignment.name}
        {rows.section && ` · ${rows.section} section`}
        {late > 0 && (
          <>
            {" · "}
            <strong className="text-ochre">{latenessWords(late, unitHours)} late</strong>
          </>
        )}
        {rows.attempts > 1 && ` · ${String(rows.attempts)} attempts`}
      </p>
      <nav aria-label="Other ways to score" className="mt-0.5 flex flex-wrap gap-x-4 text-[13.5px]">
        {rows.criteria.length > 0 && (
          <Link
            className="link"
            to={`/courses/${slot}/sweep/${inAddress(rows.assignment.id)}?criterion=${inAddress(rows.criteria[keys.marked]?.criterion.id ?? "")}`}
          >
            Over all papers
          </Link>
        )}
        <Link className="link" to={`/courses/${slot}/quick/${inAddress(rows.assignment.id)}`}>
          Quick list
        </Link>
        <Link className="link" to={`/courses/${slot}/waiting`}>
          All that waits
        </Link>
      </nav>
    </header>
  );
}

/** The rulers, one under the other. */
function CriterionCards(props: JudgementColumnProps) {
  const { rows, keys, send, sendTyped } = props;
  const place = placeOf(rows);
  const scope = scopeOf(props);
  return rows.criteria.map((row, index) => (
    <CriterionCard
      paper={paperOf(rows)}
      key={row.criterion.id}
      row={row}
      place={index + 1}
      marked={keys.marked === index}
      typing={keys.typing === index}
      commenting={keys.commenting === index}
      onMark={() => {
        keys.mark(index);
      }}
      onKeyDown={keys.onRulerKey}
      onDrag={(text) =>
        void send({
          type: "judge",
          ...place,
          ...scope,
          criterionId: row.criterion.id,
          verdict: { kind: "points", text },
        })
      }
      onPoints={(text, confirmed) =>
        sendTyped({
          type: "judge",
          ...place,
          ...scope,
          criterionId: row.criterion.id,
          verdict: { kind: "points", text },
          confirmed,
        })
      }
      onTyping={() => {
        keys.type(index);
      }}
      onTypingDone={keys.typingDone}
      onComment={(comment, seen) =>
        send({ type: "setCriterionComment", ...place, ...scope, criterionId: row.criterion.id, comment, seen })
      }
      onPrivateNote={(comment, seen) =>
        send({
          type: "setCriterionComment",
          ...place,
          facing: "private",
          criterionId: row.criterion.id,
          comment,
          seen,
        })
      }
      onCommenting={(open) => {
        keys.comment(open ? index : null);
      }}
      onEvidence={props.onEvidence}
      sliderRef={keys.sliderRef(index)}
    />
  ));
}

/** What is said to the student as a whole, and what is for instructors only. */
function Comments(props: JudgementColumnProps) {
  const { slot, rows, send } = props;
  const place = placeOf(rows);
  const scope = scopeOf(props);
  return (
    <div className="space-y-2 px-4 pt-3 pb-5">
      <DraftField
        place={`overall/${place.assignmentId}/${place.studentId}`}
        label="Overall comment"
        value={rows.overallComment}
        placeholder={`To ${rows.student.givenName}`}
        rows={2}
        fieldRef={props.overallRef}
        formatted
        onKeep={(text, seen) => send({ type: "setComment", ...place, ...scope, facing: "student", text, seen })}
      />
      <FeedbackFiles slot={slot} rows={rows} repository={props.repository} send={send} />
      {!rows.isPacket && (
        <PaperConversation rows={rows} send={send} nameOf={props.markerName} timeZone={props.timeZone} />
      )}
      <DraftField
        place={`private/${place.assignmentId}/${place.studentId}`}
        label="Private note, for instructors only"
        value={rows.privateNote}
        fieldRef={props.privateRef}
        onKeep={(text, seen) => send({ type: "setComment", ...place, facing: "private", text, seen })}
      />
    </div>
  );
}

function Sum({ rows, keys, send, sendTyped }: JudgementColumnProps) {
  const { arithmetic, assignment, figure } = rows;
  const place = placeOf(rows);
  const setByHand = figure.source === "setByHand";
  return (
    <section aria-label="Score" className="mx-4 border-t-2 border-ink pt-2.5">
      <div className="flex items-baseline justify-between gap-2">
        <p className="figures text-[14.5px]">{arithmetic.first || "Score"}</p>
        {keys.typing === "score" ? (
          <PointsField
            place={`score/${place.assignmentId}/${place.studentId}`}
            label="Score"
            value={rows.entry}
            onKeep={(text, confirmed) => sendTyped({ type: "setScore", ...place, text, seen: rows.entry, confirmed })}
            onDone={keys.typingDone}
          />
        ) : (
          <>
            <LeftPoints
              place={`score/${place.assignmentId}/${place.studentId}`}
              onOpen={() => {
                keys.type("score");
              }}
            />
            <button
              type="button"
              aria-label="Type the score"
              data-hint={setByHand ? "Set by hand" : undefined}
              className={`figures rounded px-1 text-[19px] font-semibold whitespace-nowrap hover:bg-table ${setByHand ? "text-plum" : ""}`}
              onClick={() => {
                keys.type("score");
              }}
            >
              {setByHand && <span aria-hidden="true">✎ </span>}
              {arithmetic.total} {assignment.bonus ? "bonus" : `/ ${inMark(assignment.points)}`}
            </button>
          </>
        )}
      </div>
      {arithmetic.second && (
        <p className={`figures text-[13.5px] ${setByHand ? "text-plum" : "text-ochre"}`}>
          {arithmetic.second}
          {(setByHand || figure.source === "typed") && (
            <button
              type="button"
              className="link ms-2"
              onClick={() => void send({ type: "setScore", ...place, text: "-", seen: rows.entry })}
            >
              {setByHand ? "Back to the computed figure" : "Back to the rulers"}
            </button>
          )}
        </p>
      )}
    </section>
  );
}
