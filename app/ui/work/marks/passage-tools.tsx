import { useEffect, useRef } from "react";
import type { Box } from "../text/text-map";
import { keyCap } from "../../keys/key-of";
import { MARK_TOOLS } from "./mark-tools";
import type { EvidenceTarget, Held, HeldMark } from "../types";

interface PassageToolsProps {
  readonly held: Held;
  readonly boxes: readonly Box[];
  readonly criteria: readonly EvidenceTarget[];
  readonly onEvidence: (criterion: EvidenceTarget) => void;
  readonly onMark: (mark: HeldMark) => void;
  readonly onDrop: () => void;
}

/** What can be done with the passage in hand; it stands under the passage, and each tool has its key. */
export function PassageTools({ held, boxes, criteria, onEvidence, onMark, onDrop }: PassageToolsProps) {
  const bar = useRef<HTMLDivElement>(null);
  const last = boxes.at(-1);
  const shown = last !== undefined;
  useEffect(() => {
    if (shown) bar.current?.scrollIntoView({ block: "nearest" });
  }, [shown]);
  if (!last) return null;
  const tool = "flex h-7 items-center gap-1.5 rounded px-2 text-[13px] whitespace-nowrap hover:bg-white/15";
  const key = "rounded-sm border border-current/50 px-1 text-[12px] leading-4";
  return (
    <div
      ref={bar}
      role="toolbar"
      aria-label="For this passage"
      className="absolute z-20 flex max-w-[94%] scroll-my-4 flex-wrap items-center rounded bg-tip p-1 text-on-tip shadow-lg"
      style={{
        left: `${String(Math.min(last.x * 100, 34))}%`,
        top: `calc(${String((last.y + last.height) * 100)}% + 8px)`,
      }}
      onPointerDown={(event) => {
        // The selection must stand while a tool is pressed.
        event.preventDefault();
      }}
      onPointerUp={(event) => {
        event.stopPropagation();
      }}
    >
      {criteria.map((criterion, index) => (
        <button
          key={criterion.id}
          type="button"
          className={tool}
          data-hint={`Evidence for ${criterion.name}`}
          onClick={() => {
            onEvidence(criterion);
          }}
        >
          <span className={key}>{index + 1}</span>
          <span aria-hidden="true" className="size-2.5 rounded-[3px]" style={{ background: criterion.colour }} />
          {criterion.name}
        </button>
      ))}
      {MARK_TOOLS[held.kind].map(({ mark, words }) => (
        <button
          key={mark}
          type="button"
          className={tool}
          onClick={() => {
            onMark(mark);
          }}
        >
          <span className={key}>{keyCap("work", mark)}</span>
          {words}
        </button>
      ))}
      <button type="button" className={tool} onClick={onDrop}>
        <span className={key}>Esc</span>
        <span className="sr-only">Put it down</span>
      </button>
    </div>
  );
}
