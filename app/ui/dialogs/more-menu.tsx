import { Ellipsis } from "lucide-react";
import { Menu, MenuLine, MenuRule } from "./menu";

/** One thing a menu does. */
export interface MenuItem {
  readonly words: string;
  readonly keys?: string;
  readonly onSelect: () => void;
}

/** Things a menu does; null draws a line. */
export type MenuItems = readonly (MenuItem | null)[];

/** A place up and a place down, for what stands in a list. */
export const moveItems = (
  onMove: (by: -1 | 1) => void,
  keys?: { readonly up: string; readonly down: string },
): MenuItem[] => [
  {
    words: "Move up",
    ...(keys && { keys: keys.up }),
    onSelect: () => {
      onMove(-1);
    },
  },
  {
    words: "Move down",
    ...(keys && { keys: keys.down }),
    onSelect: () => {
      onMove(1);
    },
  },
];

/** What else can be done with a row, behind three dots; a function is asked only when the menu opens. */
export function MoreMenu({ label, items }: { readonly label: string; readonly items: MenuItems | (() => MenuItems) }) {
  return (
    <Menu
      label={label}
      className="grid size-8 shrink-0 place-items-center rounded text-soft hover:bg-table hover:text-ink"
      button={<Ellipsis size={17} aria-hidden="true" />}
    >
      <Items items={items} />
    </Menu>
  );
}

function Items({ items }: { readonly items: MenuItems | (() => MenuItems) }) {
  return (typeof items === "function" ? items() : items).map((item, index) =>
    item ? (
      <MenuLine key={item.words} onSelect={item.onSelect}>
        {item.words}
        {item.keys && <span className="text-soft">{item.keys}</span>}
      </MenuLine>
    ) : (
      <MenuRule key={`line-${String(index)}`} />
    ),
  );
}
