/**
 * Whether a field lets go of what was typed in it, because the stored text has arrived. `kept` are the texts that were kept
 * since typing began, the newest last: one of the older ones may arrive late, after a newer one was kept, and must not
 * take its place. Any other text is the newest as the course wrote it, or somebody else's.
 */
export function hasArrived(draft: string | null, kept: readonly string[], arriving: string): boolean {
  if (draft === null) return false;
  if (arriving === draft) return true;
  return draft === kept.at(-1) && !kept.slice(0, -1).includes(arriving);
}
