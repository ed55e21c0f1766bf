import { useState } from "react";
import { useFetcher } from "react-router";
import type { CourseListing } from "#storage";

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
          <select name="from" className="field text-[15px] text-ink">
            {others.map(({ slot, title }) => (
              <option key={slot} value={slot}>
                {title}
              </option>
            ))}
          </select>
        </label>
        <label className="block text-[13px] text-soft">
          Dates
          <select
            name="weeks"
            className="field text-[15px] text-ink"
            value={weeks}
            onChange={(event) => {
              setWeeks(event.target.value);
            }}
          >
            <option value="52">moved by 52 weeks, same day of the week</option>
            <option value="26">moved by 26 weeks</option>
            <option value="0">as they are</option>
            <option value="none">left out</option>
          </select>
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
