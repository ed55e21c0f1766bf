import { z } from "zod/mini";
import { idField } from "./fields";

/** Characters of a phrase. */
const PHRASE_LENGTH = 2_000;

/** Words kept for use again in comments and notes; places in braces are filled in for each student. */
export const phraseSchema = z.object({
  id: idField("phrase"),
  text: z.string().check(z.trim(), z.minLength(1), z.maxLength(PHRASE_LENGTH)),
});
/** Words kept for use again. */
export type Phrase = z.infer<typeof phraseSchema>;

/** What a phrase may name: `{given}`, `{name}`, `{score}` and `{maximum}`. */
export type PhrasePlaces = Readonly<Record<"given" | "name" | "score" | "maximum", string>>;

const PLACE = /\{(given|name|score|maximum)\}/g;

/** A phrase as it reads for one student; braces that name nothing known stay as they are. */
export const fillPhrase = (text: string, places: PhrasePlaces): string =>
  text.replace(PLACE, (_, place: keyof PhrasePlaces) => places[place]);

/** A test whether a text holds a phrase, whatever its places were filled with. */
export function phraseTest({ text }: Phrase): (comment: string) => boolean {
  const escaped = text.split(PLACE).map((part, index) => {
    // Every second part is the name of a place.
    return index % 2 === 1 ? ".{0,200}?" : part.replace(/[.*+?^${}()|[\]\\]/g, "\\$&");
  });
  const pattern = new RegExp(escaped.join(""), "s");
  return (comment) => pattern.test(comment);
}
