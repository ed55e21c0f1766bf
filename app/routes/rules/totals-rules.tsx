import type { Course } from "#core/model";
import { Pick } from "./fields";
import type { EditRules } from "./rules";

/** How categories make a total, what is rounded, and what students' totals rest on. */
export function TotalsRules({ draft, edit }: { readonly draft: Course; readonly edit: EditRules }) {
  return (
    <section aria-label="Totals">
      <h2 className="border-t-2 border-ink pt-2 font-semibold">Totals</h2>
      <div className="mt-3 grid grid-cols-2 gap-3 lg:grid-cols-3">
        <Pick
          label="The course total is made of"
          value={draft.totals}
          options={[
            ["weighted", "categories by their weights"],
            ["points", "straight points"],
          ]}
          onPick={(totals) => {
            edit({ totals });
          }}
        />
        <Pick
          label="A category with nothing in it yet"
          value={draft.emptyCategories}
          options={[
            ["leftOut", "is left out"],
            ["zero", "counts as 0"],
          ]}
          onPick={(emptyCategories) => {
            edit({ emptyCategories });
          }}
        />
        <Pick
          label="Above 100 %"
          value={draft.capAtHundred ? "cap" : "free"}
          options={[
            ["free", "a total may go"],
            ["cap", "a total never goes"],
          ]}
          onPick={(value) => {
            edit({ capAtHundred: value === "cap" });
          }}
        />
        <Pick
          label="Percentages are shown with"
          value={String(draft.percentPlaces) as "0" | "1" | "2" | "3" | "4"}
          options={[
            ["0", "no decimals"],
            ["1", "1 decimal"],
            ["2", "2 decimals"],
            ["3", "3 decimals"],
            ["4", "4 decimals"],
          ]}
          onPick={(places) => {
            edit({ percentPlaces: Number(places) });
          }}
        />
        <Pick
          label="Totals that students see rest on"
          value={draft.totalsRestOn}
          options={[
            ["released", "released work only"],
            ["all", "all work"],
          ]}
          onPick={(totalsRestOn) => {
            edit({ totalsRestOn });
          }}
        />
      </div>
    </section>
  );
}
