import { useMemo, useState } from "react";
import { rosterName, type CourseState } from "#core/model";
import { spreadOf, type Spread, type SpreadGroup, type Statistic, type GroupDifference } from "#core/statistics";
import { counted } from "#core/words";
import { deskAddress } from "../../../ui/address";
import { WithTable } from "../../../ui/charts/with-table";
import { OneOf } from "../../../ui/fields/one-of";
import { useGoTo } from "../../../ui/ways/use-go-to";
import { chanceWords, short, whyNot } from "../figure-words";
import type { Looked } from "../rows";
import { HistogramChart } from "./histogram-chart";
import { SpreadChart } from "./spread-chart";
import { SpreadTable } from "./spread-table";
import { inMark } from "../../../ui/words/figures";

/** How the class lies on the scale, with what tells sections and markers apart. */
export function SpreadView({ slot, looked }: { readonly slot: string; readonly looked: Looked }) {
  const { state, assignment, scorings } = looked;
  const spread = useMemo(() => spreadOf(state, assignment, scorings), [state, assignment, scorings]);
  const rows = useMemo(() => spread.groups.map((group) => ({ group, name: groupName(state, group) })), [spread, state]);
  const names = useMemo(
    () => new Map<string, string>(Object.values(state.students).map((one) => [one.id, rosterName(state, one)])),
    [state],
  );
  const nameOf = useMemo(() => (id: string) => names.get(id) ?? "", [names]);
  const [picture, setPicture] = useState<"dots" | "bars">("dots");
  const go = useGoTo();
  const [all] = spread.groups;
  if (!all?.described.ok) {
    return <p className="mt-8 text-soft">Nothing is scored here yet. The spread appears with the first two scores.</p>;
  }
  const label = `Spread of ${assignment.name}`;
  return (
    <section aria-label="Spread">
      <OneOf
        label="Picture"
        className="text-[13.5px] text-soft"
        value={picture}
        options={[
          ["dots", "every paper"],
          ["bars", "histogram"],
        ]}
        onChoose={setPicture}
      />
      <div className="mt-1">
        <WithTable
          label={label}
          picture={
            picture === "dots" ? (
              <SpreadChart
                label={label}
                spread={spread}
                rows={rows}
                nameOf={nameOf}
                onOpen={(id) => {
                  go(deskAddress(slot, assignment.id, id));
                }}
              />
            ) : (
              <HistogramChart label={label} spread={spread} />
            )
          }
          table={<SpreadTable slot={slot} assignmentId={assignment.id} rows={rows} nameOf={nameOf} />}
        />
      </div>
      <SpreadWords spread={spread} />
    </section>
  );
}

function groupName(state: CourseState, { kind, id }: SpreadGroup): string {
  if (kind === "all" || id === null) return "All";
  return (kind === "section" ? state.sections[id]?.name : state.markers[id]?.name) ?? "";
}

/** The same in a line: mean, median, spread, quartiles, what counts are missing, and whether groups differ. */
function SpreadWords({ spread }: { readonly spread: Spread }) {
  const described = spread.groups[0]?.described;
  if (!described?.ok) return null;
  const { mean, median, deviation, lowerQuartile, upperQuartile, count } = described.value;
  const { missing, excused, waiting, notIn } = spread.progress;
  const apart = [
    missing > 0 ? `${String(missing)} missing` : "",
    excused > 0 ? `${String(excused)} excused` : "",
    waiting > 0 ? `${String(waiting)} to score` : "",
    notIn > 0 ? `${String(notIn)} not in` : "",
  ].filter(Boolean);
  return (
    <>
      <p className="figures mt-3 text-[14px] text-soft">
        {[
          `mean ${inMark(mean.toFixed(1))}`,
          `median ${inMark(median.toFixed(1))}`,
          deviation.ok ? `spread (SD) ${inMark(deviation.value.toFixed(1))}` : `spread: ${whyNot(deviation.issue)}`,
          `half of the class between ${short(lowerQuartile)} and ${short(upperQuartile)}`,
          counted(count, "paper"),
        ].join(" · ")}
        {apart.length > 0 && `, beside them ${apart.join(", ")}`}
      </p>
      <DifferenceLine what="sections" found={spread.sections} groups={groupsOf(spread, "section")} />
      <DifferenceLine what="markers" found={spread.markers} groups={groupsOf(spread, "marker")} />
    </>
  );
}

const groupsOf = (spread: Spread, kind: SpreadGroup["kind"]) => spread.groups.filter((group) => group.kind === kind);

/** Whether sections or markers differ, plainly, with the way it was worked out behind it. */
function DifferenceLine({
  what,
  found,
  groups,
}: {
  readonly what: "sections" | "markers";
  readonly found: Statistic<GroupDifference>;
  readonly groups: readonly SpreadGroup[];
}) {
  if (groups.length < 2) return null;
  if (!found.ok) {
    return (
      <p className="mt-1 text-[14px] text-soft">
        Whether {what} differ cannot be told: {whyNot(found.issue)}.
      </p>
    );
  }
  const { apart, chance, f, between, within } = found.value;
  const papers = groups.reduce((total, group) => total + group.papers.length, 0);
  return (
    <details className="figures mt-1 text-[14px] text-soft">
      <summary className="w-fit">
        {what} differ by {inMark(apart.toFixed(1))} points:{" "}
        <span className={chance < 0.05 ? "font-semibold text-ochre" : "text-ink"}>{chanceWords(chance)}</span> for{" "}
        {counted(papers, "paper")}
      </summary>
      <p className="mt-1 max-w-prose ps-4">
        If the {what} were judged alike, their means would lie at least this far apart in about{" "}
        {chance < 0.001 ? "fewer than 1 of 1,000" : `${short(chance * 100)} of 100`} such classes. Welch’s test of means
        (B. L. Welch, 1951, Biometrika 38, 330–336): F {inMark(f.toFixed(2))} with {String(between)} and{" "}
        {inMark(within.toFixed(1))} degrees of freedom. It compares the means and does not say why they differ.
      </p>
    </details>
  );
}
