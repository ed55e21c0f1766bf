import { expect, it } from "vitest";
import type { Instant } from "#core/kernel";
import { unsavedFor } from "./saved-outside";

const now = "2026-11-30T12:00:00Z" as Instant;
const createdAt = "2026-09-01T08:00:00Z";

it("counts days and changes from the last copy outside, or from the beginning where there was none", () => {
  const saved = (at: string, seq: number) => ({ saved: { at, seq }, createdAt, seq: 214 });
  expect(unsavedFor({ saved: null, createdAt, seq: 3 }, now)).toEqual({ since: null, days: 90, changes: 3 });
  expect(unsavedFor(saved("2026-11-23T12:00:00Z", 200), now)).toEqual({
    since: "2026-11-23T12:00:00Z",
    days: 7,
    changes: 14,
  });
  expect(unsavedFor(saved("2026-11-23T12:00:01Z", 200), now)).toBeNull();
  expect(unsavedFor(saved("2026-09-02T12:00:00Z", 214), now)).toBeNull();
});
