import { openWord, type OpenedWord } from "./word-file";

interface Kept {
  readonly opening: Promise<OpenedWord>;
  opened: OpenedWord | null;
}
const kept = new WeakMap<Blob, Kept>();

/** A Word file as it is drawn, worked out once for its bytes. */
export function keptWord(blob: Blob): Promise<OpenedWord> {
  const known = kept.get(blob);
  if (known) return known.opening;
  const opening = openWord(blob);
  const entry: Kept = { opening, opened: null };
  kept.set(blob, entry);
  void opening.then((opened) => {
    entry.opened = opened;
  });
  return opening;
}

/** The Word file where it is worked out at this moment, without waiting. */
export const wordAtHand = (blob: Blob): OpenedWord | null => kept.get(blob)?.opened ?? null;
