import { memo, useEffect, useState, type RefObject } from "react";
import { COLUMN_WIDTH } from "./measures";

/** The whole width of the gradebook as a strip: one piece per assignment, dark where it is in view. */
export const Overview = memo(function Overview({
  fixed,
  columns,
  scroller,
  current,
}: {
  /** Width of what stands still. */
  readonly fixed: number;
  readonly columns: number;
  readonly scroller: RefObject<HTMLDivElement | null>;
  readonly current: number;
}) {
  const [view, setView] = useState<readonly [number, number]>([0, columns]);
  useEffect(() => {
    const element = scroller.current;
    if (!element) return;
    const look = () => {
      const room = element.clientWidth - fixed;
      setView([element.scrollLeft / COLUMN_WIDTH, (element.scrollLeft + room) / COLUMN_WIDTH]);
    };
    look();
    const observer = new ResizeObserver(look);
    observer.observe(element);
    element.addEventListener("scroll", look, { passive: true });
    return () => {
      observer.disconnect();
      element.removeEventListener("scroll", look);
    };
  }, [scroller, columns, fixed]);
  return (
    <div aria-hidden="true" className="mt-2.5 mb-1.5 flex h-2 gap-0.5">
      {Array.from({ length: columns }, (_, index) => {
        const seen = index + 0.5 >= view[0] && index + 0.5 <= view[1];
        const look = index === current ? "bg-ochre" : seen ? "bg-[#b9ad93]" : "bg-rule";
        return (
          <button
            key={index}
            type="button"
            tabIndex={-1}
            className={`flex-1 ${look}`}
            onClick={() => {
              if (scroller.current) scroller.current.scrollLeft = index * COLUMN_WIDTH;
            }}
          />
        );
      })}
    </div>
  );
});
