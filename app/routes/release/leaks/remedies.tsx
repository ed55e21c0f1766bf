import { useCallback, useMemo } from "react";
import {
  checkedAfter,
  leakReport,
  remediesFor,
  type Checked,
  type Command,
  type Context,
  type Remedy,
} from "#core/changes";
import type { Steps, StudentId } from "#core/kernel";
import { visibleChanges, type LeakReport, type VisibleChange } from "#core/release";
import { counted } from "#core/words";
import { useSliced } from "../../../ui/hooks/use-sliced";
import { useStepped } from "../../../ui/hooks/use-stepped";
import { namesWords, PreviewList } from "../preview-list";

interface RemediesProps {
  readonly checked: Checked;
  readonly reports: readonly LeakReport[];
  readonly context: Context;
  readonly nameOf: (id: string) => string;
  readonly studentName: (id: string) => string;
  /** The release that was about to happen follows the remedy. */
  readonly andRelease: boolean;
  readonly onApply: (command: Command) => Promise<void>;
}

interface Way {
  readonly remedy: Remedy;
  /** Null where it cannot be done. */
  readonly after: Checked | null;
  readonly changes: readonly VisibleChange[];
}
const NO_WAYS: readonly Way[] = [];

function* triedWays(checked: Checked, reports: readonly LeakReport[], context: Context): Steps<Way[]> {
  const ways: Way[] = [];
  for (const remedy of remediesFor(checked.state, reports)) {
    const after = yield* checkedAfter(checked, remedy.command, context);
    ways.push({ remedy, after, changes: after ? yield* visibleChanges(checked.state, after.state) : [] });
  }
  return ways;
}

/** Ways to close what was found, each with what it would come to, before one is chosen. */
export function Remedies({ checked, reports, context, nameOf, studentName, andRelease, onApply }: RemediesProps) {
  const tried = useStepped(useMemo(() => () => triedWays(checked, reports, context), [checked, reports, context]));
  const ways = tried.value ?? NO_WAYS;
  const pairs = useMemo(
    () => ways.flatMap((_way, way) => reports.map(({ studentId }) => ({ way, studentId }))),
    [ways, reports],
  );
  const look = useCallback(
    ({ way, studentId }: { readonly way: number; readonly studentId: StudentId }) => {
      const after = ways[way]?.after;
      return after && leakReport(after, studentId).leaks.length === 0 ? [] : [{ way, studentId }];
    },
    [ways],
  );
  const { found, done, of } = useSliced(pairs, look);
  const ready = !tried.isBehind && of === pairs.length && done === of;
  return (
    <section aria-label="Ways to close it" className="mt-4 border-t-2 border-ink pt-2">
      <h2 className="text-[16px] font-semibold">Ways to close it</h2>
      <ul className="mt-1">
        {ways.map(({ remedy, after, changes }, way) => {
          const left = found.filter((one) => one.way === way).map(({ studentId }) => studentId);
          return (
            <li
              key={`${remedy.kind}${remedy.about.join()}`}
              className="flex items-start gap-4 border-b border-rule py-2"
            >
              <div className="min-w-0 flex-1">
                <p className="text-[15px]">{remedyWords(remedy, nameOf)}</p>
                <p className={`figures text-[14px] ${ready && left.length === 0 ? "text-green" : "text-soft"}`}>
                  {!after
                    ? "Cannot be done as things stand."
                    : !ready
                      ? `Trying it, ${String(done)} of ${String(of)}`
                      : left.length === 0
                        ? `✓ Closes it for all ${counted(reports.length, "student")}`
                        : `Leaves ${counted(left.length, "student")}: ${namesWords(left, studentName)}`}
                </p>
                <details className="text-[14px]">
                  <summary className="cursor-pointer text-soft">Who would see what</summary>
                  <PreviewList preview={changes} nameOf={studentName} />
                </details>
              </div>
              <button
                type="button"
                className="act act-quiet"
                disabled={!after}
                onClick={() => void onApply(remedy.command)}
              >
                {actionWords(remedy, nameOf)}
                {andRelease && remedy.kind !== "releaseTogether" ? " and release" : ""}
              </button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

const totalsWords = (ids: readonly string[], nameOf: (id: string) => string): string =>
  ids.map((id) => (id === "course" ? "Course" : nameOf(id))).join(", ");

function actionWords({ kind, about }: Remedy, nameOf: (id: string) => string): string {
  switch (kind) {
    case "sealTotals":
      return about.length > 1 ? `Seal ${String(about.length)} totals` : `Seal the ${totalsWords(about, nameOf)} total`;
    case "restOnReleased":
      return "Rest totals on released work";
    case "releaseTogether":
      return about.length > 1 ? `Release ${String(about.length)} scores together` : "Release the score too";
    case "sealRubric":
      return "Seal the rubric detail";
  }
}

function remedyWords({ kind, about }: Remedy, nameOf: (id: string) => string): string {
  switch (kind) {
    case "sealTotals":
      return `Seal the ${totalsWords(about, nameOf)} total${about.length > 1 ? "s" : ""}: students see it no longer.`;
    case "restOnReleased":
      return "Let totals rest on released work only: sealed scores enter no total a student sees.";
    case "releaseTogether":
      return `Release the scores of ${about.map(nameOf).join(", ")} too: nothing is left to work out.`;
    case "sealRubric":
      return `Seal the rubric detail of ${about.map(nameOf).join(", ")} until the score goes out.`;
  }
}
