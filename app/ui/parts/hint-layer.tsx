// Hints are Radix's tooltip, wrapped here and nowhere else: one for the whole page, so that a grid of a thousand rows costs
// nothing. An element says its hint in `data-hint`.
import { Tooltip } from "radix-ui";
import { useEffect, useState } from "react";

interface Hint {
  readonly words: string;
  readonly box: DOMRect;
}

/** Milliseconds that one looks at something before its hint comes. */
const WAIT = 500;

const hintedOf = (target: EventTarget | null): HTMLElement | null =>
  target instanceof Element ? target.closest<HTMLElement>("[data-hint]") : null;

/** Shows the hint of what the mouse rests on or the keyboard has come to; any act takes it away. */
export function HintLayer() {
  const [hint, setHint] = useState<Hint | null>(null);
  useEffect(() => {
    let timer = 0;
    let of: HTMLElement | null = null;
    const hide = () => {
      window.clearTimeout(timer);
      of = null;
      setHint(null);
    };
    const come = (element: HTMLElement | null) => {
      if (element === of) return;
      hide();
      of = element;
      if (!element) return;
      timer = window.setTimeout(() => {
        const words = element.dataset.hint ?? "";
        if (words !== "" && element.isConnected) setHint({ words, box: element.getBoundingClientRect() });
      }, WAIT);
    };
    const over = (event: PointerEvent) => {
      // A finger has no rest: it acts.
      if (event.pointerType !== "touch") come(hintedOf(event.target));
    };
    const focus = (event: FocusEvent) => {
      const element = hintedOf(event.target);
      if (element?.matches(":focus-visible")) come(element);
    };
    const ends = ["pointerdown", "keydown", "focusout", "scroll", "blur"] as const;
    document.addEventListener("pointerover", over);
    document.addEventListener("focusin", focus);
    for (const end of ends) window.addEventListener(end, hide, true);
    return () => {
      window.clearTimeout(timer);
      document.removeEventListener("pointerover", over);
      document.removeEventListener("focusin", focus);
      for (const end of ends) window.removeEventListener(end, hide, true);
    };
  }, []);
  if (!hint) return null;
  const { left, top, width, height } = hint.box;
  return (
    <Tooltip.Provider>
      <Tooltip.Root open>
        <Tooltip.Trigger asChild>
          <span aria-hidden="true" className="pointer-events-none fixed" style={{ left, top, width, height }} />
        </Tooltip.Trigger>
        <Tooltip.Portal>
          <Tooltip.Content
            sideOffset={6}
            collisionPadding={8}
            className="pointer-events-none z-50 max-w-72 rounded bg-tip px-2 py-1 text-[13px] leading-snug text-on-tip"
          >
            {hint.words}
          </Tooltip.Content>
        </Tooltip.Portal>
      </Tooltip.Root>
    </Tooltip.Provider>
  );
}
