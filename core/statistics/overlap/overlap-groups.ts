import type { Overlap } from "./overlap";

/** Texts that share something, directly or through another; the pair that shares most comes first. */
export interface OverlapGroup {
  readonly ids: readonly string[];
  readonly pairs: readonly Overlap[];
}

/** Letters and digits that two texts share. */
export const sharedLetters = ({ passages }: Pick<Overlap, "passages">): number =>
  passages.reduce((total, { length }) => total + length, 0);

/** Puts pairs together that hang together: three who share are one group, not three pairs. The longest share comes first. */
export function overlapGroups(overlaps: readonly Overlap[]): OverlapGroup[] {
  const rootOf = new Map<string, string>();
  const root = (id: string): string => {
    const above = rootOf.get(id) ?? id;
    if (above === id) return id;
    const top = root(above);
    rootOf.set(id, top);
    return top;
  };
  for (const { firstId, secondId } of overlaps) rootOf.set(root(firstId), root(secondId));
  const groups = new Map<string, Overlap[]>();
  const byLength = [...overlaps].sort((a, b) => sharedLetters(b) - sharedLetters(a));
  for (const overlap of byLength) {
    const top = root(overlap.firstId);
    groups.set(top, [...(groups.get(top) ?? []), overlap]);
  }
  return [...groups.values()].map((pairs) => ({
    pairs,
    ids: [...new Set(pairs.flatMap(({ firstId, secondId }) => [firstId, secondId]))],
  }));
}
