import { memo, useEffect, useMemo, useRef, useState, useSyncExternalStore } from "react";
import { Link, type NavigateFunction } from "react-router";
import { entryText, type Command } from "#core/changes";
import type { AssignmentId, StudentId } from "#core/kernel";
import type { CourseSession } from "#storage";
import { counted } from "#core/words";
import { deskAddress } from "../../../ui/address";
import { troubleOf } from "../../../ui/hooks/use-command";
import type { SendChange } from "../../../course/use-change";
import { AskFigure } from "./entries/ask-figure";
import { BlockDialog } from "./entries/block-dialog";
import { copyText, fillPlan, pastePlan, type BlockPlan } from "./entries/blocks";
import { bulkItems, type Bulk } from "./entries/bulk";
import { CellPane } from "./pane/cell-pane";
import { ColumnPane } from "./pane/column-pane";
import { Controls } from "./controls";
import { Grid, type GridHandle } from "./grid/grid";
import { entryHint } from "./entries/hint";
import { gradeTable } from "./rows";
import { boundsOf, isSingle, placesIn, single, type Selection } from "./grid/selection";
import { standingCommand } from "./grid/standing";
import { TotalPane } from "./pane/total-pane";
import { UnkeptLine } from "./entries/unkept-line";
import { useUnkeptEntries } from "./entries/use-unkept-entries";
import type { Looking } from "./use-view";

type PaneKind =
  | { readonly kind: "cell"; readonly toComment: number }
  | { readonly kind: "total"; readonly studentId: StudentId }
  | { readonly kind: "column"; readonly assignmentId: AssignmentId }
  | null;

interface GradebookProps {
  readonly slot: string;
  readonly session: CourseSession;
  readonly looking: Looking;
  readonly change: SendChange;
  readonly navigate: NavigateFunction;
}

/** The gradebook of a course. It draws anew when the course or the view changes, not when the router has news. */
export const Gradebook = memo(function Gradebook({ slot, session, looking, change, navigate }: GradebookProps) {
  // The screen follows the course itself, not the router's next look at it: a typed score shows at once.
  const state = useSyncExternalStore(session.subscribe, () => session.state);
  const { view, chosen, find, setFind, set, onSort, hidden, setHidden } = looking;
  const table = useMemo(() => gradeTable(state, view), [state, view]);
  const grid = useRef<GridHandle>(null);
  const [selection, setSelection] = useState<Selection>(() =>
    single({
      row: 0,
      column: Math.max(
        0,
        table.columns.findIndex(({ current }) => current),
      ),
    }),
  );
  const entering = useUnkeptEntries(state, change);
  const [pasted, setPasted] = useState("");
  const [plan, setPlan] = useState<BlockPlan | null>(null);
  const [pane, setPane] = useState<PaneKind>(null);
  const [bulk, setBulk] = useState<Bulk | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const tell = (sending: Promise<string | null>) => void sending.then(setTrouble);
  const marked = placesIn(table, single(selection.to))[0]?.[0] ?? null;
  const selected = () => placesIn(table, selection).flat();

  /** Carries a plan out at once where nothing in it needs to be looked at. */
  const look = (next: BlockPlan) => {
    if (
      next.refused.length === 0 &&
      next.asks.length === 0 &&
      next.outside === 0 &&
      next.cells.length > 0 &&
      !next.reachesFurther
    ) {
      tell(enterCells(next, next.cells, false));
    } else setPlan(next);
  };
  const enterCells = async ({ how }: BlockPlan, cells: BlockPlan["cells"], confirmed: boolean) =>
    troubleOf(await change({ type: "enterScores", how, cells: [...cells], confirmed }));
  const fillSelection = (text: string) => {
    look(fillPlan(state, selected(), text));
  };
  const send = async (command: Command) => troubleOf(await change(command));
  const close = () => {
    setPlan(null);
    setBulk(null);
    requestAnimationFrame(() => grid.current?.focus());
  };

  const hasPane = pane !== null;
  useEffect(() => {
    // Once the pane stands, the grid is as narrow as it will be.
    if (hasPane) requestAnimationFrame(() => grid.current?.show());
  }, [hasPane]);
  const backToCell = () => {
    grid.current?.focus();
  };
  const closePane = () => {
    setPane(null);
    backToCell();
  };
  const height = boundsOf(selection).bottom - boundsOf(selection).top + 1;
  return (
    <main className="flex h-[calc(100vh-46px)] flex-col px-[18px] pt-3.5">
      <title>Gradebook · Upright Quill</title>
      <h1 className="sr-only">Gradebook</h1>
      <Controls
        find={find}
        onFind={setFind}
        sections={state.sections}
        terms={state.terms}
        categories={state.categories}
        chosen={chosen}
        onChoose={set}
      >
        <span className="figures text-soft">
          {table.students.length === table.total
            ? counted(table.total, "student")
            : `${String(table.students.length)} of ${String(table.total)}`}
        </span>
        {hidden.size > 0 && (
          <button
            type="button"
            className="link"
            onClick={() => {
              setHidden(new Set());
            }}
          >
            Show {counted(hidden.size, "hidden column")}
          </button>
        )}
        <span className="ms-auto text-[13px] text-soft">
          {isSingle(selection)
            ? "18 l2 late · 18: comment · m missing · x excused · Space: its story"
            : `${counted(height, "row")} selected`}
        </span>
      </Controls>
      {table.weightless.length > 0 && (
        <p className="mt-1 text-[14px] text-ochre">
          Totals leave out {table.weightless.join(", ")}: no weight.{" "}
          <Link className="link" to={`/courses/${slot}/plan`}>
            Give it one under Plan
          </Link>
        </p>
      )}
      {trouble && (
        <p role="alert" className="mt-1 text-[14px] text-wax">
          {trouble}
        </p>
      )}
      <UnkeptLine
        state={state}
        unkept={entering.unkept}
        onGo={(place) => {
          const row = table.students.findIndex(({ studentId }) => studentId === place.studentId);
          const column = table.columns.findIndex(({ assignmentId }) => assignmentId === place.assignmentId);
          if (row >= 0 && column >= 0) grid.current?.go({ row, column });
          return row >= 0 && column >= 0;
        }}
        onHidden={() => {
          setTrouble("Its cell is not shown. Take the filters away, or show the hidden columns.");
        }}
        onLetGo={entering.letGo}
      />
      {Object.keys(state.assignments).length === 0 || table.total === 0 ? (
        <p className="mt-8 text-soft">
          There is nothing to enter yet. Begin with students and an assignment under{" "}
          <Link className="link" to={`/courses/${slot}/plan`}>
            Plan
          </Link>
          .
        </p>
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
                fillSelection("-");
              }}
              onStanding={(letter) => {
                const command = standingCommand(state, selected(), letter);
                if (command) tell(send(command));
                return command !== null;
              }}
              onFillDown={() => {
                const top = placesIn(table, { from: selection.from, to: selection.from })[0]?.[0];
                if (top && !isSingle(selection)) fillSelection(entryText(state, top.assignmentId, top.studentId));
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
              onPaste={(text) => {
                setPasted(text);
                look(pastePlan(state, table, selection, text));
              }}
              onSort={onSort}
              columnItems={(column) =>
                bulkItems(state, table, selection, column, {
                  onPane: (assignmentId) => {
                    setPane({ kind: "column", assignmentId });
                  },
                  onHide: (assignmentId) => {
                    setHidden(new Set([...hidden, assignmentId]));
                  },
                  onPlan: setPlan,
                  onAsk: setBulk,
                  onSort,
                })
              }
            />
          </div>
          {pane?.kind === "cell" && marked && (
            <CellPane
              slot={slot}
              state={state}
              entries={session.entries}
              place={marked}
              send={change}
              toComment={pane.toComment}
              onClose={closePane}
              onBack={backToCell}
            />
          )}
          {pane?.kind === "total" && (
            <TotalPane
              slot={slot}
              state={state}
              entries={session.entries}
              studentId={pane.studentId}
              onClose={closePane}
              onBack={backToCell}
            />
          )}
          {pane?.kind === "column" && (
            <ColumnPane
              slot={slot}
              state={state}
              table={table}
              assignmentId={pane.assignmentId}
              onClose={closePane}
              onBack={backToCell}
            />
          )}
        </div>
      )}
      {plan && (
        <BlockDialog
          plan={plan}
          onByPosition={() => {
            setPlan(pastePlan(state, table, selection, pasted, "position"));
          }}
          onClose={close}
          onEnter={(cells, withAsked) => {
            close();
            tell(enterCells(plan, cells, withAsked));
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
            const words = await send({
              type: "adjustScores",
              assignmentId: bulk.assignmentId,
              studentIds: [...bulk.studentIds],
              text,
              reason,
            });
            if (words === null) close();
            return words;
          }}
        />
      )}
    </main>
  );
});
