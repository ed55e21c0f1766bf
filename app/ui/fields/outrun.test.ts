import { expect, it } from "vitest";
import { isOutrun } from "./outrun";

it("a draft is outrun by the text that it began, and by no other", () => {
  const outrun = (value: unknown, seen: unknown, present: string) => isOutrun({ value, seen }, present);
  expect(outrun("3", "12", "36")).toBe(true);
  expect(outrun("36 ", "12", "36")).toBe(true);
  expect(outrun("Well ar", "", "Well argued.")).toBe(true);
  // Begun on what stands there now: it is still being typed.
  expect(outrun("3", "36", "36")).toBe(false);
  // Another text: nothing of it was kept.
  expect(outrun("14", "12", "36")).toBe(false);
  expect(outrun("Well argued. And", "", "Well argued.")).toBe(false);
  expect(outrun({ points: "3" }, "12", "36")).toBe(false);
});
