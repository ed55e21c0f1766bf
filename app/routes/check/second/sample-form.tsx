import { useMemo, useState } from "react";
import type { StudentId } from "#core/kernel";
import { moderationOf, rosterName } from "#core/model";
import { markedPapers, sampleOf } from "#core/statistics";
import { counted } from "#core/words";
import { useChange } from "../../../course/use-change";
import { Choice } from "../../../ui/fields/choice";
import { useTroubleOf } from "../../../ui/hooks/use-command";
import { ChosenPapers, NamedPapers } from "../named-papers";
import type { Looked } from "../rows";
import { MarkerFields, WayFields } from "./wish-fields";
import { firstWish, wayOf, wishForm, type WayKind, type Wish } from "./wish";
import { FormTrouble, HeldField } from "../../../ui/forms/fields";
import { sending, useSchemaForm, useTypedIn, type SchemaForm } from "../../../ui/forms/use-schema-form";

const WAYS: readonly (readonly [WayKind, string])[] = [
  ["everyNth", "every n-th paper"],
  ["random", "at random"],
  ["byLetter", "some of each letter"],
  ["nearBound", "all near a bound"],
  ["all", "all that are scored"],
  ["named", "by name"],
];

/** Chooses the papers that are marked a second time: how, by whom, blind or not, and how far apart is too far. */
export function SampleForm({ looked, onDone }: { readonly looked: Looked; readonly onDone: () => void }) {
  const { state, assignment } = looked;
  const [first] = useState(() => firstWish(state, looked));
  const form = useSchemaForm(wishForm, first);
  const wish = useTypedIn(form);
  const send = useTroubleOf(useChange());
  const way = useMemo(() => wayOf(wish), [wish]);
  const sample = useMemo(() => sampleOf(state, assignment, way, wish.named), [state, assignment, way, wish.named]);
  const scored = useMemo(() => markedPapers(state, assignment, new Map()), [state, assignment]);
  const nameOf = (id: StudentId) => {
    const student = state.students[id];
    return student ? rosterName(state, student) : "";
  };
  if (scored.length === 0) {
    return (
      <p className="mt-6 text-soft">
        Nothing is scored here yet. A second marker judges papers that have a first score.
      </p>
    );
  }
  const apply = async ({ markerName, blind, within }: Wish) => {
    const words = await send({
      type: "setModeration",
      assignmentId: assignment.id,
      way,
      studentIds: sample,
      markerName,
      blind,
      within,
    });
    if (words === null) onDone();
    return words;
  };
  return (
    <form
      aria-label="Sample for second marking"
      className="mt-4 grid max-w-[720px] gap-4 text-[14.5px]"
      noValidate
      onSubmit={sending(form, apply)}
    >
      <div className="flex flex-wrap items-end gap-3">
        <WayChoice form={form} />
        <WayFields form={form} kind={wish.kind} />
      </div>
      {wish.kind === "named" && (
        <HeldField form={form} name="named">
          {({ value, onChange }) => (
            <NamedPapers
              students={scored.map(({ studentId }) => studentId)}
              chosen={value}
              nameOf={nameOf}
              onChoose={onChange}
            />
          )}
        </HeldField>
      )}
      <ChosenPapers chosen={sample} nameOf={nameOf} />
      <MarkerFields form={form} />
      <div className="flex items-center gap-4">
        <button type="submit" className="act act-first" disabled={sample.length === 0}>
          {`Choose ${counted(sample.length, "paper")}`}
        </button>
        {moderationOf(state, assignment.id) && (
          <button type="button" className="act act-quiet" onClick={onDone}>
            Leave as it is
          </button>
        )}
        <FormTrouble form={form} />
      </div>
    </form>
  );
}

function WayChoice({ form }: { readonly form: SchemaForm<Wish> }) {
  return (
    <HeldField form={form} name="kind">
      {({ value, onChange }) => (
        <label className="block text-[13px] text-soft">
          Papers
          <Choice
            className="!flex !w-56 text-[15px] text-ink"
            label="How papers are chosen"
            value={value}
            options={WAYS}
            onChoose={onChange}
          />
        </label>
      )}
    </HeldField>
  );
}
