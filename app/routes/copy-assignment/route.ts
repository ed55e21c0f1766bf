import type { AssignmentId } from "#core/kernel";
import { categoriesOf, rubricOf } from "#core/model";
import { openCourse, orMissing } from "../../open-course";
import { formText } from "../../ui/form-text";
import { issueWords } from "../../ui/words";
import type { Route } from "./+types/route";

/** Copies one assignment, with its rubric, into another course of this browser. */
export async function clientAction({ request, params, context }: Route.ClientActionArgs) {
  const fields = await request.formData();
  const { repository, session } = await openCourse(context, params.slot);
  const assignment = orMissing(
    session.state.assignments[formText(fields, "assignmentId") as AssignmentId],
    "assignment",
  );
  const there = await openCourse(context, formText(fields, "to"));
  const fresh = repository.surroundings.fresh;
  const {
    name,
    shortName,
    points,
    dueAt,
    givenAt,
    channel,
    bonus,
    task,
    note,
    counts,
    alwaysCounts,
    aboveAllowed,
    grouping,
    attemptsAllowed,
    countedAttempt,
  } = assignment;
  const category = session.state.categories[assignment.categoryId]?.name ?? "Work";
  const known = categoriesOf(there.session.state).find((one) => one.name === category);
  const rubric = rubricOf(session.state, assignment);
  const copied = rubric && { ...rubric, id: `rubric:${fresh()}` as typeof rubric.id };
  if (copied) {
    const saved = there.session.submit({ type: "saveRubric", rubric: copied });
    if (!saved.ok) return { trouble: issueWords(saved.issue) };
  }
  const done = there.session.submit({
    type: "addAssignments",
    assignments: [
      {
        name,
        shortName,
        points,
        dueAt,
        givenAt,
        channel,
        bonus,
        task,
        note,
        counts,
        alwaysCounts,
        aboveAllowed,
        grouping,
        attemptsAllowed,
        countedAttempt,
        rubricId: copied?.id ?? null,
        category: known?.id ?? { name: category },
      },
    ],
  });
  if (!done.ok && copied) there.session.step("undo");
  return { trouble: done.ok ? null : issueWords(done.issue) };
}
