import type { Piece } from "#core/collect";
import { counted } from "#core/words";

/** What was dropped together, side by side; with one alone, what it is. */
export function SourceTabs({
  pieces,
  source,
  onChoose,
  onInbox,
  isFilling,
}: {
  readonly pieces: readonly Piece[];
  /** Empty: all of it. */
  readonly source: string;
  readonly onChoose: (source: string) => void;
  /** Drops the demo's inbox; left out where there is none to try. */
  readonly onInbox?: (() => void) | undefined;
  /** The inbox is on its way. */
  readonly isFilling: boolean;
}) {
  const counts = new Map<string, number>();
  // A pile is there with its papers.
  const papers = pieces.filter(({ decision }) => decision?.kind !== "cut");
  for (const piece of papers) counts.set(piece.source, (counts.get(piece.source) ?? 0) + 1);
  if (pieces.length === 0) {
    return (
      <p className="text-soft">
        The tray is empty. Files can be let go anywhere in the course.{" "}
        {onInbox && (
          <button type="button" className="link" disabled={isFilling} onClick={onInbox}>
            {isFilling ? "Fetching the demo’s inbox…" : "Try it with the demo’s inbox"}
          </button>
        )}
      </p>
    );
  }
  const [only] = counts.keys();
  const tabs: readonly (readonly [source: string, words: string])[] = [
    ...(counts.size > 1 ? [["", `All ${counted(papers.length, "piece")}`] as const] : []),
    ...[...counts].map(([name, count]) => [counts.size > 1 ? name : "", wordsOf(name, count)] as const),
  ];
  return (
    <div role="group" aria-label="What was dropped together" className="flex flex-wrap gap-x-5">
      {tabs.map(([name, words]) => {
        const isChosen = name === source || (counts.size === 1 && source === only);
        return (
          <button
            key={name}
            type="button"
            aria-pressed={isChosen}
            className={`border-b-2 pb-1 ${isChosen ? "border-ink font-semibold" : "border-transparent text-soft hover:text-ink"}`}
            onClick={() => {
              onChoose(name);
            }}
          >
            {words}
          </button>
        );
      })}
    </div>
  );
}

const wordsOf = (source: string, count: number): string =>
  /^\d+ files$/.test(source) ? source : `${counted(count, "file")} of “${source}”`;
