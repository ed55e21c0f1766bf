import type { SheetHead } from "#core/formats";
import type { Assignment } from "#core/model";
import { Choice } from "../../../ui/fields/choice";
import { meaningKey, meaningOptions } from "./rows";

/** What each column of a sheet is taken for; what was not understood can be put right. */
export function SheetColumns({
  head,
  assignments,
  onChoose,
}: {
  readonly head: SheetHead;
  readonly assignments: readonly Assignment[];
  readonly onChoose: (place: number, key: string) => void;
}) {
  const options = meaningOptions(assignments);
  return (
    <section aria-label="Columns" className="mt-3">
      <p className="text-[14px] text-soft">The head stands in row {head.row + 1}. Each column, and what it holds:</p>
      <ul className="mt-1 flex flex-wrap gap-x-5 gap-y-2">
        {head.columns.map(
          (column, place) =>
            column.head !== "" && (
              <li key={`${String(place)} ${column.head}`} className="text-[14px]">
                <label>
                  <span className="block max-w-48 truncate text-[13px] text-soft">{column.head}</span>
                  <Choice
                    className="!w-48 !py-1"
                    value={meaningKey(column.meaning)}
                    options={options}
                    onChoose={(key) => {
                      onChoose(place, key);
                    }}
                  />
                </label>
              </li>
            ),
        )}
      </ul>
    </section>
  );
}
