import { useMemo, useState } from "react";
import { sameValue } from "#core/kernel";
import { rosterName, type CourseState } from "#core/model";
import { givenScores, scalingPreview, type ScaledPaper, type ScalingPreview } from "#core/statistics";
import { counted } from "#core/words";
import { useChange } from "../../../course/use-change";
import { WithTable } from "../../../ui/charts/with-table";
import { AsYouLeftIt } from "../../../ui/fields/as-you-left-it";
import { useTyped } from "../../../ui/fields/drafts";
import { FigureInput } from "../../../ui/fields/figure-input";
import { OneOf } from "../../../ui/fields/one-of";
import { readFigure } from "../../../ui/fields/read-figure";
import { useTroubleOf } from "../../../ui/hooks/use-command";
import { issueWords } from "../../../ui/words/words";
import { short } from "../figure-words";
import type { Looked } from "../rows";
import { ScalingChart } from "./scaling-chart";
import { ScalingTable } from "./scaling-table";
import { firstWish, readWish, SCALING_WAYS, scalingOf, type ScalingWish } from "./scaling-wish";
import { inMark } from "../../../ui/words/figures";

/** Students that are named of those who gain, and of those who lose. */
const NAMED = 6;

/** A scaling of the whole assignment, tried as two spreads before it is applied; the scores it rests on stay. */
export function ScalingView({ looked }: { readonly looked: Looked }) {
  // Another scaling in force is another form to begin with.
  return <ScalingForm key={JSON.stringify(looked.assignment.scaling)} looked={looked} />;
}

function ScalingForm({ looked }: { readonly looked: Looked }) {
  const { state, assignment } = looked;
  const first = useMemo(() => firstWish(assignment), [assignment]);
  const typed = useTyped<ScalingWish>(`scaling ${assignment.id}`, first, readWish);
  const wish = typed.value;
  const given = useMemo(() => givenScores(state, assignment), [state, assignment]);
  const wanted = useMemo(() => scalingOf(wish, assignment, given), [wish, assignment, given]);
  const preview = useMemo(
    () => (wanted.ok ? scalingPreview(state, assignment, wanted.value) : null),
    [state, assignment, wanted],
  );
  const [trouble, setTrouble] = useState<string | null>(null);
  const send = useTroubleOf(useChange());
  const isOther = wanted.ok && !sameValue(wanted.value, assignment.scaling);
  const edit = (fields: Partial<ScalingWish>) => {
    setTrouble(null);
    typed.set((before) => ({ ...before, ...fields }));
  };
  const apply = async () => {
    if (!wanted.ok) return;
    const tried = wish;
    typed.clear();
    const words = await send({ type: "scaleAssignment", assignmentId: assignment.id, scaling: wanted.value });
    if (words === null) return;
    typed.set(tried);
    setTrouble(words);
  };
  if (given.length === 0) return <p className="mt-8 text-soft">There is no score yet to scale.</p>;
  return (
    <section aria-label="Scaling">
      <p className="max-w-prose text-[14px] text-soft">
        The whole assignment at once. What was scored stays beside it, every figure tells of the scaling, and Undo takes
        it back.
      </p>
      <OneOf
        label="How it is scaled"
        className="mt-3 text-[14px]"
        value={wish.way}
        options={SCALING_WAYS}
        onChoose={(way) => {
          edit({ way });
        }}
      />
      <ScalingFigures wish={wish} edit={edit} />
      {typed.isLeft && <AsYouLeftIt />}
      {!wanted.ok && (
        <p role="alert" className="mt-3 text-[14px] text-wax">
          {issueWords(wanted.issue)}
        </p>
      )}
      {preview && (
        <div className="mt-9">
          <WithTable
            label="Before and after"
            picture={<ScalingChart label={`${assignment.name} before and after scaling`} preview={preview} />}
            table={<ScalingTable state={state} preview={preview} />}
          />
          <PreviewWords state={state} preview={preview} />
        </div>
      )}
      <div className="mt-4 flex items-center gap-4">
        <button type="button" className="act act-first" disabled={!isOther} onClick={() => void apply()}>
          {wanted.ok && wanted.value === null && assignment.scaling
            ? "Take the scaling back"
            : `Scale ${counted(preview?.papers.length ?? 0, "score")}`}
        </button>
        {!isOther && wanted.ok && (
          <span className="text-[14px] text-soft">
            {assignment.scaling ? "This scaling is in force." : "Scores stand as they were given."}
          </span>
        )}
        {trouble && (
          <span role="alert" className="text-[14px] text-wax">
            {trouble}
          </span>
        )}
      </div>
    </section>
  );
}

/** The figures that a way asks for. */
function ScalingFigures({
  wish,
  edit,
}: {
  readonly wish: ScalingWish;
  readonly edit: (fields: Partial<ScalingWish>) => void;
}) {
  const field = (name: "points" | "x1" | "y1" | "x2" | "y2", label: string) => (
    <FigureInput
      key={name}
      className="w-36"
      label={label}
      value={wish[name]}
      read={readFigure}
      onRead={(value) => {
        edit({ [name]: value });
      }}
    />
  );
  if (wish.way === "add") return <div className="mt-3">{field("points", "Points to add")}</div>;
  if (wish.way !== "linear") return null;
  return (
    <div className="mt-3 flex flex-wrap items-end gap-3">
      {field("x1", "A score of")}
      {field("y1", "becomes")}
      {field("x2", "and a score of")}
      {field("y2", "becomes")}
    </div>
  );
}

/** Who gains, who loses, and what becomes of the class. */
function PreviewWords({ state, preview }: { readonly state: CourseState; readonly preview: ScalingPreview }) {
  const { before, after, gain, lose, above, papers } = preview;
  const stay = papers.length - gain.length - lose.length;
  const named = (papers: readonly ScaledPaper[]) =>
    papers
      .slice(0, NAMED)
      .map(({ studentId, before: was, after: then }) => {
        const student = state.students[studentId];
        return `${student ? rosterName(state, student) : ""} ${short(was)} → ${short(then)}`;
      })
      .join(", ") + (papers.length > NAMED ? " and others" : "");
  return (
    <div className="figures mt-2 grid gap-1 text-[14px] text-soft" aria-live="polite">
      {before.ok && after.ok && (
        <p>
          mean {inMark(before.value.mean.toFixed(1))} →{" "}
          <strong className="text-ink">{inMark(after.value.mean.toFixed(1))}</strong> · median{" "}
          {inMark(before.value.median.toFixed(1))} →{" "}
          <strong className="text-ink">{inMark(after.value.median.toFixed(1))}</strong>
          {before.value.deviation.ok &&
            after.value.deviation.ok &&
            ` · SD ${inMark(before.value.deviation.value.toFixed(1))} → ${inMark(after.value.deviation.value.toFixed(1))}`}
        </p>
      )}
      <p>
        {counted(gain.length, "student")} would gain{lose.length > 0 ? `, ${String(lose.length)} would lose` : ""}
        {stay > 0 ? `, ${String(stay)} would stay` : ""}
        {above > 0 ? `, ${String(above)} would stand above the maximum` : ""}.
      </p>
      {lose.length > 0 && <p className="text-ochre">Lose: {named(lose)}</p>}
    </div>
  );
}
