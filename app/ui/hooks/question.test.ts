import { describe, expect, it, vi } from "vitest";
import type { Steps } from "#core/kernel";
import { inTurns } from "./in-turns";
import { Question } from "./question";

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

describe("a question that may take long", () => {
  const quick = (answer: string) => () => work(1, 0, answer);
  const slow =
    (answer: string, taken: string[] = []) =>
    () =>
      work(5, 20, answer, taken);
  const heard = (question: Question<string>) =>
    new Promise<void>((resolve) => {
      const stop = question.subscribe(() => {
        stop();
        resolve();
      });
    });
  const pause = (time: number) => new Promise((resolve) => setTimeout(resolve, time));

  it("what is quick is there at once, and whoever asked is not told again", () => {
    const question = new Question(quick("one"));
    const listener = vi.fn();
    question.subscribe(listener);
    expect(question.read()).toEqual({ value: "one" });
    expect(question.atOnce).toBe(question.read());
    expect(listener).not.toHaveBeenCalled();
  });

  it("goes no further than its first stretch while nobody listens, and from there on when somebody does", async () => {
    await pause(5);
    const taken: string[] = [];
    const question = new Question(slow("long", taken));
    const before = taken.length;
    await pause(60);
    expect(taken.length).toBe(before);
    expect(question.read()).toBeNull();
    await heard(question);
    expect(question.read()).toEqual({ value: "long" });
    expect(question.atOnce).toBeNull();
    expect(taken.length).toBe(5);
  });

  it("takes nothing in the turn in which somebody begins to listen: that turn draws", async () => {
    const taken: string[] = [];
    const question = new Question(slow("long", taken));
    await pause(5);
    const before = taken.length;
    const told = heard(question);
    expect(taken.length).toBe(before);
    await told;
  });

  it("is left off when nobody listens any more", async () => {
    const taken: string[] = [];
    const question = new Question(slow("long", taken));
    question.subscribe(() => undefined)();
    const before = taken.length;
    await pause(60);
    expect(taken.length).toBe(before);
  });

  it("is not disturbed by another that is asked beside it, as by a page drawn and thrown away", async () => {
    const standing = new Question(slow("standing"));
    const told = heard(standing);
    const other = new Question(slow("thrown away"));
    await told;
    expect(standing.read()).toEqual({ value: "standing" });
    expect(other.read()).toBeNull();
  });

  it("ends with what a step threw", () => {
    const question = new Question(() =>
      // oxlint-disable-next-line require-yield -- what fails at once takes no step
      (function* (): Steps<string> {
        throw new Error("damaged");
      })(),
    );
    const ending = question.read();
    expect(ending && "error" in ending && ending.error.message).toBe("damaged");
  });
});
