import { memo, useMemo, useRef, useState } from "react";
import type { CourseState } from "#core/model";
import type { CourseSession } from "#storage";
import { useLive, type Live } from "../../../course/live";
import type { SendChange } from "../../../course/use-change";
import { UnkeptLine } from "./entries/unkept-line";
import { useBlocks } from "./entries/use-blocks";
import { useUnkeptEntries } from "./entries/use-unkept-entries";
import { GradebookHead, NothingToEnter } from "./gradebook-head";
import type { GridHandle } from "./grid/grid";
import { placesIn, single, type CellPlace, type Selection } from "./grid/selection";
import { Panes } from "./pane/panes";
import { gradeTable, type GradeTable } from "./rows";
import type { Looking } from "./use-view";
import { usePanes } from "./pane/use-panes";
import { GridOfScores } from "./grid-of-scores";

interface GradebookProps {
  readonly slot: string;
  readonly session: CourseSession;
  readonly shown: Live<CourseState>;
  readonly looking: Looking;
  readonly change: SendChange;
  readonly goTo: (to: string) => void;
}

/** The first cell of the first column in which something waits. */
const startOf = ({ columns }: GradeTable): Selection =>
  single({
    row: 0,
    column: Math.max(
      0,
      columns.findIndex(({ current }) => current),
    ),
  });

/** Marks a cell and brings it into view; answers whether it is among those that are shown. */
function goToCell(table: GradeTable, grid: GridHandle | null, place: CellPlace): boolean {
  const row = table.students.findIndex(({ studentId }) => studentId === place.studentId);
  const column = table.columns.findIndex(({ assignmentId }) => assignmentId === place.assignmentId);
  if (row >= 0 && column >= 0) grid?.go({ row, column });
  return row >= 0 && column >= 0;
}

/** The gradebook of a course. It draws anew when the course or the view changes, not when the router has news. */
export const Gradebook = memo(function Gradebook({ slot, session, shown, looking, change, goTo }: GradebookProps) {
  const state = useLive(shown);
  const { view } = looking;
  const table = useMemo(() => gradeTable(state, view), [state, view]);
  const grid = useRef<GridHandle>(null);
  const [selection, setSelection] = useState<Selection>(() => startOf(table));
  const panes = usePanes(table, grid);
  const { pane, setPane } = panes;
  const [trouble, setTrouble] = useState<string | null>(null);
  const entering = useUnkeptEntries(state, change);
  const toGrid = () => grid.current?.focus();
  const blocks = useBlocks({
    state,
    table,
    selection,
    change,
    onTrouble: setTrouble,
    onClosed: () => requestAnimationFrame(toGrid),
  });
  const marked = placesIn(table, single(selection.to))[0]?.[0] ?? null;

  return (
    <main className="flex h-[calc(100vh-46px)] flex-col px-[18px] pt-3.5">
      <title>Gradebook · Upright Quill</title>
      <h1 className="sr-only">Gradebook</h1>
      <GradebookHead slot={slot} state={state} table={table} looking={looking} selection={selection} />
      {trouble && (
        <p role="alert" className="mt-1 text-[14px] text-wax">
          {trouble}
        </p>
      )}
      <UnkeptLine
        state={state}
        unkept={entering.unkept}
        onGo={(place) => goToCell(table, grid.current, place)}
        onHidden={() => {
          setTrouble("Its cell is not shown. Take the filters away, or show the hidden columns.");
        }}
        onLetGo={entering.letGo}
      />
      {Object.keys(state.assignments).length === 0 || table.total === 0 ? (
        <NothingToEnter slot={slot} />
      ) : (
        <div className="flex min-h-0 flex-1">
          <div className="flex min-w-0 flex-1 flex-col">
            <GridOfScores
              {...{ slot, state, table, grid, selection, setSelection }}
              {...{ entering, blocks, panes, looking, change, goTo }}
              onTrouble={setTrouble}
            />
          </div>
          <Panes
            pane={pane}
            slot={slot}
            state={state}
            journal={() => session.entries}
            table={table}
            marked={marked}
            send={change}
            onClose={() => {
              setPane(null);
              toGrid();
            }}
            onBack={toGrid}
          />
        </div>
      )}
      {blocks.dialogs}
    </main>
  );
});
