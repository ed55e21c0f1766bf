import { useState } from "react";
import { useFetcher } from "react-router";
import type { CourseListing } from "#storage";
import { Choice } from "../../../ui/fields/choice";

/** The plan of another course as a beginning: categories, assignments, rubrics, rules; nobody and nobody's work. */
export function CopyPlan({ others }: { readonly others: readonly CourseListing[] }) {
  const fetcher = useFetcher<{ trouble: string | null }>();
  const [weeks, setWeeks] = useState("52");
  return (
    <section aria-label="Plan of another course">
      <h2 className="border-t-2 border-ink pt-2 font-semibold">Begin with another course&rsquo;s plan</h2>
      <fetcher.Form method="post" action="copy" className="mt-2 space-y-2">
        <label className="block text-[13px] text-soft">
          Course
          <Choice
            name="from"
            className="text-[15px]"
            options={others.map(({ slot, title }) => [slot, title] as const)}
          />
        </label>
        <label className="block text-[13px] text-soft">
          Dates
          <Choice
            name="weeks"
            className="text-[15px]"
            value={weeks}
            onChoose={setWeeks}
            options={[
              ["52", "moved by 52 weeks, same day of the week"],
              ["26", "moved by 26 weeks"],
              ["0", "as they are"],
              ["none", "left out"],
            ]}
          />
        </label>
        <button type="submit" className="act act-quiet" disabled={fetcher.state !== "idle"}>
          Take the plan over
        </button>
        {fetcher.data?.trouble && (
          <p role="alert" className="text-[13px] text-wax">
            {fetcher.data.trouble}
          </p>
        )}
      </fetcher.Form>
    </section>
  );
}
