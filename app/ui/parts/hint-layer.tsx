import { lazy, Suspense, useEffect, useState } from "react";
import type { Hint } from "./hint-shown";

// What draws it comes with the first hint: no page waits for it.
const HintShown = lazy(() => import("./hint-shown"));

/** Milliseconds that one looks at something before its hint comes. */
const WAIT = 500;

const hintedOf = (target: EventTarget | null): HTMLElement | null =>
  target instanceof Element ? target.closest<HTMLElement>("[data-hint]") : null;

/**
 * One hint for the whole page, so that a grid of a thousand rows costs nothing; an element says its own in `data-hint`.
 * Shows the hint of what the mouse rests on or the keyboard has come to; any act takes it away.
 */
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
  return (
    hint && (
      <Suspense fallback={null}>
        <HintShown {...hint} />
      </Suspense>
    )
  );
}
