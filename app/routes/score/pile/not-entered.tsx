import { counted } from "#core/words";
import type { pileRows } from "./rows";

interface NotEnteredProps {
  readonly left: ReturnType<typeof pileRows>["left"];
  /** Something was entered already. */
  readonly hasSome: boolean;
  readonly onMissing: () => void;
}

/** Who has no figure yet, and the way to mark them all missing. */
export function NotEntered({ left, hasSome, onMissing }: NotEnteredProps) {
  return (
    <section aria-label="Not entered yet">
      <h2 className="border-t-2 border-ink pt-2 font-semibold">
        {left.length === 0 ? "Everybody is entered" : `${String(left.length)} not entered yet`}
      </h2>
      <ul className="mt-1 text-[14px]">
        {left.map(({ studentId, name, number }) => (
          <li key={studentId} className="flex justify-between border-b border-rule py-0.5">
            {name} <span className="text-soft">{number}</span>
          </li>
        ))}
      </ul>
      {left.length > 0 && hasSome && (
        <button type="button" className="act act-quiet mt-3" onClick={onMissing}>
          Mark {counted(left.length, "student")} missing
        </button>
      )}
    </section>
  );
}
