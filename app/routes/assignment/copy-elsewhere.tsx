import { useFetcher } from "react-router";
import type { AssignmentId } from "#core/kernel";
import type { CourseListing } from "#storage";

/** Copies the assignment, with its rubric, into another course. */
export function CopyElsewhere({
  slot,
  assignmentId,
  others,
}: {
  readonly slot: string;
  readonly assignmentId: AssignmentId;
  readonly others: readonly CourseListing[];
}) {
  const fetcher = useFetcher<{ trouble: string | null }>();
  return (
    <fetcher.Form method="post" action={`/courses/${slot}/plan/copy-assignment`} className="flex items-end gap-3">
      <input type="hidden" name="assignmentId" value={assignmentId} />
      <label className="flex-1 text-[13px] text-soft">
        Copy to another course
        <select name="to" className="field text-[15px] text-ink">
          {others.map((course) => (
            <option key={course.slot} value={course.slot}>
              {course.title}
            </option>
          ))}
        </select>
      </label>
      <button type="submit" className="act act-quiet" disabled={fetcher.state !== "idle"}>
        Copy
      </button>
      <span role="status" className={`w-40 text-[13px] ${fetcher.data?.trouble ? "text-wax" : "text-soft"}`}>
        {fetcher.data ? (fetcher.data.trouble ?? "Copied.") : ""}
      </span>
    </fetcher.Form>
  );
}
