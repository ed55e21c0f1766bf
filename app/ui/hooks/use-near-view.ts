import { useEffect, useState, type RefObject } from "react";

/** Whether an element is in view, or within a distance of it (`500px 0px`): what is far away need not be drawn. */
export function useNearView(frame: RefObject<HTMLElement | null>, distance: string, atFirst = false): boolean {
  const [near, setNear] = useState(atFirst);
  useEffect(() => {
    const element = frame.current;
    if (!element) return;
    const observer = new IntersectionObserver(
      ([entry]) => {
        setNear(entry?.isIntersecting ?? false);
      },
      { rootMargin: distance },
    );
    observer.observe(element);
    return () => {
      observer.disconnect();
    };
  }, [frame, distance]);
  return near;
}
