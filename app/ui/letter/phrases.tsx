import { createContext, useContext } from "react";
import type { CountedPhrase } from "#core/changes";
import { fillPhrase, plainText, type PhrasePlaces } from "#core/model";

/** The phrases at hand where a text is written, and what their places are filled with there. */
export interface Phrases {
  readonly phrases: readonly CountedPhrase[];
  readonly places: PhrasePlaces;
  readonly keep: (text: string) => void;
  readonly remove: (phrase: CountedPhrase) => void;
}

const PhrasesContext = createContext<Phrases | null>(null);

/** Puts phrases at hand for every text field inside. */
export const PhrasesAtHand = PhrasesContext.Provider;
/** The phrases at hand; null where there are none to be used. */
export const usePhrases = (): Phrases | null => useContext(PhrasesContext);

/** Phrases shown at once. */
const SHOWN = 7;

/** A slash that was just typed, with what follows it up to the writing mark. */
export interface Slash {
  readonly at: number;
  readonly wanted: string;
}

/** The slash before the writing mark, where it begins a word; null where there is none. */
export function slashBefore(text: string, caret: number): Slash | null {
  const found = /(?:^|\s)\/([^\s/]{0,30})$/.exec(text.slice(0, caret));
  return found ? { at: caret - (found[1] ?? "").length - 1, wanted: found[1] ?? "" } : null;
}

/** One line of the menu: a phrase to insert, or what is written so far to keep. */
export type PhraseChoice =
  | { readonly kind: "insert"; readonly phrase: CountedPhrase; readonly words: string }
  | { readonly kind: "keep"; readonly words: string };

/** What the menu offers for a slash in a text. */
export function phraseChoices({ phrases, places }: Phrases, text: string, slash: Slash): readonly PhraseChoice[] {
  const wanted = plainText(slash.wanted);
  const fitting = phrases
    .filter((phrase) => plainText(phrase.text).includes(wanted))
    .slice(0, SHOWN)
    .map((phrase): PhraseChoice => ({ kind: "insert", phrase, words: fillPhrase(phrase.text, places) }));
  const written = text.slice(0, slash.at).trim();
  const known = phrases.some((phrase) => phrase.text === written);
  return written === "" || known ? fitting : [...fitting, { kind: "keep", words: written }];
}

/** The menu under a text field. */
export function PhraseMenu({
  id,
  choices,
  marked,
  onChoose,
}: {
  readonly id: string;
  readonly choices: readonly PhraseChoice[];
  readonly marked: number;
  readonly onChoose: (choice: PhraseChoice) => void;
}) {
  return (
    <ul
      id={id}
      role="listbox"
      aria-label="Phrases"
      className="absolute inset-x-0 top-full z-40 mt-1 max-h-72 min-w-64 overflow-auto rounded border border-rule bg-sheet p-1 text-[13.5px] shadow-lg"
    >
      {choices.length === 0 && (
        <li role="option" aria-selected="false" aria-disabled="true" className="px-2 py-1 text-soft">
          No phrase kept yet. Write one, then type / behind it.
        </li>
      )}
      {choices.map((choice, index) => (
        // Keys are heard by the text field, which keeps the focus.
        // oxlint-disable-next-line jsx-a11y/click-events-have-key-events
        <li
          key={choice.kind === "insert" ? choice.phrase.id : "keep"}
          id={`${id}-${String(index)}`}
          role="option"
          aria-selected={index === marked}
          tabIndex={-1}
          className={`cursor-pointer rounded px-2 py-1 ${index === marked ? "bg-table" : ""}`}
          onPointerDown={(event) => {
            event.preventDefault();
          }}
          onClick={() => {
            onChoose(choice);
          }}
        >
          {choice.kind === "insert" ? (
            <span className="flex justify-between gap-3">
              <span className="line-clamp-2">{choice.words}</span>
              <span className="figures shrink-0 text-soft">
                {choice.phrase.uses === 0 ? "not used" : `used ${String(choice.phrase.uses)}×`}
              </span>
            </span>
          ) : (
            <span className="line-clamp-2 text-green">Keep “{choice.words}” as a phrase</span>
          )}
        </li>
      ))}
    </ul>
  );
}
