/**
 * Work that is done in steps. Between two of them whoever drives it may give others their turn, or leave off; the answer is
 * the same however it is driven.
 */
export type Steps<T> = Generator<void, T, void>;

/** Takes all steps one after the other, without a pause. */
export function atOnce<T>(steps: Steps<T>): T {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

/** What is made of each member of a list, a step for each. */
export function* eachInSteps<A, B>(list: readonly A[], make: (one: A) => B): Steps<B[]> {
  const made: B[] = [];
  for (const one of list) {
    made.push(make(one));
    yield;
  }
  return made;
}

/** Work in steps whose answer is kept: whoever asks goes on from where the last one left off. */
interface KeptSteps<T> {
  /** The steps that are left, and the answer; none where it is known. */
  readonly inSteps: () => Steps<T>;
  readonly atOnce: () => T;
}

/** Keeps the answer of work in steps, and how far it is. What a step throws is thrown again to whoever asks later. */
export function keptSteps<T>(steps: Steps<T>): KeptSteps<T> {
  // Let go of once they are taken, with all that they hold on to.
  let left: Steps<T> | null = steps;
  let answer: { readonly value: T } | { readonly error: unknown } | null = null;
  function* inSteps(): Steps<T> {
    while (left) {
      try {
        const step = left.next();
        if (step.done) answer = { value: step.value };
      } catch (error) {
        answer = { error };
      }
      if (answer) left = null;
      else yield;
    }
    if (!answer || "error" in answer) throw answer?.error;
    return answer.value;
  }
  return { inSteps, atOnce: () => atOnce(inSteps()) };
}
