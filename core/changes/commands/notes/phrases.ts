import { z } from "zod/mini";
import { refuse, type Id } from "#core/kernel";
import { idField, phraseSchema, phraseTest, recordsOf, type CourseState, type Phrase } from "#core/model";
import type { CommandKind } from "../../engine/change";
import { excerpt, finish, put, remove } from "../../engine/command-parts";

const saveInput = z.object({ text: phraseSchema.shape.text });

/** Keeps words for use again. */
export const keepPhrase: CommandKind<z.infer<typeof saveInput>> = {
  input: saveInput,
  prepare: (state, { text }, { fresh }) => {
    if (Object.values(state.phrases).some((phrase) => phrase.text === text)) {
      return refuse({ code: "name_taken", name: excerpt(text) });
    }
    const record: Phrase = { id: `phrase:${fresh()}` as Id<"phrase">, text };
    return finish(`Phrase "${excerpt(text)}" kept`, put(state, "phrases", record));
  },
};

const dropInput = z.object({ phraseId: idField("phrase") });

/** Takes a phrase out of those kept; what was written with it stays. */
export const removePhrase: CommandKind<z.infer<typeof dropInput>> = {
  input: dropInput,
  prepare: (state, { phraseId }) => {
    const phrase = state.phrases[phraseId];
    if (!phrase) return refuse({ code: "unknown_record", what: "phrase", id: phraseId });
    return finish(`Phrase "${excerpt(phrase.text)}" removed`, remove(state, "phrases", phraseId));
  },
};

/** A phrase with how many comments and notes hold it. */
export interface CountedPhrase extends Phrase {
  readonly uses: number;
}

/** The phrases of a course, the most used first. */
export function phrasesOf(state: CourseState): readonly CountedPhrase[] {
  const phrases = Object.values(state.phrases);
  if (phrases.length === 0) return [];
  const texts = [
    ...recordsOf(state, "results").map(({ overallComment }) => overallComment),
    ...recordsOf(state, "judgements").map(({ comment }) => comment),
    ...Object.values(state.notes).map(({ body }) => body),
  ].filter((text) => text !== "");
  return phrases
    .map((phrase) => ({ ...phrase, uses: texts.filter(phraseTest(phrase)).length }))
    .sort((a, b) => b.uses - a.uses || a.text.localeCompare(b.text, "en"));
}
