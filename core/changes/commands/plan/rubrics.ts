import { z } from "zod/mini";
import { compare, refuse, type AssignmentId, type Exact, type StudentId } from "#core/kernel";
import {
  assignmentsOf,
  type CourseState,
  idField,
  type Rubric,
  rubricSchema,
  studentsOf,
  usesOfRubric,
} from "#core/model";
import { figureOf } from "#core/totals";
import type { CommandKind } from "../../engine/change";
import { judgedPapers } from "./assignments";
import { assignmentAt, finish, put, remove, rubricFault } from "../../engine/command-parts";

/** Commands for the library of rubrics. */

const saveInput = z.object({
  rubric: rubricSchema,
  /** The assignment it is made for; it gets the rubric in the same change. */
  assignmentId: z.optional(idField("assignment")),
  /** The person has looked at what happens to papers already judged. */
  confirmed: z.optional(z.boolean()),
});

/** Adds a rubric to the library, or changes one. One that papers are judged by is asked about once. */
export const saveRubric: CommandKind<z.infer<typeof saveInput>> = {
  input: saveInput,
  prepare: (state, { rubric, assignmentId, confirmed = false }) => {
    const fault = rubricFault(rubric);
    if (fault) return refuse(fault);
    const taken = Object.values(state.rubrics).some(({ id, name }) => name === rubric.name && id !== rubric.id);
    if (taken) return refuse({ code: "name_taken", name: rubric.name });
    const known = state.rubrics[rubric.id];
    const papers = usesOfRubric(state, rubric.id).reduce((sum, { id }) => sum + judgedPapers(state, id, rubric.id), 0);
    const touches = known !== undefined && JSON.stringify(judgingPart(known)) !== JSON.stringify(judgingPart(rubric));
    if (touches && papers > 0 && !confirmed) return refuse({ code: "rubric_in_use", papers, canConfirm: true });
    const target = assignmentId === undefined ? null : assignmentAt(state, assignmentId);
    if (target && !target.ok) return target;
    const judged = target ? judgedPapers(state, target.value.id, target.value.rubricId) : 0;
    if (judged > 0 && !confirmed) return refuse({ code: "rubric_in_use", papers: judged, canConfirm: true });
    return finish(
      `Rubric ${rubric.name} ${known ? "changed" : "added"}`,
      put(state, "rubrics", rubric),
      target && put(state, "assignments", { ...target.value, rubricId: rubric.id }),
    );
  },
};

/** What of a rubric decides scores; its words do not. */
const judgingPart = ({ criteria, scaled, purpose }: Rubric) => ({
  scaled,
  purpose,
  criteria: criteria.map(({ id, weight, levels }) => ({
    id,
    weight,
    levels: levels.map(({ min, max }) => [min, max]),
  })),
});

const removeInput = z.object({ rubricId: idField("rubric") });

/** Takes a rubric that no assignment uses out of the library. */
export const removeRubric: CommandKind<z.infer<typeof removeInput>> = {
  input: removeInput,
  prepare: (state, { rubricId }) => {
    const rubric = state.rubrics[rubricId];
    if (!rubric) return refuse({ code: "unknown_record", what: "rubric", id: rubricId });
    const [use] = usesOfRubric(state, rubricId);
    if (use) return refuse({ code: "record_in_use", what: "rubric", by: use.name });
    return finish(`Rubric ${rubric.name} removed`, remove(state, "rubrics", rubricId));
  },
};

/** What a change of a rubric does to one paper. Scores in points. */
export interface RubricEffect {
  readonly assignmentId: AssignmentId;
  readonly studentId: StudentId;
  readonly before: Exact | null;
  readonly after: Exact | null;
}

/** The papers whose counted value a changed rubric would change. */
export function rubricEffects(state: CourseState, rubric: Rubric): RubricEffect[] {
  const next = { ...state, rubrics: { ...state.rubrics, [rubric.id]: rubric } };
  return assignmentsOf(state)
    .filter(({ rubricId }) => rubricId === rubric.id)
    .flatMap((assignment) =>
      studentsOf(state).flatMap(({ id: studentId }) => {
        const before = figureOf(state, assignment, studentId).counted;
        const after = figureOf(next, assignment, studentId).counted;
        const same = before === null || after === null ? before === after : compare(before, after) === 0;
        return same ? [] : [{ assignmentId: assignment.id, studentId, before, after }];
      }),
    );
}
