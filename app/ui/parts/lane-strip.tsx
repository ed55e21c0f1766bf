interface LaneStripProps {
  readonly label: string;
  readonly students: number;
  readonly released: number;
  readonly scored: number;
  readonly waiting: number;
  readonly excused: number;
  readonly notIn: number;
}

/** A strip cut in proportion to how far the students of an assignment are. */
export function LaneStrip({ label, students, released, scored, waiting, excused, notIn }: LaneStripProps) {
  const parts = [
    { count: released, word: "released", look: "bg-green text-on-green" },
    { count: scored, word: "scored and sealed", look: "bg-green-wash text-ink" },
    { count: waiting, word: "waiting", look: "bg-ochre-wash text-ink" },
    { count: excused, word: "excused", look: "bg-table text-ink" },
    { count: notIn, word: "not in", look: "hatched text-ink" },
  ].filter((part) => part.count > 0);
  const words = parts.map((part) => `${String(part.count)} ${part.word}`).join(", ");
  return (
    <div
      role="img"
      aria-label={`${label}: ${words || "no students"}`}
      className="figures flex h-[22px] border border-rule text-[13px]"
    >
      {parts.map(({ count, word, look }) => (
        <span
          key={word}
          data-hint={`${String(count)} ${word}`}
          className={`overflow-hidden ps-2 leading-5 ${look}`}
          style={{ flexGrow: count, flexBasis: 0, minWidth: students > 0 ? "1.6rem" : 0 }}
        >
          <span className={look.startsWith("hatched") ? "rounded-sm bg-sheet px-1" : ""}>{count}</span>
        </span>
      ))}
    </div>
  );
}
