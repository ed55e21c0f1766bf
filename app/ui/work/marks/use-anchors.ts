import { useCallback, useLayoutEffect, useMemo, useRef, useState } from "react";
import { findPassage } from "#core/model";
import type { Anchor } from "./marks";
import { boxesOf, mapText, type Box, type TextMap } from "../text/text-map";
import { turned, type Turn } from "./turn";
import type { Held, PageHandle, ShownNote } from "../types";

const POINT = 0.0001;
/** The same each time, so that holding nothing draws nothing anew. */
const NO_BOXES: readonly Box[] = [];

/**
 * Keeps track of the pages that are drawn and finds each note's place on them, again whenever a page is drawn, changes
 * its size, or the notes change.
 */
export function useAnchors(notes: readonly ShownNote[], held: Held | null, turn: Turn) {
  const [pages] = useState(() => new Map<number, PageHandle & { map: TextMap | null }>());
  const [version, setVersion] = useState(0);
  const [anchors, setAnchors] = useState<ReadonlyMap<string, Anchor>>(new Map());
  const [heldBoxes, setHeldBoxes] = useState(NO_BOXES);

  const onPage = useCallback(
    (handle: PageHandle) => {
      pages.set(handle.number, { ...handle, map: handle.textRoot && mapText(handle.textRoot) });
      setVersion((now) => now + 1);
    },
    [pages],
  );

  // Where nothing was drawn anew, a place that was found is where it was: a new note does not look for all the others.
  const found = useRef({ version, turn, places: new WeakMap<ShownNote["target"], Anchor>() });

  useLayoutEffect(() => {
    if (found.current.version !== version || found.current.turn !== turn)
      found.current = { version, turn, places: new WeakMap() };
    const { places } = found.current;
    const placeOf = (target: ShownNote["target"]) => {
      const place = places.get(target) ?? anchorOf(target, pages.get(target.page), turn);
      places.set(target, place);
      return place;
    };
    // Places on a page are known only once it is drawn.
    setAnchors(new Map(notes.map((note) => [note.id, placeOf(note.target)])));
  }, [notes, pages, version, turn]);

  useLayoutEffect(() => {
    const target = held && (held.kind === "pin" ? held.pin : held.passage);
    // oxlint-disable-next-line react/set-state-in-effect
    setHeldBoxes(target ? anchorOf(target, pages.get(target.page), turn).boxes : NO_BOXES);
  }, [held, pages, version, turn]);

  return useMemo(() => ({ pages, anchors, heldBoxes, onPage, version }), [pages, anchors, heldBoxes, onPage, version]);
}

function anchorOf(
  target: ShownNote["target"],
  page: (PageHandle & { map: TextMap | null }) | undefined,
  turn: Turn,
): Anchor {
  const shape = page && page.element.offsetWidth > 0 ? page.element.offsetHeight / page.element.offsetWidth : 1;
  const base = { page: target.page, lost: false, shape };
  if (target.kind !== "passage") {
    const [x, y] = target.kind === "point" ? [target.x, target.y] : (target.strokes[0]?.[0] ?? [0, 0]);
    return { ...base, boxes: [{ ...turned({ x, y }, turn), width: POINT, height: POINT }] };
  }
  if (!page?.map) return { ...base, boxes: [] };
  const found = findPassage(page.map.text, target);
  const range = found && page.map.toRange(found.start, found.end);
  return { ...base, boxes: range ? boxesOf(range, page.element) : [], lost: !range };
}
