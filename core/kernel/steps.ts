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
