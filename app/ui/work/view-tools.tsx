import { Eraser, MapPin, PenLine, RotateCw, Search, ZoomIn, ZoomOut, type LucideIcon } from "lucide-react";
import type { ReactNode } from "react";
import { NOTE_COLOURS } from "#core/model";
import { NOTE_COLOUR } from "../colours";
import { MoreMenu, type MenuItems } from "../more-menu";
import { FIRST_PEN } from "./use-work-keys";
import type { Pen } from "./types";

interface ViewToolsProps {
  /** Null where the work is only read. */
  readonly pen: { readonly now: Pen | null; readonly set: (pen: Pen | null) => void } | null;
  readonly onFind: () => void;
  readonly onPin: () => void;
  readonly onTurn: (() => void) | null;
  readonly onZoom: (direction: 1 | -1) => void;
  /** What else can be done with the paper. */
  readonly more: (() => MenuItems) | null;
  /** Where the parts of the work begin. */
  readonly contents: ReactNode;
}

/** Ways to look at the work and to take up a pen or a pin; what the pen can be appears only while it is in hand. */
export function ViewTools({ pen, onFind, onPin, onTurn, onZoom, more, contents }: ViewToolsProps) {
  const now = pen?.now ?? null;
  return (
    <div className="absolute top-2 right-3 z-20 flex items-center gap-0.5 rounded bg-table/90">
      {pen && now && (
        <div role="toolbar" aria-label="The pen" className="me-2 flex items-center gap-0.5 border-e border-rule pe-2">
          {NOTE_COLOURS.map((colour) => (
            <button
              key={colour}
              type="button"
              aria-label={`Write in ${colour}`}
              aria-pressed={now.tool === "draw" && now.colour === colour}
              title={`Write in ${colour}`}
              className={`grid size-8 place-items-center rounded-full border-2 pointer-coarse:size-11 ${now.tool === "draw" && now.colour === colour ? "border-ink" : "border-transparent hover:border-rule"}`}
              onClick={() => {
                pen.set({ tool: "draw", colour });
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
            pressed={now.tool === "erase"}
            onClick={() => {
              pen.set({ ...now, tool: now.tool === "erase" ? "draw" : "erase" });
            }}
            Mark={Eraser}
          />
        </div>
      )}
      {pen && (
        <>
          <ViewButton label="Find words of the work (/)" onClick={onFind} Mark={Search} />
          <ViewButton label="Pin a remark at a point (T)" onClick={onPin} Mark={MapPin} />
          <ViewButton
            label={now ? "Lay the pen aside (D)" : "Take up the pen (D)"}
            pressed={now !== null}
            onClick={() => {
              pen.set(now ? null : FIRST_PEN);
            }}
            Mark={PenLine}
          />
        </>
      )}
      {contents}
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
}

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
      title={label}
      className={`grid size-8 place-items-center rounded hover:bg-sheet hover:text-ink pointer-coarse:size-11 ${pressed ? "bg-sheet text-ink outline-1 outline-rule" : "text-soft"}`}
      onClick={onClick}
    >
      <Mark size={16} aria-hidden="true" />
    </button>
  );
}
