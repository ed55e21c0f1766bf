import { useState } from "react";
import type { Piece } from "#core/collect";
import { counted } from "#core/words";
import { DialogFrame, LeaveAsItIs } from "../../../ui/dialogs/dialog-frame";

/** Asks how many pages a paper has, and says what the pile then comes to. */
export function CutPile({
  pile,
  onCut,
  onClose,
}: {
  readonly pile: Piece;
  /** Answers words of trouble, or null. */
  readonly onCut: (pages: number) => Promise<string | null>;
  readonly onClose: () => void;
}) {
  const [text, setText] = useState("2");
  const [trouble, setTrouble] = useState<string | null>(null);
  const [isUnderWay, setUnderWay] = useState(false);
  const all = pile.pages ?? 0;
  const pages = /^\d{1,4}$/.test(text.trim()) ? Number(text.trim()) : 0;
  const isFit = pages > 0 && pages < all;
  const left = isFit ? all % pages : 0;
  const papers = isFit ? Math.ceil(all / pages) : 0;
  return (
    <DialogFrame
      title="Cut the pile into papers"
      detail={`${pile.file.name} has ${counted(all, "page")}. The pages stay in their order.`}
      onClose={onClose}
    >
      <form
        className="mt-3 grid gap-3 text-[14.5px]"
        onSubmit={(event) => {
          event.preventDefault();
          if (!isFit || isUnderWay) return;
          setUnderWay(true);
          void onCut(pages).then((words) => {
            setTrouble(words);
            setUnderWay(false);
          });
        }}
      >
        <label>
          <span className="block text-[13px] text-soft">Pages of each paper</span>
          <input
            className="field figures !w-24"
            inputMode="numeric"
            value={text}
            aria-invalid={!isFit}
            onChange={(event) => {
              setText(event.target.value);
            }}
          />
        </label>
        <p className="figures text-soft" role="status">
          {isFit
            ? `${counted(papers, "paper")} of ${counted(pages, "page")}${left > 0 ? `, the last of ${String(left)}: look whether a page is missing` : ""}.`
            : `Type a number from 1 to ${String(Math.max(1, all - 1))}.`}
        </p>
        {trouble && (
          <p role="alert" className="text-wax">
            {trouble}
          </p>
        )}
        <p className="flex justify-end gap-3">
          <LeaveAsItIs />
          <button type="submit" className="act act-first" disabled={!isFit || isUnderWay}>
            {isUnderWay ? "Cutting…" : `Cut into ${counted(papers, "paper")}`}
          </button>
        </p>
      </form>
    </DialogFrame>
  );
}
