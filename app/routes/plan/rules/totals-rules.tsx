import type { Course } from "#core/model";
import { ChoiceField } from "../../../ui/fields/choice-field";
import type { EditRules } from "./rules";

/** How categories make a total, what is rounded, and what students' totals rest on. */
export function TotalsRules({ draft, edit }: { readonly draft: Course; readonly edit: EditRules }) {
  return (
    <section aria-label="Totals">
      <h2 className="border-t-2 border-ink pt-2 font-semibold">Totals</h2>
      <div className="mt-3 grid grid-cols-2 gap-3 lg:grid-cols-3">
        <ChoiceField
          label="The course total is made of"
          value={draft.totals}
          options={[
            ["weighted", "categories by their weights"],
            ["points", "straight points"],
          ]}
          onKeep={(totals) => {
            edit({ totals });
          }}
        />
        <ChoiceField
          label="A category with nothing in it yet"
          value={draft.emptyCategories}
          options={[
            ["leftOut", "is left out"],
            ["zero", "counts as 0"],
          ]}
          onKeep={(emptyCategories) => {
            edit({ emptyCategories });
          }}
        />
        <ChoiceField
          label="Above 100 %"
          value={draft.capAtHundred ? "cap" : "free"}
          options={[
            ["free", "a total may go"],
            ["cap", "a total never goes"],
          ]}
          onKeep={(value) => {
            edit({ capAtHundred: value === "cap" });
          }}
        />
        <ChoiceField
          label="Percentages are shown with"
          value={String(draft.percentPlaces) as "0" | "1" | "2" | "3" | "4"}
          options={[
            ["0", "no decimals"],
            ["1", "1 decimal"],
            ["2", "2 decimals"],
            ["3", "3 decimals"],
            ["4", "4 decimals"],
          ]}
          onKeep={(places) => {
            edit({ percentPlaces: Number(places) });
          }}
        />
        <ChoiceField
          label="Totals that students see rest on"
          value={draft.totalsRestOn}
          options={[
            ["released", "released work only"],
            ["all", "all work"],
          ]}
          onKeep={(totalsRestOn) => {
            edit({ totalsRestOn });
          }}
        />
      </div>
    </section>
  );
}
