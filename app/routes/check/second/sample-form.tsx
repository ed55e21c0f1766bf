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
import { firstWish, wayOf, type WayKind, type Wish } from "./wish";

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
      {wish.kind === "named" && <ByName {...{ scored, wish, nameOf, edit }} />}
      <ChosenPapers chosen={sample} nameOf={nameOf} />
      <MarkerFields wish={wish} edit={edit} />
      <div className="flex items-center gap-4">
        <button type="submit" className="act act-first" disabled={sample.length === 0}>
          {`Choose ${counted(sample.length, "paper")}`}
        </button>
        <LeaveOr isStanding={moderationOf(state, assignment.id) !== undefined} {...{ trouble, onDone }} />
      </div>
    </form>
  );
}

interface LeaveOrProps {
  readonly isStanding: boolean;
  readonly trouble: string | null;
  readonly onDone: () => void;
}

/** The way out where a sample stands already, and why the last wish was refused. */
function LeaveOr({ isStanding, trouble, onDone }: LeaveOrProps) {
  return (
    <>
      {isStanding && (
        <button type="button" className="act act-quiet" onClick={onDone}>
          Leave as it is
        </button>
      )}
      {trouble && (
        <span role="alert" className="text-wax">
          {trouble}
        </span>
      )}
    </>
  );
}

interface ByNameProps {
  readonly scored: ReturnType<typeof markedPapers>;
  readonly wish: Wish;
  readonly nameOf: (id: StudentId) => string;
  readonly edit: (fields: Partial<Wish>) => void;
}

function ByName({ scored, wish, nameOf, edit }: ByNameProps) {
  return (
    <NamedPapers
      students={scored.map(({ studentId }) => studentId)}
      chosen={wish.named}
      nameOf={nameOf}
      onChoose={(named) => {
        edit({ named });
      }}
    />
  );
}
