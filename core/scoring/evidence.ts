import type { Criterion, Judgement, Note, Rubric } from "#core/model";

/** Criteria that ask for evidence and were given points without a passage of the work that is linked to them. */
export const lackingEvidence = (
  rubric: Pick<Rubric, "criteria">,
  judgement: (criterion: Criterion) => Pick<Judgement, "points" | "notApplicable">,
  notes: readonly Pick<Note, "criterionId">[],
): Criterion[] =>
  rubric.criteria.filter((criterion) => {
    const { points, notApplicable } = judgement(criterion);
    const judged = points !== null && !notApplicable;
    return criterion.asksEvidence && judged && !notes.some(({ criterionId }) => criterionId === criterion.id);
  });
