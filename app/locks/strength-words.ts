/** How long a passphrase withstands guessing, from at once to longer than anybody waits. */
export type Strength = "atOnce" | "days" | "years" | "ages";

/** Tries a second of somebody with a hundred strong machines, each try costing what a try costs here; common practice, no source. */
const TRIES_A_SECOND = 1_000;
const DAY = 86_400;
const YEAR = 365.25 * DAY;

/** The strength of a passphrase that is found within so many guesses. */
export function strengthOf(guesses: number): Strength {
  const seconds = guesses / TRIES_A_SECOND;
  if (seconds < DAY) return "atOnce";
  if (seconds < YEAR) return "days";
  return seconds < 100 * YEAR ? "years" : "ages";
}

/** What a strength means, in words. */
export const STRENGTH_WORDS: Readonly<Record<Strength, string>> = {
  atOnce: "Too easy: found within a day by somebody who has the files and guesses by machine.",
  days: "Weak: it may be found within a year.",
  years: "Good: it takes many years to be found.",
  ages: "Strong: nobody finds it by guessing.",
};
