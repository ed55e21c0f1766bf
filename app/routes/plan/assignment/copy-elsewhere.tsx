import { useId, useState } from "react";
import { useFetcher } from "react-router";
import type { AssignmentId } from "#core/kernel";
import type { CourseListing } from "#storage";
import { counted } from "#core/words";
import { Tick } from "../../../ui/fields/tick";

/** What the action of copying answers. */
interface Answer {
  readonly copied: readonly string[];
  readonly trouble: readonly string[];
}

/** Copies the assignment, with its rubric, into other courses at once, its dates shifted by days. */
export function CopyElsewhere({
  slot,
  assignmentId,
  others,
}: {
  readonly slot: string;
  readonly assignmentId: AssignmentId;
  readonly others: readonly CourseListing[];
}) {
  const fetcher = useFetcher<Answer>();
  const days = useId();
  const [chosen, setChosen] = useState<ReadonlySet<string>>(
    () => new Set(others.length === 1 ? others.map((course) => course.slot) : []),
  );
  return (
    <fetcher.Form method="post" action={`/courses/${slot}/plan/copy-assignment`}>
      <input type="hidden" name="assignmentId" value={assignmentId} />
      <fieldset className="text-[14px]">
        <legend className="text-[13px] text-soft">Copy to other courses</legend>
        {others.map((course) => (
          <Tick
            key={course.slot}
            className="py-0.5"
            name="to"
            value={course.slot}
            checked={chosen.has(course.slot)}
            onChange={(ticked) => {
              const next = new Set(chosen);
              if (ticked) next.add(course.slot);
              else next.delete(course.slot);
              setChosen(next);
            }}
          >
            {course.title}
          </Tick>
        ))}
      </fieldset>
      <div className="mt-1.5 flex items-center gap-3">
        <label htmlFor={days} className="text-[13px] text-soft">
          Dates later by, in days
        </label>
        <input
          id={days}
          name="days"
          inputMode="numeric"
          placeholder="0"
          className="field figures !w-20 text-[15px] text-ink"
        />
        <button type="submit" className="act act-quiet" disabled={fetcher.state !== "idle" || chosen.size === 0}>
          Copy to {counted(chosen.size, "course")}
        </button>
      </div>
      <p role="status" className="mt-1 text-[13px] text-soft">
        {fetcher.data && fetcher.data.copied.length > 0 && `Copied to ${fetcher.data.copied.join(", ")}. `}
        {fetcher.data && fetcher.data.trouble.length > 0 && (
          <span className="text-wax">Not copied: {fetcher.data.trouble.join(" ")}</span>
        )}
      </p>
    </fetcher.Form>
  );
}
