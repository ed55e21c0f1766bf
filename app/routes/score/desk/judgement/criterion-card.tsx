import { useState, type KeyboardEvent } from "react";
import type { ChangeResult } from "#core/changes";
import type { Criterion } from "#core/model";
import { levelAt } from "#core/scoring";
import { DraftField } from "../../../../ui/fields/draft-field";
import { Ruler } from "../../../../ui/parts/ruler";
import { LeftPoints, PointsField } from "../../../../ui/fields/points-field";
import type { CriterionRow } from "../rows";
import { inMark } from "../../../../ui/words/figures";

interface CriterionCardProps {
  /** The paper it is judged on, for what is half-typed. */
  readonly paper: string;
  readonly row: CriterionRow;
  /** The criterion's key for evidence, from 1. */
  readonly place: number;
  readonly marked: boolean;
  readonly typing: boolean;
  readonly commenting: boolean;
  readonly onMark: () => void;
  readonly onKeyDown: (event: KeyboardEvent) => void;
  readonly onDrag: (points: string) => void;
  readonly onPoints: (text: string, confirmed: boolean) => Promise<ChangeResult>;
  readonly onTypingDone: (kept: boolean) => void;
  readonly onTyping: () => void;
  readonly onComment: (text: string, seen: string) => Promise<ChangeResult>;
  readonly onCommenting: (open: boolean) => void;
  readonly onPrivateNote: (text: string, seen: string) => Promise<ChangeResult>;
  readonly onEvidence: (noteId: string) => void;
  readonly sliderRef: (element: HTMLDivElement | null) => void;
}

/** One criterion: its ruler, the words of the level, the comment to the student and the evidence. */
export function CriterionCard(props: CriterionCardProps) {
  const { row, marked } = props;
  const { criterion, points, notApplicable } = row;
  const [pointed, setPointed] = useState<string | null>(null);
  const level = points === null ? null : levelAt(criterion, points);
  const described = criterion.levels.find((item) => item.id === pointed) ?? level;
  return (
    <section
      aria-label={criterion.name}
      className={`border-t border-rule px-4 pt-2.5 pb-2.5 ${marked ? "bg-sheet shadow-[inset_3px_0_0_var(--ink)]" : ""}`}
    >
      <CardHead {...props} />
      <Ruler
        criterion={criterion}
        points={points}
        notApplicable={notApplicable}
        others={row.others}
        onPoints={props.onDrag}
        onPointing={setPointed}
        onKeyDown={props.onKeyDown}
        onFocus={props.onMark}
        sliderRef={props.sliderRef}
      />
      {!notApplicable && !described && marked ? (
        <LevelList criterion={criterion} />
      ) : (
        <p className="mt-1.5 text-[13.5px] leading-snug text-soft">
          {notApplicable ? "Does not apply to this paper." : described ? words(described) : "Open"}
        </p>
      )}
      {row.lacksEvidence && (
        <p className="mt-1 text-[13.5px] text-ochre">
          <span aria-hidden="true">◇ </span>Asks for a passage: select one and press {props.place}.
        </p>
      )}
      <EvidenceChips {...props} />
      <CardTexts {...props} />
    </section>
  );
}

/** The criterion's name and key, and its points, which can be typed. */
function CardHead(props: CriterionCardProps) {
  const { row } = props;
  const { criterion, points, notApplicable } = row;
  return (
    <div className="flex items-baseline gap-2">
      <span aria-hidden="true" className="size-2.5 shrink-0 rounded-[3px]" style={{ background: row.colour }} />
      <h2 className="text-[15px] leading-tight font-semibold">
        {criterion.name} <span className="figures font-normal text-soft">{props.place}</span>
      </h2>
      <span className="figures ms-auto text-[15px] whitespace-nowrap">
        {props.typing ? (
          <PointsField
            place={`points/${props.paper}/${criterion.id}`}
            label={`Points for ${criterion.name}`}
            value={points ?? ""}
            onKeep={props.onPoints}
            onDone={props.onTypingDone}
          />
        ) : (
          <>
            <LeftPoints place={`points/${props.paper}/${criterion.id}`} onOpen={props.onTyping} />
            <button
              type="button"
              className="rounded px-1 hover:bg-table"
              aria-label={`Type points for ${criterion.name}`}
              onClick={props.onTyping}
            >
              <strong>{notApplicable ? "n/a" : inMark(points ?? "–")}</strong>{" "}
              <span className="text-soft">/ {inMark(row.maximum)}</span>
            </button>
          </>
        )}
      </span>
    </div>
  );
}

/** The passages that decided it, as the way to them. */
function EvidenceChips({ row, onEvidence }: CriterionCardProps) {
  if (row.evidence.length === 0) return null;
  return (
    <ul aria-label={`Evidence for ${row.criterion.name}`} className="mt-1.5 flex flex-wrap gap-1">
      {row.evidence.map(({ noteId, label }) => (
        <li key={noteId}>
          <button
            type="button"
            className="rounded-[3px] border border-rule bg-sheet px-1.5 text-[13px] leading-5 hover:border-soft"
            onClick={() => {
              onEvidence(noteId);
            }}
          >
            {label}
          </button>
        </li>
      ))}
    </ul>
  );
}

/** The comment to the student, and the note for instructors only. */
function CardTexts(props: CriterionCardProps) {
  const { row, marked } = props;
  const { criterion } = row;
  const [noting, setNoting] = useState(false);
  return (
    <>
      {(row.comment !== "" || props.commenting) && (
        <DraftField
          place={`comment/${props.paper}/${criterion.id}`}
          label={`Comment on ${criterion.name}`}
          labelHidden
          placeholder="To the student, on this criterion"
          value={row.comment}
          autoFocus={props.commenting}
          onKeep={props.onComment}
          onDone={() => {
            props.onCommenting(false);
          }}
          className="mt-1.5"
        />
      )}
      {(row.privateNote !== "" || noting) && (
        <DraftField
          place={`private/${props.paper}/${criterion.id}`}
          label={`Private note on ${criterion.name}`}
          labelHidden
          placeholder="Private, for instructors only"
          value={row.privateNote}
          autoFocus={noting}
          onKeep={props.onPrivateNote}
          onDone={() => {
            setNoting(false);
          }}
          className="mt-1.5"
        />
      )}
      {marked && row.privateNote === "" && !noting && (
        <button
          type="button"
          className="mt-1 text-[13px] text-soft underline decoration-rule underline-offset-2 hover:text-ink"
          onClick={() => {
            setNoting(true);
          }}
        >
          Private note on this criterion
        </button>
      )}
    </>
  );
}

const words = (level: Criterion["levels"][number]): string =>
  level.descriptor || `${level.name}, ${inMark(`${level.min} to ${level.max}`)}`;

/** Every level with its key, its points and its words, to be read before one is chosen. */
function LevelList({ criterion }: { readonly criterion: Criterion }) {
  return (
    <ol aria-label={`Levels of ${criterion.name}`} className="mt-1.5 text-[13.5px] leading-snug text-soft">
      {criterion.levels.map((level, index) => (
        <li key={level.id} className="flex gap-1.5 py-px">
          <kbd className="figures shrink-0">{index + 1}</kbd>
          <span>
            <span className="figures text-ink">
              {level.name} {inMark(`${level.min}–${level.max}`)}
            </span>
            {level.descriptor && ` · ${level.descriptor}`}
          </span>
        </li>
      ))}
    </ol>
  );
}
