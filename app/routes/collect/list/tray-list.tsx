import { useMemo, useRef, useState } from "react";
import type { Decision, Piece, PieceId } from "#core/collect";
import type { FileId } from "#core/kernel";
import { workKindOf, type CourseState, type WorkFile } from "#core/model";
import { useBlobs } from "../../../ui/hooks/use-blobs";
import { useLatest } from "../../../ui/hooks/use-latest";
import { useLittleByLittle } from "../../../ui/hooks/use-little-by-little";
import { useRowsInView } from "../../../ui/table/use-rows-in-view";
import { FirstPage } from "./first-page";
import type { Group, TrayRow as Row, TrayRows } from "../rows";
import { TrayRow, type RowActs } from "./tray-row";

const GROUPS: readonly (readonly [group: Group, words: string, colour: string])[] = [
  ["open", "to decide", "text-wax"],
  ["back", "come back marked", "text-plum"],
  ["likely", "likely", "text-ochre"],
  ["sure", "sure", "text-green"],
  ["pile", "cut into papers", "text-soft"],
  ["out", "left out", "text-soft"],
];

interface TrayListProps {
  readonly state: CourseState;
  readonly groups: TrayRows["groups"];
  readonly readFile: (file: Pick<WorkFile, "id">) => Promise<Blob | null>;
  /** Where the scores of a spreadsheet are looked at. */
  readonly sheetAddress: (piece: Piece) => string;
  /** Where the pages of a scanned pile are laid out and cut. */
  readonly pileAddress: (piece: Piece) => string;
  readonly onDecide: (piece: Piece, decision: Decision | null) => void;
  /** Asks which other work a piece is for. */
  readonly onPutToOther: (piece: Piece) => void;
  /** Asks for the password of a locked PDF. */
  readonly onUnlock: (piece: Piece) => void;
}

type Line = { readonly head: string; readonly colour: string } | { readonly row: Row };

/** Lines up to which a tray is drawn whole: each has a field and its reasons, and sixty at once hold the page up. */
const WHOLE = 48;

/** Rows drawn beyond the window, each way. */
const BEYOND = 4;

/** Rows drawn at once while the list comes up. */
const AT_ONCE = 3;

const NOTHING: ReadonlyMap<FileId, Blob | null> = new Map();

/** The pieces of the tray, what is to be decided first; of a long tray what stands in the window. */
export function TrayList({
  state,
  groups,
  readFile,
  sheetAddress,
  pileAddress,
  onDecide,
  onPutToOther,
  onUnlock,
}: TrayListProps) {
  const [open, setOpen] = useState<ReadonlySet<PieceId>>(new Set());
  const body = useRef<HTMLUListElement>(null);
  const lines = useMemo(() => linesOf(groups), [groups]);
  const shown = useRowsInView(lines.length, body, { whole: WHOLE, overscan: BEYOND });
  const drawn = useLittleByLittle(shown.places.length, AT_ONCE);
  const opened = lines.flatMap((line) => ("row" in line && open.has(line.row.piece.id) ? [line.row.piece.file] : []));
  const blobs = useBlobs(opened, NOTHING, readFile);
  const move = (from: HTMLElement, by: -1 | 1) => {
    const fields = [...(body.current?.querySelectorAll<HTMLElement>("[data-tray-field]") ?? [])];
    fields[fields.indexOf(from) + by]?.focus();
  };
  const acts: RowActs = {
    // The same functions with every drawing, so that a row is drawn anew only where it is another.
    onMove: useLatest(move),
    onDecide: useLatest((row, decision) => {
      // What was decided goes down to the others; the hand goes on to the next field.
      if (row.group === "open" && document.activeElement instanceof HTMLElement) move(document.activeElement, 1);
      onDecide(row.piece, decision);
    }),
    onOpen: useLatest(({ id }, isOpen) => {
      const next = new Set(open);
      if (isOpen) next.add(id);
      else next.delete(id);
      setOpen(next);
    }),
    onPutToOther,
    onUnlock,
  };
  return (
    <ul ref={body} aria-label="What came in">
      {shown.above > 0 && <li aria-hidden="true" style={{ height: shown.above }} />}
      {shown.places.slice(0, drawn).map((place) => {
        const line = lines[place];
        if (!line) return null;
        if ("head" in line) {
          return (
            <li key={line.head} data-index={place} ref={shown.measure} className="pt-4 pb-1">
              <h2 className={`text-[13px] font-semibold ${line.colour}`}>{line.head}</h2>
            </li>
          );
        }
        const { row } = line;
        const { id, file } = row.piece;
        return (
          <li key={id} data-index={place} ref={shown.measure}>
            <TrayRow
              state={state}
              row={row}
              sheet={row.piece.trouble === "classSheet" ? sheetAddress(row.piece) : null}
              readFile={readFile}
              pile={(row.piece.pages ?? 0) > 1 && workKindOf(file) === "pdf" ? pileAddress(row.piece) : null}
              isOpen={open.has(id)}
              {...acts}
            />
            {open.has(id) && <FirstPage piece={row.piece} blob={blobs.get(file.id) ?? null} />}
          </li>
        );
      })}
      {shown.below > 0 && <li aria-hidden="true" style={{ height: shown.below }} />}
    </ul>
  );
}

const linesOf = (groups: TrayRows["groups"]): readonly Line[] =>
  GROUPS.flatMap(([group, words, colour]) =>
    groups[group].length === 0
      ? []
      : [{ head: `${String(groups[group].length)} ${words}`, colour }, ...groups[group].map((row) => ({ row }))],
  );
