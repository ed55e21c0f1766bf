import { memo, useEffect, useRef, type RefObject } from "react";
import { Link } from "react-router";
import { deskAddress } from "../../../ui/address";
import { HANDS, PILE_ORDERS, type Hand, type PileOrder } from "../../../course/choices";
import type { DeskRows, PaperMark, Sheet } from "./rows";
import { Choice } from "../../../ui/fields/choice";

const MARKS: Readonly<Record<PaperMark, { readonly sign: string; readonly look: string }>> = {
  scored: { sign: "✓", look: "bg-green-wash text-green border-green-mid" },
  waiting: { sign: "•", look: "bg-sheet text-ink border-rule" },
  "not in": { sign: "–", look: "border-dashed border-[#b9ad93] text-soft" },
  missing: { sign: "0", look: "bg-wax-wash text-wax border-wax/40" },
  excused: { sign: "/", look: "bg-table text-soft border-rule" },
};

const ORDER_WORDS: Readonly<Record<PileOrder, string>> = {
  name: "by name",
  waiting: "waiting first",
  time: "as handed in",
  number: "by number",
};

const HAND_WORDS: Readonly<Record<Hand, string>> = { both: "both hands", left: "left hand", right: "right hand" };

interface PileProps {
  readonly slot: string;
  readonly rows: DeskRows;
  readonly order: PileOrder;
  readonly onOrder: (order: PileOrder) => void;
  readonly hand: Hand;
  readonly onHand: (hand: Hand) => void;
  readonly onNext: () => void;
  readonly doneRef: RefObject<HTMLButtonElement | null>;
}

/** The pile along the lower edge: one small sheet per student, in the order chosen. */
export function Pile({ slot, rows, order, onOrder, hand, onHand, onNext, doneRef }: PileProps) {
  const current = useRef<HTMLAnchorElement>(null);
  useEffect(() => {
    current.current?.scrollIntoView({ block: "nearest", inline: "center" });
  }, [rows.student.id]);
  return (
    <footer
      className={`flex h-[74px] shrink-0 items-center gap-4 border-t border-rule bg-paper px-[18px] pointer-coarse:h-[84px] ${hand === "left" ? "flex-row-reverse" : ""}`}
    >
      <div className="w-[176px] shrink-0 leading-tight">
        <p className="figures text-[14.5px] font-semibold">
          {rows.scored} of {rows.pile.length} scored
        </p>
        <p className="figures text-[13px] text-soft">
          {rows.classMean ? `class mean ${rows.classMean}` : "no score yet"}
        </p>
        <label className="text-[13px] text-soft">
          <span className="sr-only">Order of the pile</span>
          <Choice
            quiet
            className="-ms-0.5 me-2"
            value={order}
            onChoose={onOrder}
            options={PILE_ORDERS.map((item) => [item, ORDER_WORDS[item]] as const)}
          />
        </label>
        <label className="text-[13px] text-soft">
          <span className="sr-only">Hands that hold the desk</span>
          <Choice
            quiet
            value={hand}
            onChoose={onHand}
            options={HANDS.map((item) => [item, HAND_WORDS[item]] as const)}
          />
        </label>
      </div>
      <nav aria-label="The pile" className="flex min-w-0 flex-1 items-end gap-[5px] overflow-x-auto py-2">
        {rows.pile.map(({ studentId, name, initials, mark }) => (
          <SheetLink
            key={studentId}
            to={deskAddress(slot, rows.assignment.id, studentId)}
            currentRef={studentId === rows.student.id ? current : undefined}
            {...{ name, initials, mark }}
          />
        ))}
      </nav>
      <button
        ref={doneRef}
        type="button"
        className="act act-first min-h-10 shrink-0 pointer-coarse:min-h-14"
        onClick={onNext}
      >
        {rows.after ? "Done, next" : "Done, to the board"} <span className="text-[13px] font-normal">Alt →</span>
      </button>
    </footer>
  );
}

interface SheetLinkProps extends Pick<Sheet, "name" | "initials" | "mark"> {
  readonly to: string;
  /** Where the sheet of the paper at hand is put; it looks like that. */
  readonly currentRef: RefObject<HTMLAnchorElement | null> | undefined;
}

/** One sheet; drawn anew only where something of it became another. */
const SheetLink = memo(function SheetLink({ to, name, initials, mark, currentRef }: SheetLinkProps) {
  const { sign, look } = MARKS[mark];
  return (
    <Link
      ref={currentRef}
      to={to}
      aria-current={currentRef ? "page" : undefined}
      aria-label={`${name}, ${mark}`}
      data-hint={`${name}, ${mark}`}
      className={`flex shrink-0 flex-col items-center justify-center border text-[12px] leading-tight [clip-path:polygon(0_0,calc(100%-7px)_0,100%_7px,100%_100%,0_100%)] ${look} ${currentRef ? "h-[50px] w-[36px] border-2 !border-ink bg-sheet font-semibold !text-ink" : "h-[42px] w-[31px] pointer-coarse:h-[50px] pointer-coarse:w-[40px]"}`}
    >
      {initials}
      <span aria-hidden="true">{sign}</span>
    </Link>
  );
});
