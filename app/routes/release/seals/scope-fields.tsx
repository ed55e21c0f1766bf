import { FACETS, type Facet } from "#core/model";
import { FACET_WORDS } from "#core/words";
import type { ChosenRow } from "../rows";

interface ScopeFieldsProps {
  readonly row: ChosenRow;
  readonly facets: readonly Facet[];
  /** `section:x`, `student:y`, or empty for everyone. */
  readonly to: string;
  readonly wholeCategory: boolean;
  readonly sections: readonly { readonly id: string; readonly name: string }[];
  readonly students: readonly { readonly id: string; readonly name: string }[];
  readonly onFacets: (facets: readonly Facet[]) => void;
  readonly onTo: (to: string) => void;
  readonly onWholeCategory: (on: boolean) => void;
}

/** What goes out, of how much, and to whom. */
export function ScopeFields(props: ScopeFieldsProps) {
  const { row, facets, to, wholeCategory, sections, students, onFacets, onTo, onWholeCategory } = props;
  const usable = row.facets.filter((overview) => !overview.empty).map(({ facet }) => facet);
  return (
    <div className="mt-2 flex flex-wrap items-center gap-x-6 gap-y-1.5 text-[14px]">
      <fieldset className="flex flex-wrap gap-x-5 gap-y-1">
        <legend className="sr-only">What to release</legend>
        {usable.map((facet) => (
          <label key={facet} className="flex items-center gap-2">
            <input
              type="checkbox"
              className="size-4 accent-green"
              checked={facets.includes(facet)}
              onChange={(event) => {
                onFacets(FACETS.filter((one) => (one === facet ? event.target.checked : facets.includes(one))));
              }}
            />
            {FACET_WORDS[facet]}
          </label>
        ))}
      </fieldset>
      <label className="flex items-center gap-2 text-soft">
        to
        <select
          aria-label="To whom"
          className="field !w-auto max-w-44 !py-1 text-ink"
          value={to}
          onChange={(event) => {
            onTo(event.target.value);
          }}
        >
          <option value="">everyone</option>
          {sections.length > 0 && (
            <optgroup label="One section">
              {sections.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </optgroup>
          )}
          <optgroup label="One student">
            {students.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </optgroup>
        </select>
      </label>
      {row.companions > 0 && (
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="size-4 accent-green"
            checked={wholeCategory}
            onChange={(event) => {
              onWholeCategory(event.target.checked);
            }}
          />
          with all of {row.categoryName} ({row.companions + 1})
        </label>
      )}
    </div>
  );
}
