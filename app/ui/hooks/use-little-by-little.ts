import { startTransition, useEffect, useState } from "react";

/**
 * How many of `length` things to draw by now: `few` at first, then `few` more each time the page has drawn those and has
 * nothing else to do. A list that is costly to draw comes up in parts, and no part of it holds the page.
 */
export function useLittleByLittle(length: number, few: number): number {
  const [upTo, setUpTo] = useState(few);
  const isWhole = upTo >= length;
  useEffect(() => {
    if (isWhole) return;
    const more = requestAnimationFrame(() => {
      startTransition(() => {
        setUpTo((before) => before + few);
      });
    });
    return () => {
      cancelAnimationFrame(more);
    };
  }, [isWhole, upTo, few]);
  return Math.min(upTo, length);
}
