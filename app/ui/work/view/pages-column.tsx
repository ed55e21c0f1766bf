import type { ComponentProps } from "react";
import type { useHolding } from "../marks/use-holding";
import { WorkPages } from "../pages/work-pages";
import { PAGE_WIDTH } from "../measures";
import type { NoteActions, PageHandle } from "../types";

interface PagesColumnProps extends Omit<ComponentProps<typeof WorkPages>, "width"> {
  readonly scale: number;
  readonly pages: ReadonlyMap<number, PageHandle>;
  readonly holding: ReturnType<typeof useHolding>;
  /** Null where the work is only read. */
  readonly actions: NoteActions | null;
  /** A pen that touches the page is there to write. */
  readonly onPenTouch: () => void;
}

/** The pages of a work, one under another; what is selected or pointed at on them is taken up. */
export function PagesColumn({
  file,
  blob,
  threads,
  turn,
  onPage,
  onDocument,
  overlay,
  scale,
  pages,
  holding,
  actions,
  onPenTouch,
}: PagesColumnProps) {
  const width = PAGE_WIDTH * scale;
  return (
    <div
      className={`relative ${holding.pinning ? "cursor-crosshair" : ""}`}
      style={{ width, ["--work-zoom" as string]: scale }}
      onPointerDownCapture={(event) => {
        if (actions && event.pointerType === "pen") onPenTouch();
      }}
      onPointerUp={(event) => {
        const element = (event.target as HTMLElement).closest<HTMLElement>("[data-page]");
        if (holding.pinning && element) holding.pinAt(element, event.clientX, event.clientY);
        else if (actions) {
          setTimeout(() => {
            holding.takeSelection(pages);
          }, 0);
        }
      }}
    >
      <WorkPages
        key={file.id}
        file={file}
        blob={blob}
        width={width}
        turn={turn}
        threads={threads}
        onPage={onPage}
        onDocument={onDocument}
        overlay={overlay}
      />
    </div>
  );
}
