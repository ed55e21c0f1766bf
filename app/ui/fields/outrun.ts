/**
 * Whether a text found among the drafts is only the beginning of what was kept there since. A crash may bring such a
 * beginning back: the browser writes drafts to the disk later than the journal, and forgets that one was let go.
 */
export const isOutrun = (draft: { readonly value: unknown; readonly seen: unknown }, present: string): boolean =>
  typeof draft.value === "string" && draft.seen !== present && present.startsWith(draft.value.trim());
