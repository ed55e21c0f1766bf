/** Letters and figures that are not taken for one another. */
const LETTERS = "abcdefghjkmnpqrstuvwxyz23456789";
const GROUPS = 4;
/** Groups of the code of a recovery sheet: some 138 bits. */
export const CODE_GROUPS = 7;
const LETTERS_A_GROUP = 4;

/** A passphrase from the browser's own random source, easy to read out: `kvt4-9mqa-...`; some 79 bits for four groups. */
export function newPassphrase(groups = GROUPS): string {
  const letters: string[] = [];
  while (letters.length < groups * LETTERS_A_GROUP) {
    for (const byte of crypto.getRandomValues(new Uint8Array(32))) {
      // Bytes beyond the last whole round would favour the first letters.
      if (byte < 256 - (256 % LETTERS.length)) letters.push(LETTERS[byte % LETTERS.length] ?? "");
    }
  }
  return Array.from({ length: groups }, (_, group) =>
    letters.slice(group * LETTERS_A_GROUP, (group + 1) * LETTERS_A_GROUP).join(""),
  ).join("-");
}
