/** `1 student`, `2 students`. */
export const counted = (count: number, one: string, many = `${one}s`): string =>
  `${String(count)} ${count === 1 ? one : many}`;
