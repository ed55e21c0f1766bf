import { expect, it } from "vitest";
import { hasArrived } from "./half-typed";

it.each<[words: string, draft: string | null, kept: readonly string[], arriving: string, gone: boolean]>([
  ["nothing is typed", null, [], "A", false],
  ["the text kept arrives", "A word", ["A word"], "A word", true],
  ["typing went on since", "A word for", ["A word"], "A word", false],
  ["an older one arrives after a newer one was kept", "A word for me", ["A word", "A word for me"], "A word", false],
  ["the newest arrives as the course wrote it", "A word ", ["A", "A word "], "A word", true],
  ["somebody else's arrives after it was kept", "Mine", ["Mine"], "Theirs", true],
  ["somebody else's arrives before it was kept", "Mine", [], "Theirs", false],
])("a field lets go of what is typed only for the newest text: %s", (_words, draft, kept, arriving, gone) => {
  expect(hasArrived(draft, kept, arriving)).toBe(gone);
});
