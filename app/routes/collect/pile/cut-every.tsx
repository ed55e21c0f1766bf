import { useState } from "react";
import { cutEvery, type ScanPage } from "#core/collect";
import { counted } from "#core/words";

interface CutEveryProps {
  readonly pages: readonly ScanPage[];
  readonly onKeep: (pages: readonly ScanPage[]) => void;
}

/** Begins a paper every so many pages. */
export function CutEvery({ pages, onKeep }: CutEveryProps) {
  const [every, setEvery] = useState("");
  const count = /^\d{1,4}$/.test(every.trim()) ? Number(every.trim()) : 0;
  const isFit = count > 0 && count < pages.length;
  const left = isFit ? pages.length % count : 0;
  return (
    <form
      className="flex items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (isFit) onKeep(cutEvery(pages, count));
      }}
    >
      <label>
        <span className="block text-[13px] text-soft">Pages of each paper</span>
        <input
          className="field figures !w-24"
          inputMode="numeric"
          value={every}
          aria-invalid={every !== "" && !isFit}
          onChange={(event) => {
            setEvery(event.target.value);
          }}
        />
      </label>
      <button type="submit" className="act" disabled={!isFit}>
        Begin a paper every {isFit ? counted(count, "page") : "few pages"}
      </button>
      <span role="status" className={`figures ${isFit ? "text-soft" : "text-wax"}`}>
        {every !== "" && !isFit && `Type a number from 1 to ${String(Math.max(1, pages.length - 1))}.`}
        {left > 0 && `The last paper would have ${String(left)}: look whether a page is missing.`}
      </span>
    </form>
  );
}
