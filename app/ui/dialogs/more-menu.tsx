import { Ellipsis } from "lucide-react";
import { DropdownMenu } from "radix-ui";

/** One thing a menu does. */
export interface MenuItem {
  readonly words: string;
  readonly keys?: string;
  readonly onSelect: () => void;
}

/** Things a menu does; null draws a line. */
export type MenuItems = readonly (MenuItem | null)[];

/** What else can be done with a row, behind three dots; a function is asked only when the menu opens. */
export function MoreMenu({ label, items }: { readonly label: string; readonly items: MenuItems | (() => MenuItems) }) {
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger
        aria-label={label}
        className="grid size-8 shrink-0 place-items-center rounded text-soft hover:bg-table hover:text-ink"
      >
        <Ellipsis size={17} aria-hidden="true" />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={4}
          className="z-50 max-h-[70vh] min-w-56 overflow-auto rounded border border-rule bg-sheet p-1 text-sm shadow-lg"
        >
          <Items items={items} />
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

function Items({ items }: { readonly items: MenuItems | (() => MenuItems) }) {
  return (typeof items === "function" ? items() : items).map((item, index) =>
    item ? (
      <DropdownMenu.Item
        key={item.words}
        className="flex cursor-pointer justify-between gap-6 rounded px-3 py-1.5 outline-none data-[highlighted]:bg-table"
        onSelect={item.onSelect}
      >
        {item.words}
        {item.keys && <span className="text-soft">{item.keys}</span>}
      </DropdownMenu.Item>
    ) : (
      <DropdownMenu.Separator key={`line-${String(index)}`} className="my-1 h-px bg-rule" />
    ),
  );
}
