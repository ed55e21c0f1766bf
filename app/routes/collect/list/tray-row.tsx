import { ChevronDown, ChevronRight } from "lucide-react";
import { memo, useState } from "react";
import { Link, useNavigate } from "react-router";
import type { Decision, Piece } from "#core/collect";
import { sameValue } from "#core/kernel";
import type { CourseState, WorkFile } from "#core/model";
import { MoreMenu, type MenuItems } from "../../../ui/dialogs/more-menu";
import { extentWords, kindLabel, pieceName } from "./kind-words";
import type { Group, TrayRow as Row } from "../rows";
import { NameStrip } from "./name-strip";
import { StudentField } from "./student-field";

/** The line from a piece to its student: whole where it is sure, begun where it is to be decided. */
const LINES: Readonly<Record<Group, string>> = {
  open: "w-2/5 border-t-2 border-dotted border-wax",
  back: "w-full border-t-2 border-double border-plum",
  likely: "w-full border-t-2 border-dashed border-ochre",
  sure: "w-full border-t-2 border-green",
  pile: "w-0",
  out: "w-0",
};

/** What can be done with the rows of a tray; the same functions for all of them. */
export interface RowActs {
  readonly onOpen: (piece: Piece, open: boolean) => void;
  readonly onDecide: (row: Row, decision: Decision | null) => void;
  readonly onPutToOther: (piece: Piece) => void;
  /** Asks for its password. */
  readonly onUnlock: (piece: Piece) => void;
  readonly onMove: (from: HTMLElement, by: -1 | 1) => void;
}

interface TrayRowProps extends RowActs {
  readonly state: CourseState;
  readonly row: Row;
  /** Where its scores are looked at; null for what is no spreadsheet of a class. */
  readonly sheet: string | null;
  readonly isOpen: boolean;
  /** Where its pages are laid out and cut into papers; null for what has no pages to cut. */
  readonly pile: string | null;
  readonly readFile: (file: Pick<WorkFile, "id">) => Promise<Blob | null>;
}

/** One piece of the tray: what it is, whom it goes to and why, and what can be decided about it. */
export const TrayRow = memo(DrawnRow, ({ row: before, ...one }, { row, ...other }) => {
  const names = Object.keys(one) as (keyof typeof one)[];
  return before.piece === row.piece && sameValue(before, row) && names.every((name) => one[name] === other[name]);
});

function DrawnRow({
  state,
  row,
  sheet,
  pile,
  readFile,
  isOpen,
  onOpen,
  onDecide,
  onPutToOther,
  onUnlock,
  onMove,
}: TrayRowProps) {
  const { piece, group, words, warnings } = row;
  const [isAsking, setAsking] = useState(false);
  const asks = group === "open" || isAsking;
  const { name: fileName } = piece.file;
  const Arrow = isOpen ? ChevronDown : ChevronRight;
  const navigate = useNavigate();
  const items = (): MenuItems =>
    itemsOf(
      {
        row,
        onDecide: (decision) => {
          onDecide(row, decision);
        },
      },
      {
        onAsk: () => {
          setAsking(true);
        },
        onCut: pile === null ? null : () => void navigate(pile),
        onPutToOther: () => {
          onPutToOther(piece);
        },
      },
    );
  return (
    <div className="grid min-h-10 grid-cols-[52px_minmax(150px,240px)_minmax(24px,64px)_minmax(0,1fr)_76px_32px] items-center gap-x-2 border-b border-rule py-1 text-[14px]">
      <span className="rounded-sm border border-rule bg-sheet px-1 py-0.5 text-center text-[12px] text-soft">
        {kindLabel(piece)}
      </span>
      <button
        type="button"
        aria-expanded={isOpen}
        className="flex min-w-0 items-center gap-1 text-start hover:underline"
        onClick={() => {
          onOpen(piece, !isOpen);
        }}
      >
        <Arrow size={14} aria-hidden="true" className="shrink-0 text-soft" />
        <span className="truncate">{pieceName(piece)}</span>
      </button>
      <span aria-hidden="true" className={LINES[group]} />
      <span className="min-w-0">
        {piece.isCut && group === "open" && <NameStrip piece={piece} readFile={readFile} />}
        <WaysOn {...{ row, sheet, pile, isAsking, onUnlock }} />
        <Whose {...{ state, row, onDecide, onMove, isAsking, setAsking }} asks={asks && !(sheet && !isAsking)} />
        <span className="text-[13px] text-soft">{words.join(" · ")}</span>
        {warnings.length > 0 && (
          <span className="text-[13px] text-ochre">
            {words.length > 0 ? " · " : ""}
            {warnings.join(" · ")}
          </span>
        )}
      </span>
      <span className="figures text-end text-[13px] text-soft">{extentWords(piece)}</span>
      <MoreMenu label={`More for ${fileName}`} items={items} />
    </div>
  );
}

function itemsOf(
  { row, onDecide }: { readonly row: Row; readonly onDecide: (decision: Decision | null) => void },
  { onAsk, onCut, onPutToOther }: Record<"onAsk" | "onPutToOther", () => void> & { onCut: (() => void) | null },
): MenuItems {
  const { piece, group, studentId } = row;
  if (piece.decision?.kind === "cut")
    return [
      ...(onCut ? [{ words: "Lay its pages out", onSelect: onCut }] : []),
      {
        words: "As one piece again",
        onSelect: () => {
          onDecide(null);
        },
      },
    ];
  const joins = piece.decision?.kind === "student" && piece.decision.joins;
  return [
    ...(group === "open" && piece.trouble !== "classSheet"
      ? []
      : [{ words: group === "out" ? "Put to a student" : "Put to another student", onSelect: onAsk }]),
    ...(studentId
      ? [
          {
            words: joins ? "As an attempt of its own" : "One more file of the hand-in before it",
            onSelect: () => {
              onDecide({ kind: "student", studentId, joins: !joins });
            },
          },
        ]
      : []),
    { words: "Put to other work", onSelect: onPutToOther },
    ...(group === "out"
      ? []
      : [
          {
            words: "Leave it out",
            onSelect: () => {
              onDecide({ kind: "leftOut" });
            },
          },
        ]),
    ...(onCut ? [{ words: "Cut the pile into papers", onSelect: onCut }] : []),
    ...(piece.decision
      ? [
          null,
          {
            words: "As it was found",
            onSelect: () => {
              onDecide(null);
            },
          },
        ]
      : []),
  ];
}

type WaysOnProps = Pick<TrayRowProps, "row" | "sheet" | "pile" | "onUnlock"> & { readonly isAsking: boolean };

/** Where a piece leads that is no work of one student as it lies: scores to look at, pages to cut, a password to ask for. */
function WaysOn({ row: { piece, group }, sheet, pile, isAsking, onUnlock }: WaysOnProps) {
  return (
    <>
      {sheet && (
        <Link className="act me-3 !py-1" to={sheet}>
          Look at its scores
        </Link>
      )}
      {pile && piece.scan.length > 1 && (group === "pile" || group === "open") && !isAsking && (
        <Link className="act me-3 !py-1" to={pile}>
          {group === "pile" ? "Its pages" : "Cut it into papers"}
        </Link>
      )}
      {piece.trouble === "locked" && piece.decision === null && (
        <button
          type="button"
          className="act me-3 !py-1"
          onClick={() => {
            onUnlock(piece);
          }}
        >
          Unlock
        </button>
      )}
    </>
  );
}

interface WhoseProps extends Pick<TrayRowProps, "state" | "row" | "onDecide" | "onMove"> {
  readonly asks: boolean;
  readonly isAsking: boolean;
  readonly setAsking: (isAsking: boolean) => void;
}

/** Whose it is, or the field in which that is said. */
function Whose({ state, row, onDecide, onMove, asks, isAsking, setAsking }: WhoseProps) {
  const { piece, name, guess } = row;
  return (
    <>
      {asks ? (
        <StudentField
          state={state}
          label={`Student of ${piece.file.name}`}
          guess={guess}
          autoFocus={isAsking}
          onDecide={(studentId) => {
            setAsking(false);
            onDecide(row, { kind: "student", studentId, joins: false });
          }}
          onMove={(by) => {
            const field = document.activeElement;
            if (field instanceof HTMLElement) onMove(field, by);
          }}
          {...(isAsking && {
            onLeave: () => {
              setAsking(false);
            },
          })}
        />
      ) : (
        name && <strong className="me-2">{name}</strong>
      )}{" "}
    </>
  );
}
