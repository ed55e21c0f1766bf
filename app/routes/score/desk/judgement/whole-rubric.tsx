import { DialogFrame } from "../../../../ui/dialogs/dialog-frame";
import type { CriterionRow } from "../rows";
import { inMark } from "../../../../ui/words/figures";

/** The whole rubric, criterion by criterion with the words of every level; what is given on this paper is marked in it. */
export function WholeRubric({
  title,
  criteria,
  onClose,
}: {
  readonly title: string;
  readonly criteria: readonly CriterionRow[];
  readonly onClose: () => void;
}) {
  return (
    <DialogFrame title={`${title}: the whole rubric`} width="full" onClose={onClose}>
      {criteria.map(({ criterion, colour, points, maximum }) => (
        <section key={criterion.id} aria-label={criterion.name} className="mt-4 border-t border-rule pt-2">
          <h3 className="flex items-center gap-2 font-semibold">
            <span aria-hidden="true" className="size-2.5 rounded-[3px]" style={{ background: colour }} />
            {criterion.name}
            <span className="figures font-normal text-soft">{inMark(`${points ?? "–"} / ${maximum}`)}</span>
          </h3>
          <dl className="mt-1 flex flex-wrap gap-x-5 gap-y-2 text-[14px]">
            {criterion.levels.map((level) => (
              <div key={level.id} className="min-w-44 flex-1">
                <dt className="figures">
                  {level.name} {inMark(`${level.min}–${level.max}`)}
                </dt>
                <dd className="text-soft">{level.descriptor || "No words yet."}</dd>
              </div>
            ))}
          </dl>
        </section>
      ))}
    </DialogFrame>
  );
}
