import { X } from "lucide-react";
import { Dialog } from "radix-ui";
import type { CriterionRow } from "../rows";

/** The whole rubric, criterion by criterion with the words of every level; what is given on this paper is marked in it. */
export function WholeRubric({
  title,
  criteria,
  open,
  onOpen,
}: {
  readonly title: string;
  readonly criteria: readonly CriterionRow[];
  readonly open: boolean;
  readonly onOpen: (open: boolean) => void;
}) {
  return (
    <Dialog.Root open={open} onOpenChange={onOpen}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-[6vh] left-1/2 z-50 max-h-[88vh] w-[min(980px,94vw)] -translate-x-1/2 overflow-y-auto rounded border border-rule bg-sheet px-6 py-5 shadow-xl"
        >
          <Dialog.Title className="font-serif text-[20px] font-semibold">{title}: the whole rubric</Dialog.Title>
          <Dialog.Close aria-label="Close" className="absolute top-4 right-4 grid size-8 place-items-center text-soft">
            <X size={18} aria-hidden="true" />
          </Dialog.Close>
          {criteria.map(({ criterion, colour, points, maximum }) => (
            <section key={criterion.id} aria-label={criterion.name} className="mt-4 border-t border-rule pt-2">
              <h3 className="flex items-center gap-2 font-semibold">
                <span aria-hidden="true" className="size-2.5 rounded-[3px]" style={{ background: colour }} />
                {criterion.name}
                <span className="figures font-normal text-soft">
                  {points ?? "–"} / {maximum}
                </span>
              </h3>
              <dl className="mt-1 flex flex-wrap gap-x-5 gap-y-2 text-[14px]">
                {criterion.levels.map((level) => (
                  <div key={level.id} className="min-w-44 flex-1">
                    <dt className="figures">
                      {level.name} {level.min}–{level.max}
                    </dt>
                    <dd className="text-soft">{level.descriptor || "No words yet."}</dd>
                  </div>
                ))}
              </dl>
            </section>
          ))}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
