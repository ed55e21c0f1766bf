import { useEffect, useMemo, useRef } from "react";
import { useLocation } from "react-router";
import type { CourseState } from "#core/model";
import { Finder } from "../../ui/dialogs/finder";
import { useGoTo } from "../../ui/ways/use-go-to";
import { useLatest } from "../../ui/hooks/use-latest";
import { findCommands, type Found } from "./commands";

interface CommandDialogProps {
  readonly slot: string;
  readonly state: CourseState;
  readonly text: string;
  /** Enter was pressed before the search had come. */
  readonly entered: boolean;
  readonly onText: (text: string) => void;
  readonly onClose: () => void;
}

/** Students, assignments and actions as the course's own search finds them. Loaded when it is first asked for. */
export default function CommandDialog({ slot, state, text, entered, onText, onClose }: CommandDialogProps) {
  const goTo = useGoTo();
  const { pathname } = useLocation();
  const found = useMemo(() => findCommands(slot, state, text, pathname), [slot, state, text, pathname]);
  const go = useLatest((one: Found | undefined) => {
    if (!one) return;
    onClose();
    goTo(one.to);
  });
  const first = useRef(entered ? found[0] : undefined);
  useEffect(() => {
    go(first.current);
  }, [go]);
  return (
    <Finder
      label="Find a student, an assignment, an action"
      placeholder="A student, an assignment, an action"
      nothing="Nothing of that name."
      text={text}
      found={found}
      onText={onText}
      onChoose={go}
      onClose={onClose}
    />
  );
}
