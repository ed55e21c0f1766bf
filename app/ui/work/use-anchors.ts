import { useCallback, useLayoutEffect, useMemo, useState } from "react";
import { findPassage } from "#core/model";
import type { Anchor } from "./marks";
import { boxesOf, mapText, type Box, type TextMap } from "./text-map";
import type { Held, PageHandle, ShownNote } from "./types";

const POINT = 0.0001;

/**
 * Keeps track of the pages that are drawn and finds each note's place on them, again whenever a page is drawn, changes
 * its size, or the notes change.
 */
export function useAnchors(notes: readonly ShownNote[], held: Held | null) {
  const [pages] = useState(() => new Map<number, PageHandle & { map: TextMap | null }>());
  const [version, setVersion] = useState(0);
  const [anchors, setAnchors] = useState<ReadonlyMap<string, Anchor>>(new Map());
  const [heldBoxes, setHeldBoxes] = useState<readonly Box[]>([]);

  const onPage = useCallback(
    (handle: PageHandle) => {
      pages.set(handle.number, { ...handle, map: handle.textRoot && mapText(handle.textRoot) });
      setVersion((now) => now + 1);
    },
    [pages],
  );

  useLayoutEffect(() => {
    // Places on a page are known only once it is drawn.
    // eslint-disable-next-line react-hooks/set-state-in-effect
    setAnchors(new Map(notes.map((note) => [note.id, anchorOf(note.target, pages.get(note.target.page))])));
  }, [notes, pages, version]);

  useLayoutEffect(() => {
    const target = held && (held.kind === "pin" ? held.pin : held.passage);
    // eslint-disable-next-line react-hooks/set-state-in-effect
    setHeldBoxes(target ? anchorOf(target, pages.get(target.page)).boxes : []);
  }, [held, pages, version]);

  return useMemo(() => ({ pages, anchors, heldBoxes, onPage, version }), [pages, anchors, heldBoxes, onPage, version]);
}

function anchorOf(target: ShownNote["target"], page: (PageHandle & { map: TextMap | null }) | undefined): Anchor {
  if (target.kind === "point") {
    return { page: target.page, boxes: [{ x: target.x, y: target.y, width: POINT, height: POINT }], lost: false };
  }
  if (!page?.map) return { page: target.page, boxes: [], lost: false };
  const found = findPassage(page.map.text, target);
  const range = found && page.map.toRange(found.start, found.end);
  return { page: target.page, boxes: range ? boxesOf(range, page.element) : [], lost: !range };
}
