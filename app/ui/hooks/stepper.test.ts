import { describe, expect, it, vi } from "vitest";
import type { Steps } from "#core/kernel";
import { inTurns } from "./in-turns";
import { Stepper } from "./stepper";

/** Work of so many steps, each of which takes so long in milliseconds. */
function* work(steps: number, each: number, answer: string, taken: string[] = []): Steps<string> {
  for (let step = 0; step < steps; step += 1) {
    const until = performance.now() + each;
    while (performance.now() < until);
    taken.push(answer);
    yield;
  }
  return answer;
}

describe("long work in turns of the page", () => {
  it("lets others have their turn, and never takes two long steps in one after the first", async () => {
    const taken: string[] = [];
    const done = inTurns(work(6, 15, "long", taken));
    const inBetween: number[] = [];
    const look = () => {
      inBetween.push(taken.length);
      if (taken.length < 6) setImmediate(look);
    };
    setImmediate(look);
    await expect(done).resolves.toBe("long");
    const leaps = inBetween.slice(1).map((count, at) => count - (inBetween[at] ?? 0));
    expect(Math.max(...leaps)).toBe(1);
  });

  it("several that begin in one turn share its first stretch", async () => {
    const taken = ["one", "two", "three"].map((name) => {
      const steps: string[] = [];
      return { steps, done: inTurns(work(3, 30, name, steps)) };
    });
    // One step of 30 ms is more than a first stretch: those that begin behind it wait for their own turn.
    expect(taken.map(({ steps }) => steps.length)).toEqual([1, 0, 0]);
    expect(await Promise.all(taken.map(({ done }) => done))).toEqual(["one", "two", "three"]);
    await new Promise((resolve) => setTimeout(resolve, 5));
    const later: string[] = [];
    const done = inTurns(work(1, 0, "later", later));
    expect(later).toEqual(["later"]);
    await done;
  });

  it("ends with what a step throws", async () => {
    const failing = (function* (): Steps<string> {
      yield;
      throw new Error("no such student");
    })();
    await expect(inTurns(failing)).rejects.toThrow("no such student");
  });
});

describe("questions worked out one after the other", () => {
  const quick = (answer: string) => () => work(1, 0, answer);
  const slow =
    (answer: string, taken: string[] = []) =>
    () =>
      work(5, 20, answer, taken);
  const told = (stepper: Stepper<string>) =>
    new Promise<void>((resolve) => {
      const stop = stepper.subscribe(() => {
        stop();
        resolve();
      });
    });

  it("what is quick is there at once, and whoever asked is not told again", () => {
    const stepper = new Stepper<string>();
    const listener = vi.fn();
    stepper.subscribe(listener);
    const make = quick("one");
    expect(stepper.read(make)).toEqual({ value: "one", isBehind: false });
    expect(stepper.read(make)).toBe(stepper.read(make));
    expect(listener).not.toHaveBeenCalled();
    expect(stepper.read(null)).toEqual({ value: null, isBehind: false });
  });

  it("the last answer stands, and says that it is behind, until the next is worked out", async () => {
    const stepper = new Stepper<string>();
    stepper.read(quick("before"));
    const make = slow("after");
    const heard = told(stepper);
    expect(stepper.read(make)).toEqual({ value: "before", isBehind: true });
    await heard;
    expect(stepper.read(make)).toEqual({ value: "after", isBehind: false });
  });

  it("another question ends the one under way", async () => {
    const stepper = new Stepper<string>();
    const taken: string[] = [];
    stepper.read(slow("first", taken));
    const before = taken.length;
    const second = slow("second");
    const heard = told(stepper);
    stepper.read(second);
    await heard;
    expect(stepper.read(second).value).toBe("second");
    expect(taken.length).toBe(before);
  });

  it("is left off when nobody looks any more, and asked anew by who looks again", async () => {
    const stepper = new Stepper<string>();
    const taken: string[] = [];
    const make = slow("long", taken);
    const stop = stepper.subscribe(() => undefined);
    stepper.read(make);
    stop();
    const before = taken.length;
    await new Promise((resolve) => setTimeout(resolve, 60));
    expect(taken.length).toBe(before);
    const heard = told(stepper);
    stepper.read(make);
    await heard;
    expect(stepper.read(make)).toEqual({ value: "long", isBehind: false });
  });

  it("throws to whoever asks what a step threw", () => {
    const stepper = new Stepper<string>();
    const make = () =>
      // eslint-disable-next-line require-yield -- what fails at once takes no step
      (function* (): Steps<string> {
        throw new Error("damaged");
      })();
    expect(() => stepper.read(make)).toThrow("damaged");
    expect(stepper.read(quick("one")).value).toBe("one");
  });
});
