export function chanceFrom(seed: number): () => number;
