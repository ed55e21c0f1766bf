import { useState, type ReactNode } from "react";
import type { CourseState } from "#core/model";
import type { SendChange } from "../../../../course/use-change";
import { useNews } from "../../../../course/use-news";
import { troubleOf } from "../../../../ui/hooks/use-command";
import type { CellPlace, Selection } from "../grid/selection";
import type { GradeTable } from "../rows";
import { AskFigure } from "./ask-figure";
import { BlockDialog } from "./block-dialog";
import { fillPlan, pastePlan, type BlockPlan } from "./blocks";
import type { Bulk } from "./bulk";

interface BlocksProps {
  readonly state: CourseState;
  readonly table: GradeTable;
  readonly selection: Selection;
  readonly change: SendChange;
  readonly onTrouble: (words: string | null) => void;
  /** The dialog has gone; the grid is what one comes back to. */
  readonly onClosed: () => void;
}

/** Entries into many cells at once: filled, pasted, adjusted. What needs a look is shown before it goes in. */
export interface Blocks {
  readonly fill: (places: readonly CellPlace[], text: string) => void;
  readonly paste: (text: string) => void;
  readonly show: (plan: BlockPlan) => void;
  readonly ask: (bulk: Bulk) => void;
  readonly dialogs: ReactNode;
}

/** Nothing in a plan needs to be looked at before it goes in. */
const isPlain = ({ refused, asks, outside, cells, reachesFurther }: BlockPlan): boolean =>
  refused.length === 0 && asks.length === 0 && outside === 0 && cells.length > 0 && !reachesFurther;

export function useBlocks({ state, table, selection, change, onTrouble, onClosed }: BlocksProps): Blocks {
  const [pasted, setPasted] = useState("");
  const [plan, setPlan] = useState<BlockPlan | null>(null);
  const [bulk, setBulk] = useState<Bulk | null>(null);
  const news = useNews();
  const enter = ({ how }: BlockPlan, cells: BlockPlan["cells"], confirmed: boolean) => {
    void change({ type: "enterScores", how, cells: [...cells], confirmed }).then((outcome) => {
      onTrouble(troubleOf(outcome));
      if (cells.length > 1) news(outcome);
    });
  };
  const look = (next: BlockPlan) => {
    if (isPlain(next)) enter(next, next.cells, false);
    else setPlan(next);
  };
  const close = () => {
    setPlan(null);
    setBulk(null);
    onClosed();
  };
  return {
    fill: (places, text) => {
      look(fillPlan(state, [...places], text));
    },
    paste: (text) => {
      setPasted(text);
      look(pastePlan(state, table, selection, text));
    },
    show: setPlan,
    ask: setBulk,
    dialogs: (
      <>
        {plan && (
          <BlockDialog
            plan={plan}
            onByPosition={() => {
              setPlan(pastePlan(state, table, selection, pasted, "position"));
            }}
            onClose={close}
            onEnter={(cells, withAsked) => {
              close();
              enter(plan, cells, withAsked);
            }}
          />
        )}
        {bulk && (
          <AskFigure
            {...bulk}
            onClose={close}
            onAct={async (text, reason) => {
              if (bulk.kind === "blanks") {
                close();
                setPlan(fillPlan(state, bulk.places, text));
                return null;
              }
              const { assignmentId } = bulk;
              const studentIds = [...bulk.studentIds];
              const words = troubleOf(await change({ type: "adjustScores", assignmentId, studentIds, text, reason }));
              if (words === null) close();
              return words;
            }}
          />
        )}
      </>
    ),
  };
}
