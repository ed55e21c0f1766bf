import { useState } from "react";
import type { TimeTaken } from "#core/collect";
import { counted } from "#core/words";
import { Ask } from "../../../ui/dialogs/ask";
import { Choice } from "../../../ui/fields/choice";
import type { TrayRows } from "../rows";
import type { TakingIn } from "../use-taking-in";

interface TakingBarProps {
  readonly rows: TrayRows;
  readonly taking: TakingIn;
  readonly onTaking: () => void;
  /** The work has a due time, so that times tell something. */
  readonly isTimed: boolean;
  /** What is shown is the last word: nothing is being read or looked for. */
  readonly isCurrent: boolean;
  readonly time: TimeTaken;
  readonly onTime: (time: TimeTaken) => void;
  readonly onEmpty: () => void;
}

const TIMES = [
  ["dated", "times as they came"],
  ["inTime", "all in time"],
] as const;

/** The foot of the tray: how many have their student, and the one step that takes them in. */
export function TakingBar({ rows, taking, onTaking, isTimed, isCurrent, time, onTime, onEmpty }: TakingBarProps) {
  const { Form, isUnderWay, trouble } = taking;
  const [asks, setAsks] = useState(false);
  const { groups, handIns } = rows;
  const all = Object.values(groups).flat().length - groups.pile.length;
  const placed = handIns.reduce((sum, { pieces }) => sum + pieces.length, 0);
  const left = groups.open.length;
  return (
    <footer className="sticky bottom-0 z-20 flex flex-wrap items-center gap-x-4 gap-y-2 border-t-2 border-ink bg-sheet px-10 py-3 max-[1120px]:px-5">
      <p className="figures me-auto text-[14px]">
        <strong>
          {placed} of {all} {placed === 1 ? "has its" : "have their"} student.
        </strong>{" "}
        <span className="text-soft">{trouble ?? "Nothing is kept until you say so; it is one step to undo."}</span>
      </p>
      {isTimed && (
        <Choice label="Time handed in" className="!w-48 text-[14px]" value={time} options={TIMES} onChoose={onTime} />
      )}
      <button
        type="button"
        className="act"
        onClick={() => {
          setAsks(true);
        }}
      >
        Empty the tray
      </button>
      <Form method="post" onSubmit={onTaking}>
        <input
          type="hidden"
          name="handIns"
          value={JSON.stringify(handIns.map(({ pieces: _pieces, ...handIn }) => handIn))}
        />
        <button type="submit" className="act act-first" disabled={!isCurrent || handIns.length === 0 || isUnderWay}>
          {`Take in ${counted(handIns.length, "hand-in")}${left > 0 ? `, leave ${String(left)} here` : ""}`}
        </button>
      </Form>
      <Ask
        open={asks}
        title="Empty the tray"
        action={`Let go of ${counted(all, "piece")}`}
        onClose={() => {
          setAsks(false);
        }}
        onAct={onEmpty}
      >
        <p>
          What lies in the tray was never part of the course. The files themselves stay where you dropped them from.
        </p>
      </Ask>
    </footer>
  );
}
