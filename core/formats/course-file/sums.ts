/** The sums of an archive's parts, a line each as `sha256sum` of GNU coreutils writes and checks them. */
export const writeSums = (sums: ReadonlyMap<string, string>): string =>
  [...sums].map(([path, sum]) => `${sum}  ${path}\n`).join("");

/** Paths with their sums; null where a line is not of the form. */
export function readSums(text: string): ReadonlyMap<string, string> | null {
  const sums = new Map<string, string>();
  const lines = text.split("\n");
  if (lines.pop() !== "") return null;
  for (const line of lines) {
    const found = /^([0-9a-f]{64}) {2}(.+)$/.exec(line);
    if (!found?.[1] || !found[2] || sums.has(found[2])) return null;
    sums.set(found[2], found[1]);
  }
  return sums;
}
