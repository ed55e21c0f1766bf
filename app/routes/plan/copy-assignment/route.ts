import { z } from "zod/mini";
import { copiedFields } from "#core/changes";
import { daysOn } from "#core/formats";
import { fromLocalText, toLocalText, type Instant } from "#core/kernel";
import { courseOf, idField, rubricOf } from "#core/model";
import { adaptRubric } from "#core/scoring";
import { openCourse, orMissing } from "../../../course/open-course";
import { readForm, slotField } from "../../../course/read-form";
import { issueWords } from "../../../ui/words/words";
import type { Route } from "./+types/route";

/** Most days that dates are shifted by, either way: ten years. */
const MOST_DAYS = 3_660;

const wish = z.object({
  assignmentId: idField("assignment"),
  to: z.array(slotField).check(z.minLength(1), z.maxLength(100)),
  /** Days that its dates are shifted by; none where the field is left empty. */
  days: z.coerce.number().check(z.int(), z.minimum(-MOST_DAYS), z.maximum(MOST_DAYS)),
});

/** What came of copying: the courses it was copied to, and why not to the others. */
export interface CopyAnswer {
  readonly copied: readonly string[];
  readonly trouble: readonly string[];
}

/**
 * Copies one assignment, with its rubric, into other courses of this browser, into the category of the same name. Its
 * dates move by whole days and keep their time of day, in each course's own time zone.
 */
export async function clientAction({ request, params, context }: Route.ClientActionArgs): Promise<CopyAnswer> {
  const asked = await readForm(request, wish, ["to"]);
  if (!asked.success) {
    const days = asked.error.issues.some(({ path }) => path[0] === "days");
    const why = days ? `Dates are shifted by whole days, at most ${String(MOST_DAYS)}.` : "Choose a course.";
    return { copied: [], trouble: [why] };
  }
  const { repository, session } = await openCourse(context, params.slot);
  const { state } = session;
  const assignment = orMissing(state.assignments[asked.data.assignmentId], "assignment");
  const rubric = rubricOf(state, assignment);
  const copied: string[] = [];
  const trouble: string[] = [];
  for (const slot of asked.data.to) {
    const there = await openCourse(context, slot);
    const { title, timeZone } = courseOf(there.session.state);
    const shifted = (at: Instant | null) =>
      at && fromLocalText(daysOn(toLocalText(at, courseOf(state).timeZone), asked.data.days), timeZone);
    const done = there.session.submit({
      type: "addAssignments",
      assignments: [
        {
          ...copiedFields(assignment),
          dueAt: shifted(assignment.dueAt),
          givenAt: shifted(assignment.givenAt),
          category: { name: state.categories[assignment.categoryId]?.name ?? "Work" },
          rubric: rubric && adaptRubric(rubric, rubric.name, repository.surroundings.fresh),
        },
      ],
    });
    if (done.ok) copied.push(title);
    else trouble.push(`${title}: ${issueWords(done.issue)}`);
  }
  return { copied, trouble };
}
