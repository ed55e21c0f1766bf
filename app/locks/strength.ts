// zxcvbn-ts, wrapped here alone. It brings lists of common words, so it is loaded when somebody begins to type a passphrase.
import { ZxcvbnFactory } from "@zxcvbn-ts/core";
import { adjacencyGraphs, dictionary as common } from "@zxcvbn-ts/language-common";
import { dictionary as english } from "@zxcvbn-ts/language-en";
import { strengthOf, type Strength } from "./strength-words";

const judge = new ZxcvbnFactory({ dictionary: { ...common, ...english }, graphs: adjacencyGraphs });
/** Letters beyond which a passphrase is strong without a look, and a look takes long. */
const MOST_LETTERS = 100;

/** How long a passphrase withstands somebody who has the whole store and guesses by machine. `known` is what they would try first. */
export function judged(passphrase: string, known: readonly string[]): Strength {
  return strengthOf(judge.check(passphrase.slice(0, MOST_LETTERS), [...known]).guesses);
}
