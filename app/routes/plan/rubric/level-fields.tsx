import type { Criterion, Level } from "#core/model";
import { FigureInput } from "../../../ui/fields/figure-input";
import { readFigure } from "../../../ui/fields/read-figure";
import { inMark } from "../../../ui/words/figures";

/** One level of a criterion: its name, its bounds and its words. */
export function LevelFields({
  criterion,
  level,
  place,
  onEdit,
  onRemove,
}: {
  readonly criterion: Criterion;
  readonly level: Level;
  /** From 1, the lowest. */
  readonly place: number;
  readonly onEdit: (fields: Partial<Level>) => void;
  /** Null where it is the only one. */
  readonly onRemove: (() => void) | null;
}) {
  return (
    <>
      <div className="flex items-end gap-1.5">
        <label className="min-w-0 flex-1 text-[12.5px] text-soft">
          Level {place}
          <input
            className="field !px-2 !py-1 text-[14px] text-ink"
            maxLength={200}
            value={level.name}
            onChange={(event) => {
              onEdit({ name: event.target.value });
            }}
          />
        </label>
        <FigureInput
          small
          label="from"
          className="w-16"
          value={inMark(level.min)}
          read={readFigure}
          onRead={(min) => {
            onEdit({ min });
          }}
        />
        <FigureInput
          small
          label="to"
          className="w-16"
          value={inMark(level.max)}
          read={readFigure}
          onRead={(max) => {
            onEdit({ max });
          }}
        />
        {onRemove && (
          <button
            type="button"
            aria-label={`Remove level ${level.name}`}
            data-hint="Remove this level"
            className="grid size-8 place-items-center rounded text-soft hover:bg-table print:hidden"
            onClick={onRemove}
          >
            ×
          </button>
        )}
      </div>
      <textarea
        aria-label={`Words of ${level.name}, ${criterion.name}`}
        className="field mt-1 field-sizing-content min-h-14 resize-none !px-2 !py-1 text-[13.5px] leading-snug"
        placeholder="What work on this level looks like"
        maxLength={2000}
        value={level.descriptor}
        onChange={(event) => {
          onEdit({ descriptor: event.target.value });
        }}
      />
    </>
  );
}
