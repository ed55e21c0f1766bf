import { memo, useEffect, useMemo, useRef, useState } from "react";
import type { NavigateFunction } from "react-router";
import { entryText } from "#core/changes";
import type { CourseState } from "#core/model";
import type { CourseSession } from "#storage";
import { useLive, type Live } from "../../../course/live";
import { deskAddress } from "../../../ui/address";
import { troubleOf } from "../../../ui/hooks/use-command";
import type { SendChange } from "../../../course/use-change";
import { copyText } from "./entries/blocks";
import { bulkItems } from "./entries/bulk";
import { entryHint } from "./entries/hint";
import { UnkeptLine } from "./entries/unkept-line";
import { useBlocks } from "./entries/use-blocks";
import { useUnkeptEntries } from "./entries/use-unkept-entries";
import { GradebookHead, NothingToEnter } from "./gradebook-head";
import { Grid, type GridHandle } from "./grid/grid";
import { isSingle, placesIn, single, type CellPlace, type Selection } from "./grid/selection";
import { standingCommand } from "./grid/standing";
import { Panes, type PaneKind } from "./pane/panes";
import { gradeTable, type GradeTable } from "./rows";
import type { Looking } from "./use-view";

interface GradebookProps {
  readonly slot: string;
  readonly session: CourseSession;
  readonly shown: Live<CourseState>;
  readonly looking: Looking;
  readonly change: SendChange;
  readonly navigate: NavigateFunction;
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

/** The gradebook of a course. It draws anew when the course or the view changes, not when the router has news. */
export const Gradebook = memo(function Gradebook({ slot, session, shown, looking, change, navigate }: GradebookProps) {
  const state = useLive(shown);
  const { view, onSort, hidden, setHidden } = looking;
  const table = useMemo(() => gradeTable(state, view), [state, view]);
  const grid = useRef<GridHandle>(null);
  const [selection, setSelection] = useState<Selection>(() => startOf(table));
  const [pane, setPane] = useState<PaneKind>(null);
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
  const selected = () => placesIn(table, selection).flat();
  const goTo = (place: CellPlace): boolean => {
    const row = table.students.findIndex(({ studentId }) => studentId === place.studentId);
    const column = table.columns.findIndex(({ assignmentId }) => assignmentId === place.assignmentId);
    if (row >= 0 && column >= 0) grid.current?.go({ row, column });
    return row >= 0 && column >= 0;
  };

  const hasPane = pane !== null;
  useEffect(() => {
    // Once the pane stands, the grid is as narrow as it will be.
    if (hasPane) requestAnimationFrame(() => grid.current?.show());
  }, [hasPane]);
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
        onGo={goTo}
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
              onClear={() => {
                blocks.fill(selected(), "-");
              }}
              onStanding={(letter) => {
                const command = standingCommand(state, selected(), letter);
                if (command)
                  void change(command).then((outcome) => {
                    setTrouble(troubleOf(outcome));
                  });
                return command !== null;
              }}
              onFillDown={() => {
                const top = placesIn(table, { from: selection.from, to: selection.from })[0]?.[0];
                if (top && !isSingle(selection))
                  blocks.fill(selected(), entryText(state, top.assignmentId, top.studentId));
              }}
              onDetail={() => {
                setPane(pane?.kind === "cell" ? null : { kind: "cell", toComment: 0 });
              }}
              onComment={() => {
                setPane({ kind: "cell", toComment: (pane?.kind === "cell" ? pane.toComment : 0) + 1 });
              }}
              onTotal={(row) => {
                const studentId = table.students[row]?.studentId;
                const isShown = pane?.kind === "total" && pane.studentId === studentId;
                setPane(studentId && !isShown ? { kind: "total", studentId } : null);
              }}
              onOpen={(place) => void navigate(deskAddress(slot, place.assignmentId, place.studentId))}
              onCopy={() => copyText(state, table, selection)}
              onPaste={blocks.paste}
              onSort={onSort}
              columnItems={(column) =>
                bulkItems(state, table, selection, column, {
                  onPane: (assignmentId) => {
                    setPane({ kind: "column", assignmentId });
                  },
                  onHide: (assignmentId) => {
                    setHidden(new Set([...hidden, assignmentId]));
                  },
                  onPlan: blocks.show,
                  onAsk: blocks.ask,
                  onSort,
                })
              }
            />
          </div>
          <Panes
            pane={pane}
            slot={slot}
            state={state}
            entries={session.entries}
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
