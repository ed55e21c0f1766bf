import { X } from "lucide-react";
import { useMemo } from "react";
import type { FileId } from "#core/kernel";
import { LazyWork } from "./lazy-work";
import type { SweepRows, SweepSheet } from "./sweep-rows";
import { Choice } from "../fields/choice";
import { inMark } from "../words/figures";

interface ComparePaneProps {
  readonly rows: SweepRows;
  readonly levelId: string;
  readonly near: readonly SweepSheet[];
  readonly read: (fileId: FileId) => Promise<Blob | null>;
  readonly onLevel: (levelId: string) => void;
  readonly onClose: () => void;
}

/** Papers beside the one in hand. */
const SHOWN = 2;

/** Two papers already at a level or next to it, beside the one that is being judged. */
export function ComparePane({ rows, levelId, near, read, onLevel, onClose }: ComparePaneProps) {
  const { criterion, colour } = rows;
  const target = useMemo(() => ({ id: criterion.id, name: criterion.name, colour }), [criterion, colour]);
  return (
    <aside
      aria-label="Papers at this level"
      className="h-full w-[440px] max-w-full shrink-0 overflow-auto border-s border-rule px-4 py-3"
    >
      <div className="flex items-center gap-2">
        <Choice
          label="Level"
          className="!w-56 text-[14px]"
          value={levelId}
          onChoose={onLevel}
          options={criterion.levels.map(({ id, name }) => [id, `At ${name}`] as const)}
        />
        <span className="figures text-[13.5px] text-soft">{near.length} at it or next to it</span>
        <button
          type="button"
          aria-label="Close"
          className="ms-auto grid size-8 place-items-center rounded text-soft hover:bg-table hover:text-ink"
          onClick={onClose}
        >
          <X size={16} aria-hidden="true" />
        </button>
      </div>
      {near.length === 0 && (
        <p className="mt-3 text-[14.5px] text-soft">No other paper stands at this level or next to it yet.</p>
      )}
      {near.slice(0, SHOWN).map((sheet) => (
        <section key={sheet.studentId} aria-label={`Beside: ${sheet.title}`} className="mt-3">
          <h2 className="figures flex justify-between text-[15px] font-semibold">
            {sheet.title}
            <span className="font-normal">
              {criterion.levels.find(({ id }) => id === sheet.levelId)?.name} · {inMark(sheet.points)}
            </span>
          </h2>
          {sheet.file ? (
            <LazyWork file={sheet.file} notes={sheet.notes} criterion={target} read={read} height={300} />
          ) : (
            <p className="text-[14px] text-soft">On paper.</p>
          )}
        </section>
      ))}
    </aside>
  );
}
