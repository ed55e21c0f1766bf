import { useEffect, useRef, type RefObject } from "react";
import type { Zone } from "#core/model";
import { useLatest } from "../../hooks/use-latest";

/** Room above a zone that is gone to, in pixels. */
const ABOVE = 28;

/** Goes to a part of the work when it is another one than before; where one began stays as it was left. */
export function useZoneInView(
  zone: Zone | null,
  scroller: RefObject<HTMLElement | null>,
  heightOf: (page: number, share: number) => number,
): void {
  const shown = useRef(zone);
  const height = useLatest(heightOf);
  useEffect(() => {
    if (zone === shown.current) return;
    shown.current = zone;
    if (zone) scroller.current?.scrollTo({ top: Math.max(0, height(zone.page, zone.y) - ABOVE) });
  }, [zone, scroller, height]);
}
