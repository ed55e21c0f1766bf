import { Search } from "lucide-react";
import { Dialog } from "radix-ui";
import { useEffect, useMemo, useRef, useState, type KeyboardEvent } from "react";
import { useLocation, useNavigate } from "react-router";
import type { CourseState } from "#core/model";
import { findCommands, type Found } from "./commands";

/** Finds a student, an assignment or an action: Ctrl K, part of its name, Enter. */
export function CommandSearch({ slot, state }: { readonly slot: string; readonly state: CourseState }) {
  const [open, setOpen] = useState(false);
  const [text, setText] = useState("");
  const [marked, setMarked] = useState(0);
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const list = useRef<HTMLUListElement>(null);
  const found = useMemo(
    () => (open ? findCommands(slot, state, text, pathname) : []),
    [open, slot, state, text, pathname],
  );
  useEffect(() => {
    const onKey = (event: globalThis.KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.altKey || event.key.toLowerCase() !== "k") return;
      event.preventDefault();
      setOpen(true);
    };
    window.addEventListener("keydown", onKey);
    return () => {
      window.removeEventListener("keydown", onKey);
    };
  }, []);
  const go = (one: Found | undefined) => {
    if (!one) return;
    setOpen(false);
    setText("");
    void navigate(one.to);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === "Enter") go(found[marked]);
    else if (event.key === "ArrowDown") setMarked(Math.min(found.length - 1, marked + 1));
    else if (event.key === "ArrowUp") setMarked(Math.max(0, marked - 1));
    else return;
    event.preventDefault();
    list.current?.children[marked]?.scrollIntoView({ block: "nearest" });
  };
  return (
    <Dialog.Root
      open={open}
      onOpenChange={(next) => {
        setOpen(next);
        setText("");
        setMarked(0);
      }}
    >
      <Dialog.Trigger
        aria-label="Find a student, an assignment, an action"
        title="Find (Ctrl K)"
        className="grid size-8 place-items-center rounded text-soft hover:bg-table hover:text-ink"
      >
        <Search size={16} aria-hidden="true" />
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-[12vh] left-1/2 z-50 w-[min(560px,94vw)] -translate-x-1/2 rounded border border-rule bg-sheet p-3 shadow-xl"
        >
          <Dialog.Title className="sr-only">Find a student, an assignment, an action</Dialog.Title>
          <input
            role="combobox"
            aria-label="Find a student, an assignment, an action"
            aria-expanded={found.length > 0}
            aria-controls="found"
            aria-activedescendant={found[marked] ? `found-${String(marked)}` : undefined}
            autoComplete="off"
            spellCheck={false}
            className="field !py-2 text-[17px]"
            placeholder="A student, an assignment, an action"
            value={text}
            onChange={(event) => {
              setText(event.target.value);
              setMarked(0);
            }}
            onKeyDown={onKeyDown}
          />
          <ul
            id="found"
            ref={list}
            role="listbox"
            aria-label="Found"
            className="mt-2 max-h-[50vh] overflow-auto text-[15px]"
          >
            {found.map((one, index) => (
              <li
                key={one.to + one.words}
                id={`found-${String(index)}`}
                role="option"
                aria-selected={index === marked}
                className={`flex cursor-pointer justify-between gap-4 rounded px-2.5 py-1 ${index === marked ? "bg-green-wash" : ""}`}
                onPointerMove={() => {
                  setMarked(index);
                }}
                onPointerDown={() => {
                  go(one);
                }}
              >
                <span className="truncate">{one.words}</span>
                <span className="shrink-0 text-[13px] text-soft">{one.kind}</span>
              </li>
            ))}
          </ul>
          {found.length === 0 && <p className="px-2.5 py-1 text-soft">Nothing of that name.</p>}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
