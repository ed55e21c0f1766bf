import { useEffect, useMemo, useRef, useState } from "react";
import { counted } from "#core/words";
import type { SharedFound } from "../../../exports/shared-text";
import { useKeys } from "../../../ui/keys/use-keys";
import { stretchesOf, type SharedPair, type TextStretch } from "./pairs";

/** Two hand-ins beside each other, their shared passages marked; the brackets walk from one to the next. */
export function SideBySide({
  found,
  pair,
  onBack,
}: {
  readonly found: SharedFound;
  readonly pair: SharedPair;
  readonly onBack: () => void;
}) {
  const { overlap, names } = pair;
  const count = overlap.passages.length;
  const [at, setAt] = useState(0);
  const go = (step: number) => {
    setAt((before) => (before + step + count) % count);
  };
  useKeys("shared", {
    passageBefore: () => {
      go(-1);
    },
    passageAfter: () => {
      go(1);
    },
  });
  const textOf = (id: string) => found.works.find((work) => work.id === id)?.text ?? "";
  const [first, second] = [textOf(overlap.firstId), textOf(overlap.secondId)];
  const sides = useMemo(
    () => [
      stretchesOf(
        first,
        overlap.passages.map((passage) => passage.first),
      ),
      stretchesOf(
        second,
        overlap.passages.map((passage) => passage.second),
      ),
    ],
    [first, second, overlap],
  );
  return (
    <section aria-label={`Side by side: ${names.join(" and ")}`}>
      <div className="flex flex-wrap items-center gap-x-5 gap-y-1 text-[14px]">
        <button type="button" className="link" onClick={onBack}>
          Back to the pairs
        </button>
        <span className="figures">
          {counted(pair.words, "word")} in common, passage {at + 1} of {count}
        </span>
        <button
          type="button"
          className="act act-quiet !min-h-8"
          onClick={() => {
            go(-1);
          }}
        >
          Before <kbd className="font-sans text-soft">[</kbd>
        </button>
        <button
          type="button"
          className="act act-quiet !min-h-8"
          onClick={() => {
            go(1);
          }}
        >
          Next <kbd className="font-sans text-soft">]</kbd>
        </button>
      </div>
      <div className="mt-3 grid grid-cols-2 gap-4">
        {sides.map((stretches, side) => (
          <TextPane key={side} name={names[side] ?? ""} stretches={stretches} at={at} />
        ))}
      </div>
    </section>
  );
}

/** One text with its shared passages marked and numbered; the one that is walked to stands in the middle. */
function TextPane({
  name,
  stretches,
  at,
}: {
  readonly name: string;
  readonly stretches: readonly TextStretch[];
  readonly at: number;
}) {
  const frame = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const mark = frame.current?.querySelector<HTMLElement>(`[data-passage="${String(at)}"]`);
    const pane = frame.current;
    if (mark && pane) pane.scrollTop = mark.offsetTop - pane.clientHeight / 3;
  }, [at]);
  return (
    <div>
      <h2 className="text-[15px] font-semibold">{name}</h2>
      <div
        ref={frame}
        role="region"
        aria-label={`Text of ${name}`}
        // oxlint-disable-next-line jsx-a11y/no-noninteractive-tabindex -- what scrolls must be reached by keyboard
        tabIndex={0}
        className="relative mt-1 h-[62vh] overflow-y-auto border border-rule bg-sheet p-5 font-serif text-[15px] leading-relaxed whitespace-pre-wrap"
      >
        {stretches.map(({ text, passage }, index) =>
          passage === null ? (
            <span key={index}>{text}</span>
          ) : (
            <mark
              key={index}
              data-passage={passage}
              className={`text-ink ${passage === at ? "bg-ochre-wash outline-2 outline-ochre" : "bg-green-wash"}`}
            >
              <sup className="figures me-0.5 font-sans text-[11px] text-soft">{passage + 1}</sup>
              {text}
            </mark>
          ),
        )}
      </div>
    </div>
  );
}
