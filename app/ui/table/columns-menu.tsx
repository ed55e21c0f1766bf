import { Columns3 } from "lucide-react";
import { Menu, MenuTick } from "../dialogs/menu";
import type { RecordColumn } from "./column";
import type { RecordRows } from "./use-record-rows";

/** Which columns of a table are shown. The first always is: it says what a row is about. */
export function ColumnsMenu<R extends object>({
  label,
  table,
  columns,
}: {
  readonly label: string;
  readonly table: RecordRows<R>;
  readonly columns: ReadonlyMap<string, RecordColumn<R>>;
}) {
  return (
    <Menu
      label={`Columns of ${label}`}
      className="grid size-7 place-items-center rounded text-soft hover:bg-table hover:text-ink"
      button={<Columns3 size={16} aria-hidden="true" />}
    >
      {table
        .getAllLeafColumns()
        .slice(1)
        .map((column) => (
          <MenuTick
            key={column.id}
            checked={column.getIsVisible()}
            onChange={(shown) => {
              column.toggleVisibility(shown);
            }}
          >
            {columns.get(column.id)?.head}
          </MenuTick>
        ))}
    </Menu>
  );
}
