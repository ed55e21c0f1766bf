import type { RefObject } from "react";
import { entryText } from "#core/changes";
import type { CourseState } from "#core/model";
import { deskAddress } from "../../../ui/address";
import type { SendChange } from "../../../course/use-change";
import { bulkItems } from "./entries/bulk";
import { entryHint } from "./entries/hint";
import type { useBlocks } from "./entries/use-blocks";
import type { useUnkeptEntries } from "./entries/use-unkept-entries";
import { Grid, type GridHandle } from "./grid/grid";
import type { Selection } from "./grid/selection";
import type { GradeTable } from "./rows";
import type { Looking } from "./use-view";
import { actsOnSelection } from "./entries/acts-on-selection";
import type { usePanes } from "./pane/use-panes";

/** The grid, with what its keys, menus and cells do to the course. */
export function GridOfScores({
  slot,
  state,
  table,
  grid,
  selection,
  entering,
  blocks,
  panes,
  ...props
}: GridOfScoresProps) {
  const { looking, change, goTo, onTrouble, setSelection } = props;
  const { view, onSort, hidden, setHidden } = looking;
  return (
    <Grid
      handle={grid}
      table={table}
      sort={view.sort}
      selection={selection}
      unkept={entering.unkept}
      hint={(place, text) => entryHint(state, place.assignmentId, place.studentId, text)}
      entryAt={(place) => entryText(state, place.assignmentId, place.studentId)}
      onSelect={setSelection}
      onType={entering.type}
      onEnter={entering.enter}
      onUnkept={entering.leave}
      onLetGo={entering.letGo}
      {...actsOnSelection({ state, table, selection, change, blocks, onTrouble })}
      {...panes.acts}
      onOpen={(place) => {
        goTo(deskAddress(slot, place.assignmentId, place.studentId));
      }}
      onSort={onSort}
      columnItems={(column) =>
        bulkItems(state, table, selection, column, {
          onPane: panes.showColumn,
          onHide: (assignmentId) => {
            setHidden(new Set([...hidden, assignmentId]));
          },
          onPlan: blocks.show,
          onAsk: blocks.ask,
          onSort,
        })
      }
    />
  );
}

interface GridOfScoresProps {
  readonly slot: string;
  readonly looking: Looking;
  readonly change: SendChange;
  readonly goTo: (to: string) => void;
  readonly state: CourseState;
  readonly table: GradeTable;
  readonly grid: RefObject<GridHandle | null>;
  readonly selection: Selection;
  readonly setSelection: (selection: Selection) => void;
  readonly entering: ReturnType<typeof useUnkeptEntries>;
  readonly blocks: ReturnType<typeof useBlocks>;
  readonly panes: ReturnType<typeof usePanes>;
  readonly onTrouble: (words: string | null) => void;
}
