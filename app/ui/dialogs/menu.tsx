import { DropdownMenu } from "radix-ui";
import type { ReactNode } from "react";

/** One line of a menu. */
const LINE = "flex cursor-pointer justify-between gap-6 rounded px-3 py-1.5 outline-none data-[highlighted]:bg-table";

/** A list of things to do that a button opens; the page below stays in reach. */
export function Menu({
  label,
  className,
  button,
  side = "end",
  opensAtOnce = false,
  children,
}: {
  /** What its button is called. */
  readonly label: string;
  /** How its button looks, and what stands in it. */
  readonly className: string;
  readonly button: ReactNode;
  /** The edge of the button at which it stands. */
  readonly side?: "start" | "end";
  readonly opensAtOnce?: boolean;
  readonly children: ReactNode;
}) {
  return (
    <DropdownMenu.Root modal={false} defaultOpen={opensAtOnce}>
      <DropdownMenu.Trigger aria-label={label} className={className}>
        {button}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align={side}
          sideOffset={4}
          className="z-50 max-h-[70vh] max-w-96 min-w-56 overflow-auto rounded border border-rule bg-sheet p-1 text-sm shadow-lg"
        >
          {children}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

/** Something a menu does. */
export const MenuLine = ({
  quiet = false,
  onSelect,
  children,
}: {
  readonly quiet?: boolean;
  readonly onSelect: () => void;
  readonly children: ReactNode;
}) => (
  <DropdownMenu.Item className={`${LINE} ${quiet ? "text-soft" : ""}`} onSelect={onSelect}>
    {children}
  </DropdownMenu.Item>
);

/** Something a menu turns on and off; the menu stays, because several are turned in a row. */
export const MenuTick = ({
  checked,
  onChange,
  children,
}: {
  readonly checked: boolean;
  readonly onChange: (checked: boolean) => void;
  readonly children: ReactNode;
}) => (
  <DropdownMenu.CheckboxItem
    checked={checked}
    className={LINE}
    onCheckedChange={onChange}
    onSelect={(event) => {
      event.preventDefault();
    }}
  >
    {children}
    <span aria-hidden="true">{checked ? "✓" : ""}</span>
  </DropdownMenu.CheckboxItem>
);

/** A line between things of different kinds. */
export const MenuRule = () => <DropdownMenu.Separator className="my-1 h-px bg-rule" />;
