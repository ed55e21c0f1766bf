import { Keyboard, Lock, Redo2, Search, Undo2 } from "lucide-react";
import { lazy, Suspense, useEffect, useState, type ReactNode } from "react";
import type { CourseState } from "#core/model";
import { useHistoryStep } from "../../course/use-news";
import { useKeys } from "../../ui/keys/use-keys";
import { CommandSearch } from "./command-search";
import { LightSwitch, type Light } from "./light-switch";

const KeyDialog = lazy(() => import("./key-dialog"));
const loadSearch = () => import("./command-dialog");

interface ToolsProps {
  readonly slot: string;
  readonly state: CourseState;
  /** What undo and redo would do, in words; null where there is nothing. */
  readonly undo: string | null;
  readonly redo: string | null;
  readonly light: Light | null;
  readonly onLight: (light: Light) => void;
  readonly onLock: (() => void) | null;
}

/** What can be had everywhere in a course, with its keys: the search, undo and redo, the light, the sheet of keys. */
export function BarTools({ slot, state, undo, redo, light, onLight, onLock }: ToolsProps) {
  const go = useHistoryStep();
  const [open, setOpen] = useState<"search" | "keys" | null>(null);
  const close = () => {
    setOpen(null);
  };
  useKeys(
    "everywhere",
    {
      find: () => {
        setOpen("search");
      },
      sheet: () => {
        setOpen("keys");
      },
      undo: () => {
        go("undo");
      },
      redo: () => {
        go("redo");
      },
      lock: () => {
        onLock?.();
      },
    },
    { whileTyping: ["find", "lock"] },
  );
  useEffect(() => {
    const idle = requestIdleCallback(() => void loadSearch());
    return () => {
      cancelIdleCallback(idle);
    };
  }, []);
  return (
    <div className="flex items-center gap-1">
      <Tool
        name="Find a student, an assignment, an action"
        hint="Find (Ctrl K)"
        opens
        onPress={() => {
          setOpen("search");
        }}
      >
        <Search size={16} aria-hidden="true" />
      </Tool>
      <UndoRedo {...{ undo, redo, go }} />
      <LightSwitch chosen={light} onChoose={onLight} />
      <Tool
        name="Keys"
        hint="Keys (?)"
        opens
        onPress={() => {
          setOpen("keys");
        }}
      >
        <Keyboard size={16} aria-hidden="true" />
      </Tool>
      {onLock && (
        <Tool name="Lock the course" hint="Lock the course (Ctrl Shift L)" onPress={onLock}>
          <Lock size={16} aria-hidden="true" />
        </Tool>
      )}
      {open === "search" && <CommandSearch slot={slot} state={state} onClose={close} />}
      {open === "keys" && (
        <Suspense fallback={null}>
          <KeyDialog onClose={close} />
        </Suspense>
      )}
    </div>
  );
}

interface ToolProps {
  readonly name: string;
  readonly hint: string;
  readonly disabled?: boolean;
  /** It opens a window over the page. */
  readonly opens?: boolean;
  readonly onPress: () => void;
  readonly children: ReactNode;
}

function Tool({ name, hint, disabled = false, opens = false, onPress, children }: ToolProps) {
  return (
    <button
      type="button"
      aria-label={name}
      aria-haspopup={opens ? "dialog" : undefined}
      data-hint={hint}
      disabled={disabled}
      className="grid size-8 place-items-center rounded text-soft enabled:hover:bg-table enabled:hover:text-ink disabled:opacity-40 max-[1120px]:size-7"
      onClick={onPress}
    >
      {children}
    </button>
  );
}

interface UndoRedoProps extends Pick<ToolsProps, "undo" | "redo"> {
  readonly go: ReturnType<typeof useHistoryStep>;
}

function UndoRedo({ undo, redo, go }: UndoRedoProps) {
  return (
    <>
      <Tool
        name={undo ? `Undo: ${undo}` : "Nothing to undo"}
        hint={undo ? `Undo: ${undo} (Ctrl Z)` : "Nothing to undo"}
        disabled={!undo}
        onPress={() => {
          go("undo");
        }}
      >
        <Undo2 size={16} aria-hidden="true" />
      </Tool>
      <Tool
        name={redo ? `Redo: ${redo}` : "Nothing to redo"}
        hint={redo ? `Redo: ${redo} (Ctrl Y)` : "Nothing to redo"}
        disabled={!redo}
        onPress={() => {
          go("redo");
        }}
      >
        <Redo2 size={16} aria-hidden="true" />
      </Tool>
    </>
  );
}
