import { useEffect, useMemo, useState } from "react";
import { rubricEffects } from "#core/changes";
import { sameValue } from "#core/kernel";
import { type CourseState, type Rubric, rubricSchema } from "#core/model";
import { checkRubric } from "#core/scoring";
import { troubleOf } from "../../../ui/hooks/use-command";
import { isShapedLike, useTyped } from "../../../ui/fields/drafts";
import { useChange } from "../../../course/use-change";

/** Rest after an edit before a rubric that nobody is judged by keeps itself, in milliseconds. */
const REST = 400;

/**
 * A rubric as it is being written. Where nobody is judged by it, it keeps itself after a rest; where papers are, what it
 * would do to them is worked out, and it is applied when that is asked for.
 */
export function useRubricDraft(state: CourseState, stored: Rubric, judged: number) {
  const change = useChange();
  const typed = useTyped<Rubric | null>(
    `rubric/${stored.id}`,
    null,
    (found) => (isShapedLike(found, stored) ? (found as Rubric) : null),
    stored,
  );
  const { value: draft, set: setDraft } = typed;
  const [trouble, setTrouble] = useState<string | null>(null);
  const rubric = draft ?? stored;
  const findings = useMemo(() => checkRubric(rubric), [rubric]);
  const valid = findings.every(({ kind }) => kind === "hint") && rubricSchema.safeParse(rubric).success;
  const changed = draft !== null && !sameValue(draft, stored);
  const touches = judged > 0 && changed && valid;
  const effects = useMemo(() => (touches ? rubricEffects(state, rubric) : []), [touches, state, rubric]);

  useEffect(() => {
    if (!changed || !valid || judged > 0) return;
    const timer = setTimeout(() => {
      void change({ type: "saveRubric", rubric }).then((outcome) => {
        setTrouble(troubleOf(outcome));
        if (outcome.ok) setDraft((now) => (now === rubric ? null : now));
      });
    }, REST);
    return () => {
      clearTimeout(timer);
    };
  }, [changed, valid, judged, rubric, change, setDraft]);

  const edit = (fields: Partial<Rubric>) => {
    setTrouble(null);
    setDraft({ ...rubric, ...fields });
  };
  const apply = async () => {
    const words = troubleOf(await change({ type: "saveRubric", rubric, confirmed: true }));
    setTrouble(words);
    if (words === null) setDraft(null);
  };

  return { typed, rubric, findings, valid, changed, effects, trouble, setDraft, edit, apply };
}
