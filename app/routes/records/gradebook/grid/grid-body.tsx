import type { EntryHint } from "../entries/hint";
import type { UnkeptEntries } from "../entries/unkept";
import type { GradeTable } from "../rows";
import { CellEditor, type Leave } from "./cell-editor";
import { GridRow } from "./grid-row";
import { boundsOf, isSingle, type CellPlace, type Place, type Selection } from "./selection";
import type { CellEntry, Editing } from "./use-cell-entry";
import type { GridWindow } from "./use-grid-window";

interface BodyProps {
  readonly table: GradeTable;
  readonly view: GridWindow;
  readonly selection: Selection;
  /** The marked place, and its records. */
  readonly here: Place;
  readonly marked: CellPlace | null;
  readonly entry: CellEntry;
  readonly unkept: UnkeptEntries;
  readonly hint: (place: CellPlace, text: string) => EntryHint;
  readonly onType: (place: CellPlace, text: string, seen: string) => void;
  readonly onUnkept: (place: CellPlace, text: string, words: string | null) => void;
  readonly onEnter: (place: CellPlace, text: string, seen: string, confirmed: boolean) => void;
  readonly onLetGo: (places: readonly CellPlace[]) => void;
  readonly onLeave: (how: Leave) => void;
}

/** The rows in view, with the field of the cell that is being typed in. */
export function GridBody(props: BodyProps) {
  const { table, view, selection, here, marked, entry } = props;
  const { students, terms } = table;
  const bounds = boundsOf(selection);
  return (
    <div role="rowgroup" className="relative" style={{ height: view.height }}>
      {view.rows.map(({ index, start }) => {
        const student = students[index];
        if (!student) return null;
        const isHere = index === here.row;
        const inRows = !isSingle(selection) && index >= bounds.top && index <= bounds.bottom;
        const own = isHere ? marked : null;
        return (
          <GridRow
            key={student.studentId}
            student={student}
            index={index}
            top={start}
            total={table.totalOf(index)}
            terms={terms.length}
            firstColumn={view.firstColumn}
            cells={table.cells(index, view.firstColumn, view.lastColumn)}
            columns={view.columns}
            marked={isHere ? here.column : -1}
            selectedFrom={inRows ? bounds.left : -1}
            selectedTo={inRows ? bounds.right : -2}
            current={here.column}
            unkept={props.unkept.get(student.studentId)}
            why={own && entry.editing === null ? entry.whyOf(own) : ""}
            editor={
              own && entry.editing && entry.isAt(own) ? (
                <EditedCell
                  {...props}
                  own={own}
                  editing={entry.editing}
                  label={`${table.columns[here.column]?.name ?? ""}, ${student.name}`}
                />
              ) : null
            }
          />
        );
      })}
    </div>
  );
}

interface EditedProps extends BodyProps {
  readonly own: CellPlace;
  readonly editing: Editing;
  readonly label: string;
}

/** The field in the cell that is being typed in. */
function EditedCell({ entry, own, editing, label, ...on }: EditedProps) {
  return (
    <CellEditor
      key={`${own.assignmentId}/${own.studentId} ${editing.start}`}
      handle={entry.editor}
      label={label}
      start={editing.start}
      seen={editing.seen}
      hint={(text) => on.hint(own, text)}
      onType={(text) => {
        on.onType(own, text, editing.seen);
      }}
      onUnkept={(text, words) => {
        entry.setEditing(null);
        on.onUnkept(own, text, words);
      }}
      onKeep={(text, confirmed, how) => {
        if (text === editing.seen) on.onLetGo([own]);
        else on.onEnter(own, text, editing.seen, confirmed);
        if (how === "stay") entry.setEditing(null);
        else on.onLeave(how);
      }}
      onCancel={() => {
        on.onLetGo([own]);
        on.onLeave("stay");
      }}
      onAway={(text) => {
        entry.setEditing({ ...editing, start: text });
      }}
    />
  );
}
