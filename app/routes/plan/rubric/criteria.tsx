import { decimal } from "#core/kernel";
import type { Rubric } from "#core/model";
import { duplicateCriterion, rulerEnds, startCriterion } from "#core/scoring";
import { MovingList, MovingLists } from "../../../ui/order/moving";
import { CriterionEditor } from "./criterion-editor";

/** A criterion is chosen by a digit, so there are at most so many. */
const MOST_CRITERIA = 9;

interface CriteriaProps {
  readonly rubric: Rubric;
  readonly fresh: () => string;
  readonly onCriteria: (criteria: Rubric["criteria"]) => void;
}

/** The criteria of a rubric in their order, each with its editor; they are moved by their handles or from their menus. */
export function Criteria({ rubric: { criteria }, fresh, onCriteria }: CriteriaProps) {
  const list = { id: "criteria", items: criteria.map(({ id }) => id) };
  const put = (index: number, ...instead: Rubric["criteria"]) => {
    const next = criteria.toSpliced(index, 1, ...instead);
    if (next.length > 0) onCriteria(next);
  };
  const place = (moved: string, beforeId: string | null) => {
    const one = criteria.find(({ id }) => id === moved);
    const others = criteria.filter(({ id }) => id !== moved);
    const at = others.findIndex(({ id }) => id === beforeId);
    if (one) onCriteria(others.toSpliced(at < 0 ? others.length : at, 0, one));
  };
  const add = () => {
    const last = criteria.at(-1);
    const points = last ? rulerEnds(last).maximum : decimal("12");
    onCriteria([...criteria, startCriterion(fresh, `Criterion ${String(criteria.length + 1)}`, points)]);
  };
  return (
    <div>
      <MovingLists
        lists={[list]}
        nameOf={(id) => criteria.find((criterion) => criterion.id === id)?.name ?? "the end"}
        onPlace={(moved, _, beforeId) => {
          place(moved, beforeId);
        }}
      >
        {() => (
          <MovingList list={list}>
            {criteria.map((criterion, index) => (
              <CriterionEditor
                key={criterion.id}
                criterion={criterion}
                place={index + 1}
                last={criteria.length === 1}
                fresh={fresh}
                onChange={(next) => {
                  put(index, next);
                }}
                onMove={(by) => {
                  const before = by < 0 ? criteria[index - 1] : criteria[index + 2];
                  if (by > 0 || before) place(criterion.id, before?.id ?? null);
                }}
                onRemove={() => {
                  put(index);
                }}
                onDuplicate={
                  criteria.length < MOST_CRITERIA
                    ? () => {
                        put(
                          index,
                          criterion,
                          duplicateCriterion(criterion, `${criterion.name} (copy)`.slice(0, 200), fresh),
                        );
                      }
                    : null
                }
              />
            ))}
          </MovingList>
        )}
      </MovingLists>
      {criteria.length < MOST_CRITERIA && (
        <button type="button" className="act act-quiet mt-4 print:hidden" onClick={add}>
          Add a criterion
        </button>
      )}
    </div>
  );
}
