import { expect, it } from "vitest";
import { atOnce, eachInSteps, keptSteps } from "./steps";

it("a list is gone through a step for each member, and comes to what its members come to", () => {
  const seen: number[] = [];
  const steps = eachInSteps([1, 2, 3], (one) => {
    seen.push(one);
    return 2 * one;
  });
  expect(seen).toEqual([]);
  steps.next();
  expect(seen).toEqual([1]);
  expect(atOnce(steps)).toEqual([2, 4, 6]);
  expect(atOnce(eachInSteps([], () => 1))).toEqual([]);
});

it("one who leaves off has done nothing more", () => {
  const seen: number[] = [];
  const steps = eachInSteps([1, 2, 3], (one) => seen.push(one));
  steps.next();
  steps.return([]);
  expect(atOnce(steps)).toBeUndefined();
  expect(seen).toEqual([1]);
});

it("kept steps are taken once, by whoever asks, from where the last one left off", () => {
  const seen: number[] = [];
  const kept = keptSteps(eachInSteps([1, 2, 3], (one) => seen.push(one)));
  const first = kept.inSteps();
  first.next();
  first.next();
  expect(seen).toEqual([1, 2]);
  expect(kept.atOnce()).toEqual([1, 2, 3]);
  expect(atOnce(first)).toEqual([1, 2, 3]);
  expect(seen).toEqual([1, 2, 3]);
});

it("what a kept step throws is thrown to everyone who asks", () => {
  const kept = keptSteps(
    eachInSteps([1], () => {
      throw new RangeError("no");
    }),
  );
  expect(() => kept.atOnce()).toThrow("no");
  expect(() => kept.atOnce()).toThrow("no");
});
