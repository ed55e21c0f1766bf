import { lazy, Suspense, useLayoutEffect, useState } from "react";
import type { CourseState } from "#core/model";
import { useLatest } from "../../ui/hooks/use-latest";

const CommandDialog = lazy(() => import("./command-dialog"));

interface SearchProps {
  readonly slot: string;
  readonly state: CourseState;
  readonly onClose: () => void;
}

/** Finds a student, an assignment or an action: Ctrl K, part of its name, Enter. It is at hand before anybody asks for it. */
export function CommandSearch({ slot, state, onClose }: SearchProps) {
  const [text, setText] = useState("");
  const [entered, setEntered] = useState(false);
  return (
    <Suspense fallback={<Waiting onText={setText} onEnter={setEntered} onClose={onClose} />}>
      <CommandDialog slot={slot} state={state} text={text} entered={entered} onText={setText} onClose={onClose} />
    </Suspense>
  );
}

interface WaitingProps {
  readonly onText: (add: (before: string) => string) => void;
  readonly onEnter: (entered: boolean) => void;
  readonly onClose: () => void;
}

/** Until the search has come, what is typed is meant for it and for nothing else on the page. */
function Waiting({ onText, onEnter, onClose }: WaitingProps) {
  const onKey = useLatest((event: KeyboardEvent) => {
    event.preventDefault();
    event.stopPropagation();
    if (event.key === "Escape") onClose();
    else if (event.key === "Enter") onEnter(true);
    else if (event.key === "Backspace") onText((before) => before.slice(0, -1));
    else if (event.key.length === 1 && !event.ctrlKey && !event.metaKey) onText((before) => before + event.key);
  });
  useLayoutEffect(() => {
    window.addEventListener("keydown", onKey, { capture: true });
    return () => {
      window.removeEventListener("keydown", onKey, { capture: true });
    };
  }, [onKey]);
  return null;
}
