import type { ChangeResult } from "#core/changes";
import type { FileId } from "#core/kernel";
import { DraftField } from "../../../ui/fields/draft-field";
import { PointsField } from "../../../ui/fields/points-field";
import { ZoneCrop } from "../../../ui/work/zones/zone-crop";
import { isWrittenOnPaper, type AlikeAnswers } from "./rows";
import { inMark } from "../../../ui/words/figures";

interface AnswerLineProps {
  /** The answer, for what is half-typed. */
  readonly answer: string;
  readonly sheet: AlikeAnswers;
  readonly onApart: () => void;
  readonly maximum: string;
  readonly current: boolean;
  readonly typing: boolean;
  readonly read: (fileId: FileId) => Promise<Blob | null>;
  readonly onChoose: () => void;
  readonly onPoints: (text: string, confirmed: boolean) => Promise<ChangeResult>;
  readonly onTyped: (kept: boolean) => void;
  readonly onComment: (text: string, seen: string) => Promise<ChangeResult>;
}

/** One answer among all to a question, with what it earns. */
export function AnswerLine(props: AnswerLineProps) {
  const { sheet, maximum, current } = props;
  const corrected = sheet.setByHand && sheet.byKey !== null;
  return (
    <li
      aria-current={current ? "true" : undefined}
      className={`flex gap-5 border-b border-rule px-[18px] py-2.5 [contain-intrinsic-size:auto_64px] [content-visibility:auto] ${current ? "bg-sheet shadow-[inset_3px_0_0_var(--ink)]" : ""}`}
    >
      <div className="w-44 shrink-0">
        <button type="button" className="text-start font-semibold hover:underline" onClick={props.onChoose}>
          {sheet.title}
        </button>
        {sheet.alike.length > 0 && (
          <p className="text-[13px]" data-hint={sheet.alike.map(({ title }) => title).join(", ")}>
            and {String(sheet.alike.length)} more{" "}
            <button type="button" className="link" onClick={props.onApart}>
              Take apart
            </button>
          </p>
        )}
        <p className="text-[13px] text-soft">
          {sheet.points === null
            ? "waits"
            : corrected
              ? `the key gives ${inMark(sheet.byKey)}`
              : sheet.setByHand
                ? "by hand"
                : "by the key"}
        </p>
      </div>
      {sheet.file && isWrittenOnPaper(sheet) ? (
        <div className="min-w-0 flex-1">
          <ZoneCrop
            file={sheet.file}
            zones={sheet.zones}
            notes={sheet.marks}
            criteria={NO_CRITERIA}
            read={props.read}
          />
        </div>
      ) : (
        <p className="min-w-0 flex-1 font-serif text-[16px] whitespace-pre-wrap">
          {sheet.text || <em className="text-soft">no answer</em>}
        </p>
      )}
      <DraftField
        place={`answer/${props.answer}`}
        label={`Comment to ${sheet.title}`}
        labelHidden
        placeholder="Comment"
        className="w-64 shrink-0"
        value={sheet.comment}
        onKeep={props.onComment}
      />
      <span className="figures w-20 shrink-0 text-right text-[15px] whitespace-nowrap">
        {props.typing ? (
          <PointsField
            place={`answer-points/${props.answer}`}
            label={`Points for ${sheet.title}`}
            value={sheet.points ?? ""}
            onKeep={props.onPoints}
            onDone={props.onTyped}
          />
        ) : (
          <span className={corrected ? "text-plum" : ""}>
            {corrected && <span aria-hidden="true">✎ </span>}
            <strong>{inMark(sheet.points ?? "–")}</strong> <span className="text-soft">/ {inMark(maximum)}</span>
          </span>
        )}
      </span>
    </li>
  );
}

const NO_CRITERIA = [] as const;
