/** A student as read from a pasted roster. */
export interface RosterLine {
  readonly number: string;
  readonly givenName: string;
  readonly familyName: string;
}

/**
 * Reads a pasted roster, one student a line: `number, name`, `number<Tab>name`, or a name alone, which gets the next
 * free number of the form `S001`. The last word of a name is the family name; empty lines are skipped.
 */
export function readRoster(text: string, taken: ReadonlySet<string>): RosterLine[] {
  const used = new Set(taken);
  let next = 1;
  const freeNumber = () => {
    while (used.has(`S${String(next).padStart(3, "0")}`)) next += 1;
    return `S${String(next).padStart(3, "0")}`;
  };
  return text
    .split(/\r?\n/)
    .map((line) => line.trim())
    .filter((line) => line !== "")
    .map((line) => {
      const parts = /^([^,;\t]+)[,;\t]\s*(.+)$/.exec(line);
      const number = (parts?.[1] ?? freeNumber()).trim();
      used.add(number);
      const words = (parts?.[2] ?? line).trim().split(/\s+/);
      const familyName = words.length > 1 ? (words.pop() ?? "") : "";
      return { number, givenName: words.join(" "), familyName };
    });
}
