/** Makes a value when it is first asked for, and answers with the same one from then on. */
export function once<T>(make: () => T): () => T {
  const made: T[] = [];
  return () => {
    if (made.length === 0) made.push(make());
    return made[0] as T;
  };
}
