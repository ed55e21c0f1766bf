import { useState } from "react";
import type { Zone, ZoneTarget } from "#core/model";
import { criterionColour } from "../../../ui/colours";
import type { ZoneAsked } from "./rows";

/** The criteria and questions with the pages where their zones lie; one of them is drawn next. */
export function ZoneList({
  asked,
  zones,
  chosen,
  onChoose,
  onAdd,
  onClear,
}: {
  readonly asked: readonly ZoneAsked[];
  readonly zones: readonly Zone[];
  readonly chosen: ZoneTarget | null;
  readonly onChoose: (of: ZoneTarget) => void;
  /** Puts a zone on a page, to be moved by keys. */
  readonly onAdd: (page: number) => void;
  readonly onClear: (of: ZoneTarget) => void;
}) {
  if (asked.length === 0)
    return (
      <p className="mt-4 text-[14px] text-soft">
        This work has no rubric and no questions: give it one of them under Plan first.
      </p>
    );
  return (
    <>
      <ul className="mt-4 space-y-1">
        {asked.map(({ id, name }, place) => {
          const pages = zones.filter((zone) => zone.of === id).map((zone) => zone.page);
          return (
            <li key={id} className="flex items-baseline gap-2">
              <button
                type="button"
                aria-pressed={id === chosen}
                className={`flex min-w-0 flex-1 items-baseline gap-2 border-s-[3px] px-2 py-1 text-start ${id === chosen ? "bg-sheet font-semibold" : "border-transparent hover:bg-sheet"}`}
                style={id === chosen ? { borderColor: criterionColour(place) } : undefined}
                onClick={() => {
                  onChoose(id);
                }}
              >
                <span className="min-w-0 truncate">{name}</span>
                <span className="figures ms-auto text-[13px] font-normal whitespace-nowrap text-soft">
                  {pages.length === 0 ? "no zone" : `page ${[...new Set(pages)].sort((a, b) => a - b).join(", ")}`}
                </span>
              </button>
              {pages.length > 0 && (
                <button
                  type="button"
                  className="link text-[13px]"
                  onClick={() => {
                    onClear(id);
                  }}
                >
                  Clear<span className="sr-only"> the zones of {name}</span>
                </button>
              )}
            </li>
          );
        })}
      </ul>
      <ZoneByKeys isReady={chosen !== null} onAdd={onAdd} />
    </>
  );
}

interface ZoneByKeysProps {
  /** Something is chosen that a zone can be of. */
  readonly isReady: boolean;
  readonly onAdd: (page: number) => void;
}

/** Puts a zone on a page without drawing it. */
function ZoneByKeys({ isReady, onAdd }: ZoneByKeysProps) {
  const [page, setPage] = useState("1");
  const number = /^[1-9]\d{0,3}$/.test(page.trim()) ? Number(page.trim()) : 0;
  return (
    <form
      className="mt-4 flex items-end gap-2 text-[14px]"
      onSubmit={(event) => {
        event.preventDefault();
        if (number > 0 && isReady) onAdd(number);
      }}
    >
      <label>
        <span className="block text-[13px] text-soft">By keys: a zone on page</span>
        <input
          className="field figures !w-20"
          inputMode="numeric"
          value={page}
          onChange={(event) => {
            setPage(event.target.value);
          }}
        />
      </label>
      <button type="submit" className="act" disabled={number === 0 || !isReady}>
        Put it there
      </button>
    </form>
  );
}
