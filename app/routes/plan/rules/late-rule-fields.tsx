import type { Course, LateRule } from "#core/model";
import { decimal } from "#core/kernel";
import { lateExample } from "./examples";
import { ChoiceField } from "../../../ui/fields/choice-field";
import { FigureInput } from "../../../ui/fields/figure-input";
import { readFigure, readOptionalFigure } from "../../../ui/fields/read-figure";
import type { EditRules } from "./rules";
import { Tick } from "../../../ui/fields/tick";
import { inMark } from "../../../ui/words/figures";

const START: LateRule = {
  ratePercent: decimal("5"),
  unit: "hours",
  unitHours: 24,
  base: "maximum",
  capPercent: null,
  floorPercent: null,
  graceMinutes: 0,
  graceKind: "threshold",
};

/** The late rule and the rule for missing work, with an example that is worked out again at every key. */
export function LateRuleFields({ draft, edit }: { readonly draft: Course; readonly edit: EditRules }) {
  const rule = draft.lateRule;
  const set = (fields: Partial<LateRule>) => {
    edit({ lateRule: { ...(rule ?? START), ...fields } });
  };
  return (
    <section aria-label="Late and missing work" className="grid gap-x-12 lg:grid-cols-[1fr_420px]">
      <div className="space-y-3">
        <h2 className="border-t-2 border-ink pt-2 font-semibold">Late work</h2>
        <Tick
          className="text-[14.5px]"
          checked={rule !== null}
          onChange={(ticked) => {
            edit({ lateRule: ticked ? START : null });
          }}
        >
          Late work loses points
        </Tick>
        {rule && <RuleFields rule={rule} set={set} />}
        <h2 className="border-t-2 border-ink pt-2 font-semibold">Missing work</h2>
        <FigureInput
          label="Counts, % of the maximum (empty: nothing until decided)"
          value={inMark(draft.missingPercent ?? "")}
          read={readOptionalFigure}
          onRead={(missingPercent) => {
            edit({ missingPercent });
          }}
        />
      </div>
      <LateExample draft={draft} />
    </section>
  );
}

/** How much is taken off, from what, up to where, and after how long. */
function RuleFields({ rule, set }: { readonly rule: LateRule; readonly set: (fields: Partial<LateRule>) => void }) {
  return (
    <div className="grid grid-cols-2 gap-3">
      <FigureInput
        label="Taken off for each unit, %"
        value={inMark(rule.ratePercent)}
        read={readFigure}
        onRead={(ratePercent) => {
          set({ ratePercent });
        }}
      />
      <ChoiceField
        label="A unit is"
        value={rule.unit === "calendarDay" ? "day" : String(rule.unitHours)}
        options={[
          ["24", "24 hours begun"],
          ["1", "an hour begun"],
          ["168", "a week begun"],
          ["day", "a calendar day"],
        ]}
        onKeep={(value) => {
          set(value === "day" ? { unit: "calendarDay", unitHours: 24 } : { unit: "hours", unitHours: Number(value) });
        }}
      />
      <ChoiceField
        label="Taken off from"
        value={rule.base}
        options={[
          ["maximum", "the maximum"],
          ["score", "the score"],
          ["compound", "what is left each time"],
        ]}
        onKeep={(base) => {
          set({ base });
        }}
      />
      <FigureInput
        label="At most, % (empty: no limit)"
        value={inMark(rule.capPercent ?? "")}
        read={readOptionalFigure}
        onRead={(capPercent) => {
          set({ capPercent });
        }}
      />
      <FigureInput
        label="Never below, % of the maximum"
        value={inMark(rule.floorPercent ?? "")}
        read={readOptionalFigure}
        onRead={(floorPercent) => {
          set({ floorPercent });
        }}
      />
      <FigureInput
        label="Grace, minutes"
        value={String(rule.graceMinutes)}
        read={(text) => (/^\d{1,6}$/.test(text.trim()) ? Number(text) : undefined)}
        onRead={(graceMinutes) => {
          set({ graceMinutes });
        }}
      />
      <ChoiceField
        label="After the grace, lateness counts"
        value={rule.graceKind}
        options={[
          ["threshold", "from the due time"],
          ["shift", "from the end of the grace"],
        ]}
        onKeep={(graceKind) => {
          set({ graceKind });
        }}
      />
    </div>
  );
}

/** One score, handed in later and later. */
function LateExample({ draft }: { readonly draft: Course }) {
  return (
    <div>
      <table className="w-full text-[14px]">
        <caption className="border-t-2 border-ink pt-2 pb-1 text-left font-semibold">
          {inMark("41.5 of 50")}, handed in …
        </caption>
        <thead>
          <tr className="border-b border-ink text-left text-[13px]">
            <th className="py-1 font-normal text-soft">when</th>
            <th className="font-normal text-soft">late by</th>
            <th className="text-right font-normal text-soft">taken off</th>
            <th className="text-right font-normal text-soft">counts</th>
          </tr>
        </thead>
        <tbody>
          {lateExample(draft).map((step) => (
            <tr key={step.handedIn} className="border-b border-rule">
              <td className="py-1">{step.handedIn}</td>
              <td className="text-soft">{step.late}</td>
              <td className="text-right text-soft">{step.deduction}</td>
              <td className="text-right font-semibold">{step.counted}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
