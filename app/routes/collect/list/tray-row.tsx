import { ChevronDown, ChevronRight } from "lucide-react";
import { useState, type ReactNode } from "react";
import { Link, useNavigate } from "react-router";
import type { Decision } from "#core/collect";
import type { CourseState } from "#core/model";
import { MoreMenu, type MenuItems } from "../../../ui/dialogs/more-menu";
import { extentWords, kindLabel, pieceName } from "./kind-words";
import type { Group, TrayRow as Row } from "../rows";
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

interface TrayRowProps {
  readonly state: CourseState;
  readonly row: Row;
  /** Where its scores are looked at; null for what is no spreadsheet of a class. */
  readonly sheet: string | null;
  readonly isOpen: boolean;
  readonly onOpen: (open: boolean) => void;
  readonly onDecide: (decision: Decision | null) => void;
  readonly onPutToOther: () => void;
  /** Asks for its password; null for what is not locked. */
  readonly onUnlock: (() => void) | null;
  /** Where its pages are laid out and cut into papers; null for what has no pages to cut. */
  readonly pile: string | null;
  /** The strip from which a name is read; null where there is none. */
  readonly strip: ReactNode;
  readonly onMove: (from: HTMLElement, by: -1 | 1) => void;
}

/** One piece of the tray: what it is, whom it goes to and why, and what can be decided about it. */
export function TrayRow({
  state,
  row,
  sheet,
  pile,
  strip,
  isOpen,
  onOpen,
  onDecide,
  onPutToOther,
  onUnlock,
  onMove,
}: TrayRowProps) {
  const { piece, group, name, guess, words, warnings } = row;
  const [isAsking, setAsking] = useState(false);
  const asks = group === "open" || isAsking;
  const { name: fileName } = piece.file;
  const Arrow = isOpen ? ChevronDown : ChevronRight;
  const navigate = useNavigate();
  const items = (): MenuItems =>
    itemsOf(
      { row, onDecide },
      {
        onAsk: () => {
          setAsking(true);
        },
        onCut: pile === null ? null : () => void navigate(pile),
        onPutToOther,
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
          onOpen(!isOpen);
        }}
      >
        <Arrow size={14} aria-hidden="true" className="shrink-0 text-soft" />
        <span className="truncate">{pieceName(piece)}</span>
      </button>
      <span aria-hidden="true" className={LINES[group]} />
      <span className="min-w-0">
        {strip}
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
        {onUnlock && (
          <button type="button" className="act me-3 !py-1" onClick={onUnlock}>
            Unlock
          </button>
        )}
        {asks && !(sheet && !isAsking) ? (
          <StudentField
            state={state}
            label={`Student of ${fileName}`}
            guess={guess}
            autoFocus={isAsking}
            onDecide={(studentId) => {
              setAsking(false);
              onDecide({ kind: "student", studentId, joins: false });
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
  { row, onDecide }: Pick<TrayRowProps, "row" | "onDecide">,
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
