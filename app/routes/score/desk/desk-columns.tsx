import type { ReactNode } from "react";
import { Group, Panel, Separator, type Layout } from "react-resizable-panels";
import type { Hand } from "../../../course/choices";

/** The columns of the desk: judgement at the side of the hand that is free, the work, and papers near it where asked for. */
export function DeskColumns({
  hand,
  layout,
  onLayout,
  judgement,
  near,
  children,
}: {
  readonly hand: Hand;
  /** The widths as they were left; null on the first visit. */
  readonly layout: Layout | null;
  readonly onLayout: (layout: Layout) => void;
  readonly judgement: ReactNode;
  readonly near: ReactNode;
  readonly children: ReactNode;
}) {
  const column = (
    <Panel id="judgement" defaultSize={352} minSize={270} maxSize={560}>
      {judgement}
    </Panel>
  );
  const separator = (
    <Separator
      aria-label="Width of the judgement column"
      className="w-[5px] border-s border-rule outline-none hover:bg-rule focus-visible:bg-ink"
    />
  );
  return (
    <Group
      orientation="horizontal"
      className="min-h-0 flex-1"
      {...(layout ? { defaultLayout: layout } : {})}
      onLayoutChanged={onLayout}
    >
      {hand !== "right" && column}
      {hand !== "right" && separator}
      <Panel id="work" minSize={420}>
        {children}
      </Panel>
      {hand === "right" && separator}
      {hand === "right" && column}
      {near && (
        <Panel id="near" defaultSize={440} minSize={320} maxSize={620}>
          {near}
        </Panel>
      )}
    </Group>
  );
}
