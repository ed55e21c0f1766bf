import { Eraser, MapPin, PenLine, RotateCw, Search, ZoomIn, ZoomOut, type LucideIcon } from "lucide-react";
import { memo } from "react";
import { NOTE_COLOURS } from "#core/model";
import { NOTE_COLOUR } from "../../colours";
import { MoreMenu, type MenuItems } from "../../dialogs/more-menu";
import { Contents, type ContentsProps } from "./contents";
import { FIRST_PEN } from "./use-work-keys";
import type { Pen } from "../types";

interface ViewToolsProps extends ContentsProps {
  /** Whether the work is judged, not only read. */
  readonly judged: boolean;
  readonly pen: Pen | null;
  readonly onPen: (pen: Pen | null) => void;
  readonly onFind: () => void;
  readonly onPin: () => void;
  readonly onTurn: (() => void) | null;
  readonly onZoom: (direction: 1 | -1) => void;
  /** What else can be done with the paper. */
  readonly more: (() => MenuItems) | null;
}

/**
 * Ways to look at the work and to take up a pen or a pin; what the pen can be appears only while it is in hand. They
 * stand still while notes come and go.
 */
export const ViewTools = memo(function ViewTools(props: ViewToolsProps) {
  const { judged, pen, onPen, onFind, onPin, onTurn, onZoom, more, ...contents } = props;
  return (
    <div className="absolute top-2 right-3 z-20 flex items-center gap-0.5 rounded bg-table/90">
      {judged && pen && (
        <div role="toolbar" aria-label="The pen" className="me-2 flex items-center gap-0.5 border-e border-rule pe-2">
          {NOTE_COLOURS.map((colour) => (
            <button
              key={colour}
              type="button"
              aria-label={`Write in ${colour}`}
              aria-pressed={pen.tool === "draw" && pen.colour === colour}
              data-hint={`Write in ${colour}`}
              className={`grid size-8 place-items-center rounded-full border-2 pointer-coarse:size-11 ${pen.tool === "draw" && pen.colour === colour ? "border-ink" : "border-transparent hover:border-rule"}`}
              onClick={() => {
                onPen({ tool: "draw", colour });
              }}
            >
              <span
                aria-hidden="true"
                className="size-4 rounded-full border border-rule"
                style={{ background: NOTE_COLOUR[colour] }}
              />
            </button>
          ))}
          <ViewButton
            label="Eraser (E)"
            pressed={pen.tool === "erase"}
            onClick={() => {
              onPen({ ...pen, tool: pen.tool === "erase" ? "draw" : "erase" });
            }}
            Mark={Eraser}
          />
        </div>
      )}
      {judged && (
        <>
          <ViewButton label="Find words of the work (/)" onClick={onFind} Mark={Search} />
          <ViewButton label="Pin a remark at a point (T)" onClick={onPin} Mark={MapPin} />
          <ViewButton
            label={pen ? "Lay the pen aside (D)" : "Take up the pen (D)"}
            pressed={pen !== null}
            onClick={() => {
              onPen(pen ? null : FIRST_PEN);
            }}
            Mark={PenLine}
          />
        </>
      )}
      <Contents {...contents} />
      {onTurn && <ViewButton label="Turn by a quarter (R)" onClick={onTurn} Mark={RotateCw} />}
      <ViewButton
        label="Smaller (-)"
        onClick={() => {
          onZoom(-1);
        }}
        Mark={ZoomOut}
      />
      <ViewButton
        label="Larger (+)"
        onClick={() => {
          onZoom(1);
        }}
        Mark={ZoomIn}
      />
      {more && <MoreMenu label="More for this paper" items={more} />}
    </div>
  );
});

function ViewButton({
  label,
  pressed,
  onClick,
  Mark,
}: {
  readonly label: string;
  readonly pressed?: boolean;
  readonly onClick: () => void;
  readonly Mark: LucideIcon;
}) {
  return (
    <button
      type="button"
      aria-label={label}
      aria-pressed={pressed}
      data-hint={label}
      className={`grid size-8 place-items-center rounded hover:bg-sheet hover:text-ink pointer-coarse:size-11 ${pressed ? "bg-sheet text-ink outline-1 outline-rule" : "text-soft"}`}
      onClick={onClick}
    >
      <Mark size={16} aria-hidden="true" />
    </button>
  );
}
