import type { PartState } from "#core/packets";

/** What can have become of a paper or a part of it, in words; what asks most of the person first. */
export const STATE_WORDS: Readonly<Record<PartState, string>> = {
  conflict: "changed on both sides",
  differs: "judged anew",
  new: "new",
  gone: "of a criterion that is gone, left out",
  same: "the same as here",
  untouched: "not touched",
};
