import type { pileReading } from "./rows";

export function hintWords({
  line,
  found,
  ambiguous,
  hint,
}: {
  readonly line: string;
  readonly found: number;
  readonly ambiguous: boolean;
  readonly hint: string;
}): string {
  if (line.trim() === "") return "18 score · 18 l2 two late · m missing · x excused · : and a comment";
  if (found === 0) return "Nobody of that name or number.";
  return ambiguous ? "Which one? Type more of the name, or choose with ↓." : hint;
}

/** Whom the line may mean, the likeliest first. */
export function Candidates({
  reading: { candidates, best },
  marked,
  onPick,
}: {
  readonly reading: ReturnType<typeof pileReading>;
  /** The place of the one that is marked; -1 for none. */
  readonly marked: number;
  readonly onPick: (index: number) => void;
}) {
  return (
    <ul id="pile-candidates" role="listbox" aria-label="Students meant" className="mt-1">
      {candidates.map((candidate, index) => {
        const isMarked = index === marked;
        return (
          <li
            key={candidate.studentId}
            id={`pile-${candidate.studentId}`}
            role="option"
            aria-selected={isMarked}
            className={`flex gap-4 border-b border-rule px-2 py-1 text-[15px] ${isMarked ? "bg-green-wash font-semibold" : index < best ? "" : "text-soft"}`}
            onPointerDown={(event) => {
              event.preventDefault();
              onPick(index);
            }}
          >
            <span className="w-64">{candidate.name}</span>
            <span className="figures w-28 font-normal text-soft">{candidate.number}</span>
            <span className="figures font-normal text-soft">
              {candidate.entered === "" ? "" : `has ${candidate.entered}`}
            </span>
          </li>
        );
      })}
    </ul>
  );
}
