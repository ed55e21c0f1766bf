import { useCallback, useState, type RefObject } from "react";
import { makePassage, type Passage } from "#core/model";
import { mapText } from "../text/text-map";
import { clampShare, unturned, type Turn } from "./turn";
import type { Held, PageHandle } from "../types";

/** Makes of the selection, of words that were looked for, or of a point what the person holds. */
export function useHolding(turn: Turn) {
  const [held, setHeld] = useState<Held | null>(null);
  const [pinning, setPinning] = useState(false);

  const drop = useCallback(() => {
    setHeld(null);
    setPinning(false);
    window.getSelection()?.removeAllRanges();
  }, []);

  const takeSelection = (pages: ReadonlyMap<number, PageHandle>) => {
    const selected = selectedOn(pages);
    if (!selected) return;
    const { page, range } = selected;
    if (range.collapsed || !page?.textRoot) {
      if (range.collapsed) setHeld(null);
      return;
    }
    const map = mapText(page.textRoot);
    const start = map.positionOf(range.startContainer, range.startOffset);
    // A selection that runs on to another page ends with this one.
    const end = page.textRoot.contains(range.endContainer)
      ? map.positionOf(range.endContainer, range.endOffset)
      : map.length;
    if (end > start) setHeld({ kind: "passage", passage: makePassage(map.text, page.number, start, end) });
  };

  const pinAt = (element: HTMLElement, x: number, y: number) => {
    const box = element.getBoundingClientRect();
    const seen = { x: clampShare((x - box.left) / box.width), y: clampShare((y - box.top) / box.height) };
    setHeld({ kind: "pin", pin: { kind: "point", page: Number(element.dataset.page), ...unturned(seen, turn) } });
  };

  /** Puts a pin in the middle of what is in view, from where arrows or a click move it. */
  const startPin = (pages: ReadonlyMap<number, PageHandle>, scroller: RefObject<HTMLElement | null>) => {
    const view = scroller.current?.getBoundingClientRect();
    const page = [...pages.values()].find(
      ({ element }) => element.getBoundingClientRect().bottom > (view?.top ?? 0) + 80,
    );
    if (!view || !page) return;
    setPinning(true);
    const box = page.element.getBoundingClientRect();
    pinAt(page.element, box.left + box.width / 2, Math.max(box.top, view.top) + Math.min(view.height, box.height) / 3);
  };

  /** Takes up a passage and brings its page into view. */
  const take = (passage: Passage, scroller: RefObject<HTMLElement | null>) => {
    setHeld({ kind: "passage", passage });
    const page = scroller.current?.querySelector<HTMLElement>(`[data-page="${String(passage.page)}"]`);
    const height = scroller.current?.clientHeight ?? 0;
    const top = page?.getBoundingClientRect().top ?? 0;
    // A page that is in view already stays where it is; the tools at the passage bring it fully into view.
    if (top < 0 || top > height) page?.scrollIntoView({ block: "start" });
  };

  return { held, setHeld, pinning, drop, takeSelection, pinAt, startPin, take };
}

interface Selected {
  readonly page: PageHandle | undefined;
  readonly range: AbstractRange;
}

/** What is selected, also inside the closed box of a foreign document, of which the page itself is told nothing. */
function selectedOn(pages: ReadonlyMap<number, PageHandle>): Selected | null {
  const selection = window.getSelection();
  if (!selection || selection.rangeCount === 0) return null;
  const handles = [...pages.values()];
  for (const page of handles) {
    const tree = page.textRoot?.getRootNode();
    if (!(tree instanceof ShadowRoot)) continue;
    const range = selection.getComposedRanges({ shadowRoots: [tree] })[0];
    if (range && page.textRoot?.contains(range.startContainer)) return { page, range };
  }
  const range = selection.getRangeAt(0);
  return { page: handles.find(({ textRoot }) => textRoot?.contains(range.startContainer)), range };
}
