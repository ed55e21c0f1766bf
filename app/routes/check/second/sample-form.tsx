import { useMemo, useState } from "react";
import { decimal, isDecimal, type Decimal, type StudentId } from "#core/kernel";
import { moderationOf, rosterName, type CourseState, type SampleWay } from "#core/model";
import { markedPapers, sampleOf } from "#core/statistics";
import { counted } from "#core/words";
import { useChange } from "../../../course/use-change";
import { Choice } from "../../../ui/fields/choice";
import { FigureInput } from "../../../ui/fields/figure-input";
import { readFigure } from "../../../ui/fields/read-figure";
import { Tick } from "../../../ui/fields/tick";
import { useTroubleOf } from "../../../ui/hooks/use-command";
import { ChosenPapers, NamedPapers } from "../named-papers";
import type { Looked } from "../rows";

type WayKind = SampleWay["kind"];

const WAYS: readonly (readonly [WayKind, string])[] = [
  ["everyNth", "every n-th paper"],
  ["random", "at random"],
  ["byLetter", "some of each letter"],
  ["nearBound", "all near a bound"],
  ["all", "all that are scored"],
  ["named", "by name"],
];

/** What stands in the form. */
interface Wish {
  readonly kind: WayKind;
  readonly every: number;
  readonly count: number;
  readonly seed: number;
  readonly each: number;
  readonly near: Decimal;
  readonly markerName: string;
  readonly blind: boolean;
  readonly within: Decimal;
  readonly named: readonly StudentId[];
}

/** Chooses the papers that are marked a second time: how, by whom, blind or not, and how far apart is too far. */
export function SampleForm({ looked, onDone }: { readonly looked: Looked; readonly onDone: () => void }) {
  const { state, assignment } = looked;
  const [wish, setWish] = useState(() => firstWish(state, looked));
  const [trouble, setTrouble] = useState<string | null>(null);
  const send = useTroubleOf(useChange());
  const way = useMemo(() => wayOf(wish), [wish]);
  const sample = useMemo(() => sampleOf(state, assignment, way, wish.named), [state, assignment, way, wish.named]);
  const scored = useMemo(() => markedPapers(state, assignment, new Map()), [state, assignment]);
  const edit = (fields: Partial<Wish>) => {
    setTrouble(null);
    setWish((before) => ({ ...before, ...fields }));
  };
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
  const apply = async () => {
    const { markerName, blind, within } = wish;
    const words = await send({
      type: "setModeration",
      assignmentId: assignment.id,
      way,
      studentIds: sample,
      markerName,
      blind,
      within,
    });
    setTrouble(words);
    if (words === null) onDone();
  };
  return (
    <form
      aria-label="Sample for second marking"
      className="mt-4 grid max-w-[720px] gap-4 text-[14.5px]"
      onSubmit={(event) => {
        event.preventDefault();
        void apply();
      }}
    >
      <div className="flex flex-wrap items-end gap-3">
        <label className="block text-[13px] text-soft">
          Papers
          <Choice
            className="!flex !w-56 text-[15px] text-ink"
            label="How papers are chosen"
            value={wish.kind}
            options={WAYS}
            onChoose={(kind) => {
              edit({ kind });
            }}
          />
        </label>
        <WayFields wish={wish} edit={edit} />
      </div>
      {wish.kind === "named" && (
        <NamedPapers
          students={scored.map(({ studentId }) => studentId)}
          chosen={wish.named}
          nameOf={nameOf}
          onChoose={(named) => {
            edit({ named });
          }}
        />
      )}
      <ChosenPapers chosen={sample} nameOf={nameOf} />
      <MarkerFields wish={wish} edit={edit} />
      <div className="flex items-center gap-4">
        <button type="submit" className="act act-first" disabled={sample.length === 0}>
          {`Choose ${counted(sample.length, "paper")}`}
        </button>
        {moderationOf(state, assignment.id) && (
          <button type="button" className="act act-quiet" onClick={onDone}>
            Leave as it is
          </button>
        )}
        {trouble && (
          <span role="alert" className="text-wax">
            {trouble}
          </span>
        )}
      </div>
    </form>
  );
}

interface WishFieldsProps {
  readonly wish: Wish;
  readonly edit: (fields: Partial<Wish>) => void;
}

/** Who marks a second time, how far apart is too far, and what they see. */
function MarkerFields({ wish, edit }: WishFieldsProps) {
  return (
    <div className="flex flex-wrap items-end gap-4">
      <label className="block text-[13px] text-soft">
        Second marker
        <input
          className="field block w-56 text-[15px] text-ink"
          value={wish.markerName}
          maxLength={200}
          required
          onChange={(event) => {
            edit({ markerName: event.target.value });
          }}
        />
      </label>
      <FigureInput
        className="w-52"
        label="Points two judgements may differ"
        value={wish.within}
        read={readFigure}
        onRead={(within) => {
          edit({ within });
        }}
      />
      <Tick
        checked={wish.blind}
        onChange={(blind) => {
          edit({ blind });
        }}
      >
        blind: without names and first judgements
      </Tick>
    </div>
  );
}

function WayFields({ wish, edit }: WishFieldsProps) {
  const whole = (label: string, value: number, name: "every" | "count" | "seed" | "each") => (
    <FigureInput
      key={name}
      className="w-28"
      label={label}
      value={String(value)}
      read={readWhole}
      onRead={(read) => {
        edit({ [name]: read });
      }}
    />
  );
  switch (wish.kind) {
    case "everyNth":
      return whole("One of", wish.every, "every");
    case "random":
      return (
        <>
          {whole("How many", wish.count, "count")}
          {whole("Seed", wish.seed, "seed")}
        </>
      );
    case "byLetter":
      return whole("Of each", wish.each, "each");
    case "nearBound":
      return (
        <FigureInput
          className="w-28"
          label="Within, points"
          value={wish.near}
          read={readFigure}
          onRead={(near) => {
            edit({ near });
          }}
        />
      );
    default:
      return null;
  }
}

const readWhole = (text: string): number | undefined => (/^[1-9]\d{0,3}$/.test(text.trim()) ? Number(text) : undefined);

function wayOf({ kind, every, count, seed, each, near }: Wish): SampleWay {
  switch (kind) {
    case "everyNth":
      return { kind, every: Math.max(2, Math.min(100, every)) };
    case "random":
      return { kind, count, seed };
    case "byLetter":
      return { kind, each: Math.min(100, each) };
    case "nearBound":
      return { kind, within: near };
    default:
      return { kind };
  }
}

/** What is likely wanted: one paper of four, blind, five of a hundred points apart; or the sample that stands. */
function firstWish(state: CourseState, { assignment }: Looked): Wish {
  const standing = moderationOf(state, assignment.id);
  const within = String(Math.max(0.5, Math.round(Number(assignment.points) / 10) / 2));
  const plain: Wish = {
    kind: "everyNth",
    every: 4,
    count: 8,
    // Any number does; it is shown and kept, so that the choice can be repeated.
    seed: 1 + ((assignment.name.length * 7919 + assignment.order * 31) % 9_999),
    each: 2,
    near: decimal("1"),
    markerName: "",
    blind: true,
    within: isDecimal(within) ? within : decimal("5"),
    named: [],
  };
  if (!standing) return plain;
  const { way, blind, studentIds } = standing;
  return {
    ...plain,
    ...(way.kind === "nearBound" ? { near: way.within } : way),
    kind: way.kind,
    blind,
    within: standing.within,
    named: studentIds,
    markerName: state.markers[standing.markerId]?.name ?? "",
  };
}
