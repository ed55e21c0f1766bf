import type { ChangeResult, Command } from "#core/changes";
import { pointsText } from "#core/kernel";
import type { Phrases } from "../../../ui/letter/phrases";
import type { DeskRows } from "./rows";
import { inMark } from "../../../ui/words/figures";

/** The phrases of the course with what stands for their places on this paper. */
export const phrasesAtHand = (
  rows: DeskRows,
  phrases: Phrases["phrases"],
  send: (command: Command) => Promise<ChangeResult>,
): Phrases => ({
  phrases,
  places: {
    given: rows.student.givenName,
    name: rows.name,
    score: rows.figure.counted ? inMark(pointsText(rows.figure.counted)) : "–",
    maximum: rows.assignment.points,
  },
  keep: (text) => void send({ type: "keepPhrase", text }),
  remove: (phrase) => void send({ type: "removePhrase", phraseId: phrase.id }),
});
