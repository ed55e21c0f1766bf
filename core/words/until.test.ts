import { expect, it } from "vitest";
import { spanWords } from "./until";

it.each([
  [3 * 86_400_000 + 5, "3 days"],
  [47 * 3_600_000, "47 hours"],
  [119 * 60_000, "119 minutes"],
  [90_000, "1 minute"],
  [4_000, "1 minute"],
])("%i milliseconds are %s", (span, words) => {
  expect(spanWords(span)).toBe(words);
});
