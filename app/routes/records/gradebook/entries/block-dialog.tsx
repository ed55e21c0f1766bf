import { useState } from "react";
import { counted } from "#core/words";
import { DialogFrame, LeaveAsItIs } from "../../../../ui/dialogs/dialog-frame";
import { cellsToEnter, type BlockPlan, type BlockTrouble } from "./blocks";
import { Tick } from "../../../../ui/fields/tick";

/** Refused cells listed. */
const SHOWN = 12;

interface BlockDialogProps {
  readonly plan: BlockPlan;
  /** Takes a pasted block by its position instead. */
  readonly onByPosition: () => void;
  readonly onEnter: (cells: BlockPlan["cells"], withAsked: boolean) => void;
  readonly onClose: () => void;
}

/** What a block of entries would do, before any of it is entered; refused cells are left out and named. */
export function BlockDialog({ plan, onByPosition, onEnter, onClose }: BlockDialogProps) {
  const [withAsked, setWithAsked] = useState(false);
  const cells = cellsToEnter(plan, withAsked);
  const changing = plan.changes + (withAsked ? plan.asks.length : 0);
  const detail = [
    counted(plan.changes, "cell changes", "cells change"),
    plan.same > 0 && `${String(plan.same)} stay as they are`,
    plan.asks.length > 0 && `${String(plan.asks.length)} are unusual`,
    plan.refused.length > 0 && `${String(plan.refused.length)} are refused`,
    plan.outside > 0 && `${String(plan.outside)} fall outside the table`,
  ]
    .filter(Boolean)
    .join(", ");
  return (
    <DialogFrame
      width="wide"
      title={`${plan.title} ${counted(plan.cells.length, "cell")}`}
      detail={`${detail}.`}
      onClose={onClose}
    >
      {plan.by !== "position" && (
        <p className="mt-2 text-[14px]">
          Students are found by their {plan.by}.{" "}
          <button type="button" className="link" onClick={onByPosition}>
            Take it by position instead
          </button>
        </p>
      )}
      <Lines title="Rows that reach nobody" lines={plan.nobody} />
      <Lines title="Columns left out: no assignment of that name" lines={plan.leftOut} />
      {plan.reachesFurther && <Lines title="What goes where" lines={plan.reach} />}
      <Troubles title="Refused, and left out" troubles={plan.refused} />
      <Troubles title="Unusual" troubles={plan.asks} />
      {plan.asks.length > 0 && (
        <Tick className="mt-2 text-[14.5px]" checked={withAsked} onChange={setWithAsked}>
          Enter the unusual ones too
        </Tick>
      )}
      <div className="mt-5 flex justify-end gap-3">
        <LeaveAsItIs />
        <button
          type="button"
          className="act act-first"
          autoFocus
          disabled={changing === 0}
          onClick={() => {
            onEnter(cells, withAsked);
          }}
        >
          Enter {counted(changing, "score")}
        </button>
      </div>
    </DialogFrame>
  );
}

function Lines({ title, lines }: { readonly title: string; readonly lines: readonly string[] }) {
  if (lines.length === 0) return null;
  return (
    <section aria-label={title} className="mt-4">
      <h3 className="text-sm font-semibold">{title}</h3>
      <ul className="figures mt-1 text-[13.5px]">
        {lines.slice(0, SHOWN).map((line, place) => (
          <li key={place} className="border-b border-rule py-0.5">
            {line}
          </li>
        ))}
      </ul>
      {lines.length > SHOWN && <p className="text-[13px] text-soft">and {counted(lines.length - SHOWN, "more")}</p>}
    </section>
  );
}

function Troubles({ title, troubles }: { readonly title: string; readonly troubles: readonly BlockTrouble[] }) {
  if (troubles.length === 0) return null;
  return (
    <section aria-label={title} className="mt-4">
      <h3 className="text-sm font-semibold">{title}</h3>
      <ul className="mt-1 text-[13.5px]">
        {troubles.slice(0, SHOWN).map(({ cell, who, work, words }) => (
          <li key={`${cell.assignmentId} ${cell.studentId}`} className="border-b border-rule py-1">
            {who}, {work}: <span className="text-soft">{words}</span>
          </li>
        ))}
      </ul>
      {troubles.length > SHOWN && (
        <p className="text-[13px] text-soft">and {counted(troubles.length - SHOWN, "more")}</p>
      )}
    </section>
  );
}
