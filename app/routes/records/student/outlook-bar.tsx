import type { StudentRows } from "./rows";

/** Lowest, now and highest on one scale from 0 to 100, with the bounds of the letters. */
export function OutlookBar({ rows }: { readonly rows: StudentRows }) {
  const { outlook, bounds, letter } = rows;
  if (!outlook) return <p className="mt-4 text-soft">Nothing counts yet.</p>;
  const { lowest, now, highest } = outlook;
  const share = (at: number) => `${String(at)}%`;
  return (
    <div className="mt-5">
      <div
        role="img"
        aria-label={`Lowest ${lowest.text}, now ${now.text}${letter ? `, letter ${letter}` : ""}, highest ${highest.text}`}
        className="relative mt-8 h-5 border border-rule bg-sheet"
      >
        <span
          className="absolute inset-y-0 bg-green-wash"
          style={{ left: share(lowest.at), width: share(highest.at - lowest.at) }}
        />
        <span
          className="absolute inset-y-0 left-0 border-e-2 border-green bg-green-mid"
          style={{ width: share(lowest.at) }}
        />
        <span
          className="absolute -top-1.5 -bottom-1.5 w-[3px] -translate-x-1/2 bg-ink"
          style={{ left: share(now.at) }}
        />
        <span
          className="figures absolute -top-8 -translate-x-1/2 text-[15px] font-semibold whitespace-nowrap"
          style={{ left: share(Math.min(94, Math.max(6, now.at))) }}
        >
          {now.text}
          {letter && ` · ${letter}`}
        </span>
        {bounds
          .filter(({ at }) => at > 0)
          .map(({ letter: name, at }) => (
            <span
              key={name}
              className="absolute -bottom-5 -translate-x-1/2 text-[12px] text-soft"
              style={{ left: share(at) }}
            >
              {name}
            </span>
          ))}
      </div>
      <p className="figures mt-6 text-[13.5px] text-soft">
        Lowest {lowest.text}, if all that is open comes out 0 · highest {highest.text}, if it comes out full
      </p>
    </div>
  );
}
