import { useState } from "react";
import type { Assignment } from "#core/model";
import { counted } from "#core/words";
import { useChange } from "../../../course/use-change";
import { InlineField } from "../../../ui/fields/inline-field";
import { useTroubleOf } from "../../../ui/hooks/use-command";
import { pairKey, type SharedGroup, type SharedPair } from "./pairs";

/** Pairs that share text, those that hang together under one head; a pair can be cleared with a word. */
export function PairList({
  assignment,
  shared,
  onChoose,
}: {
  readonly assignment: Assignment;
  readonly shared: readonly SharedGroup[];
  readonly onChoose: (key: string) => void;
}) {
  const [trouble, setTrouble] = useState<string | null>(null);
  const send = useTroubleOf(useChange());
  const clear = async (pair: SharedPair, word: string) => {
    const said = await send({
      type: "setAside",
      assignmentId: assignment.id,
      subject: pair.subject,
      title: `shared text of ${pair.names.join(" and ")}`.slice(0, 300),
      basis: pair.basis,
      studentIds: pair.studentIds,
      word,
    });
    setTrouble(said);
    return said;
  };
  const takeBack = async (pair: SharedPair) => {
    setTrouble(await send({ type: "takeFromAside", assignmentId: assignment.id, subject: pair.subject }));
  };
  const telling = shared.filter(({ isShort }) => !isShort);
  const phrases = shared.filter(({ isShort }) => isShort).flatMap(({ pairs }) => pairs);
  const item = (pair: SharedPair) => (
    <PairItem
      key={pair.subject}
      pair={pair}
      place={`aside ${assignment.id} ${pair.subject}`}
      onChoose={() => {
        onChoose(pairKey(pair.overlap));
      }}
      onClear={(word) => clear(pair, word)}
      onBack={() => void takeBack(pair)}
    />
  );
  if (shared.length === 0) return <p className="mt-4">No two of them share a run of that length.</p>;
  return (
    <>
      {trouble && (
        <p role="alert" className="mt-2 text-[14px] text-wax">
          {trouble}
        </p>
      )}
      {telling.length === 0 ? (
        <p className="mt-4">No two of them share more than a phrase.</p>
      ) : (
        <ul aria-label="Hand-ins that share text" className="mt-3 border-t border-rule">
          {telling.map(({ names, pairs }) => (
            <li key={names.join()} className="border-b border-rule py-2">
              {pairs.length > 1 && (
                <p className="text-[14px] font-semibold">
                  {names.length} together: {names.join(", ")}
                </p>
              )}
              <ul className={pairs.length > 1 ? "ps-4" : ""}>{pairs.map(item)}</ul>
            </li>
          ))}
        </ul>
      )}
      {phrases.length > 0 && (
        <details className="mt-4 text-[14px]">
          <summary className="text-soft">{counted(phrases.length, "pair")} with a phrase in common and no more</summary>
          <ul>{phrases.map(item)}</ul>
        </details>
      )}
    </>
  );
}

function PairItem({
  pair,
  place,
  onChoose,
  onClear,
  onBack,
}: {
  readonly pair: SharedPair;
  readonly place: string;
  readonly onChoose: () => void;
  readonly onClear: (word: string) => Promise<string | null>;
  readonly onBack: () => void;
}) {
  const { names, words, overlap, cleared } = pair;
  const both = names.join(" and ");
  return (
    <li className="figures py-1.5 text-[14.5px]">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <span className={cleared === null ? "" : "text-soft"}>
          <strong>{names.join(", ")}</strong>: {counted(words, "word")} in common
          <span className="text-soft">
            {" "}
            in {counted(overlap.passages.length, "passage")}, {Math.round(100 * overlap.share)} % of the shorter
          </span>
        </span>
        <span className="ms-auto flex gap-4 text-[14px]">
          <button type="button" className="link" onClick={onChoose}>
            Side by side<span className="sr-only"> {both}</span>
          </button>
          {cleared === null ? (
            <button type="button" className="link" onClick={() => void onClear("")}>
              Clear<span className="sr-only"> {both}</span>
            </button>
          ) : (
            <button type="button" className="link" onClick={onBack}>
              Take back<span className="sr-only"> that {both} is cleared</span>
            </button>
          )}
        </span>
      </div>
      {cleared !== null && (
        <div className="mt-1 flex items-center gap-2 text-[14px] text-soft">
          <span>cleared:</span>
          <InlineField
            className="w-80"
            place={place}
            label={`Why ${both} may stay`}
            labelHidden
            placeholder="why, in a word"
            value={cleared}
            maxLength={500}
            onKeep={onClear}
          />
        </div>
      )}
    </li>
  );
}
