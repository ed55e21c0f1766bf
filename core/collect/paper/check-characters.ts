const ALPHABET = "0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ";
const MODULUS = 1_271;
const RADIX = 36;

const valueOf = (letter: string): number => {
  const value = ALPHABET.indexOf(letter);
  if (letter.length !== 1 || value < 0) throw new RangeError(`not a figure or capital letter: ${letter}`);
  return value;
};

/**
 * The two check characters of a text of figures and capital letters (ISO/IEC 7064, MOD 1271-36): they show every single
 * wrong letter and every two that changed places. @throws RangeError for any other letter
 */
export function checkCharacters(text: string): string {
  const rest = [...text].reduce((sum, letter) => ((sum + valueOf(letter)) * RADIX) % MODULUS, 0);
  const check = (MODULUS + 1 - ((rest * RADIX) % MODULUS)) % MODULUS;
  return `${ALPHABET[Math.floor(check / RADIX)] ?? ""}${ALPHABET[check % RADIX] ?? ""}`;
}
