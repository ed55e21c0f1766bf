import { useEffect, useState } from "react";
import { readTextDraft, type DraftPlace } from "./drafts";
import { isOutrun } from "./outrun";

/** A text that was left half-typed, and what stood there when typing began. */
interface LeftText {
  readonly text: string;
  readonly seen: string;
}

/** The text that lies among the drafts of a field; null where there is none, or none that is not kept after all: that one goes. */
export function useLeftText(at: DraftPlace, value: string): LeftText | null {
  const [found] = useState(() => {
    const left = at.found();
    const text = left && readTextDraft(left.value);
    if (left === null || text === null || text === value || isOutrun(left, value)) return null;
    return { text, seen: readTextDraft(left.seen) ?? value };
  });
  useEffect(() => {
    // Kept in the moment in which the page went, or before a crash brought back how it began.
    if (found === null) at.drop();
  }, [found, at]);
  return found;
}
