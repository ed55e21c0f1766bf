import { useLayoutEffect, useRef, useState } from "react";
import type { sweepRows } from "../../../ui/beside/sweep-rows";

/** Which paper of a sweep is in hand, from the first that is open, and whether points are being typed for it. */
export function usePlaceInSweep(rows: ReturnType<typeof sweepRows>) {
  const [current, setCurrent] = useState(() =>
    Math.max(0, rows?.sheets.findIndex(({ points, notApplicable }) => points === null && !notApplicable) ?? 0),
  );
  const [typing, setTyping] = useState(false);
  const list = useRef<HTMLOListElement>(null);
  const goTo = (place: number) => {
    if (!rows) return;
    const next = Math.min(rows.sheets.length - 1, Math.max(0, place));
    setCurrent(next);
    setTyping(false);
    list.current?.children[next]?.scrollIntoView({ block: "start" });
  };
  const first = useRef(current);
  useLayoutEffect(() => {
    list.current?.children[first.current]?.scrollIntoView({ block: "start" });
  }, []);
  return { list, current, setCurrent, typing, setTyping, goTo };
}
