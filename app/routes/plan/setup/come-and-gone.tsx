import { Link } from "react-router";
import type { Command } from "#core/changes";
import { counted } from "#core/words";
import { studentAddress } from "../../../ui/address";
import type { SetupRows } from "./rows";

type Send = (command: Command) => Promise<string | null>;

/** Names listed before the rest is counted. */
const NAMED = 3;

/** The offer for students who joined late: the work that was due before is excused in one change. */
export function JoinedLate({
  newcomers,
  send,
}: {
  readonly newcomers: NonNullable<SetupRows["newcomers"]>;
  readonly send: Send;
}) {
  const { names, work, cells } = newcomers;
  const who =
    names.length > NAMED
      ? `${names.slice(0, NAMED).join(", ")} and ${String(names.length - NAMED)} more`
      : names.join(", ");
  return (
    <section aria-label="Joined late" className="mt-6 border-s-2 border-ochre ps-3 text-[14px]">
      <p>
        Joined late? {who} {names.length === 1 ? "has" : "have"} nothing in {counted(work, "piece", "pieces")} of work
        due before now.
      </p>
      <button
        type="button"
        className="act act-quiet mt-1.5"
        onClick={() =>
          void send({ type: "enterScores", how: "entered", cells: [...cells], reason: "joined after it was due" })
        }
      >
        Excuse earlier work
      </button>
    </section>
  );
}

/** Students who have left: kept with everything, in no list and no figure, and back with one click. */
export function LeftCourse({
  left,
  slot,
  send,
}: {
  readonly left: SetupRows["left"];
  readonly slot: string;
  readonly send: Send;
}) {
  return (
    <section aria-label="Left the course" className="mt-6">
      <h2 className="border-t-2 border-ink pt-2 font-semibold">Left the course</h2>
      <p className="text-[13.5px] text-soft">Kept with all that is known of them; in no list and no figure.</p>
      <ul className="mt-1 text-sm">
        {left.map(({ id, name, number }) => (
          <li key={id} className="flex items-baseline gap-4 border-b border-rule py-1">
            <Link className="link flex-1" to={studentAddress(slot, id)}>
              {name}
            </Link>
            <span className="text-soft">{number}</span>
            <button
              type="button"
              className="link text-[13px]"
              onClick={() => void send({ type: "setLeft", studentIds: [id], left: false })}
            >
              Return<span className="sr-only"> {name} to the course</span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
