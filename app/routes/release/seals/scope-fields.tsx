import { FACETS, type Facet } from "#core/model";
import { FACET_WORDS } from "#core/words";
import { Choice } from "../../../ui/fields/choice";
import { Tick } from "../../../ui/fields/tick";
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
          <Tick
            key={facet}
            checked={facets.includes(facet)}
            onChange={(chosen) => {
              onFacets(FACETS.filter((one) => (one === facet ? chosen : facets.includes(one))));
            }}
          >
            {FACET_WORDS[facet]}
          </Tick>
        ))}
      </fieldset>
      <label className="flex items-center gap-2 text-soft">
        to
        <Choice
          label="To whom"
          className="!w-auto max-w-44 !py-1"
          value={to}
          onChoose={onTo}
          options={[
            ["", "everyone"],
            ...(sections.length > 0 ? [{ heading: "One section", options: sections.map(named) }] : []),
            { heading: "One student", options: students.map(named) },
          ]}
        />
      </label>
      {row.companions > 0 && (
        <Tick checked={wholeCategory} onChange={onWholeCategory}>
          with all of {row.categoryName} ({row.companions + 1})
        </Tick>
      )}
    </div>
  );
}

const named = ({ id, name }: { readonly id: string; readonly name: string }) => [id, name] as const;
