import type { Command } from "#core/changes";
import type { Id, Instant, StudentId } from "#core/kernel";
import { blankRecord, recordAt, type CourseState, type RecordOf, type WorkFile } from "#core/model";
import type { ComparedPaper, ComparedPart } from "./compare";
import type { Fields, PartTable } from "./parts";
import type { ReturnedPacket } from "./returned";
import { markWith } from "./second-parts";

/** Which of two values stands where both were changed, by the part's place. */
export type Choices = ReadonlyMap<string, "here" | "packet">;

/** Whether a part is taken over. What was changed on both sides stays as it is here until it is decided. */
const isTaken = ({ state, place }: ComparedPart, choices: Choices): boolean =>
  state === "new" || state === "differs" || (state === "conflict" && choices.get(place) === "packet");

/** Whether taking the packet back changes anything of a paper. */
export const bringsChange = ({ parts }: ComparedPaper, choices: Choices): boolean =>
  parts.some((part) => isTaken(part, choices));

/** Parts that wait for a decision. */
export const undecided = (papers: readonly ComparedPaper[], choices: Choices): readonly ComparedPart[] =>
  papers.flatMap(({ parts }) => parts.filter(({ state, place }) => state === "conflict" && !choices.has(place)));

type TakeBack = Extract<Command, { type: "takeBackPacket" }>;

/** The one change that takes over what a packet brings back. */
export function takeBackOf(
  here: CourseState,
  returned: ReturnedPacket,
  papers: readonly ComparedPaper[],
  { choices, at }: { readonly choices: Choices; readonly at: Instant },
): TakeBack {
  const { packet, seq, changeId } = returned;
  const taken = papers.flatMap(({ parts }) => parts.filter((part) => isTaken(part, choices)));
  const fieldsOf = new Map<string, { readonly part: ComparedPart["part"]; readonly fields: Fields }>();
  for (const { part, there } of taken) {
    if (part.table === "notes") continue;
    const key = `${part.table} ${part.id}`;
    fieldsOf.set(key, { part, fields: { ...fieldsOf.get(key)?.fields, ...there } });
  }
  const changed = [...fieldsOf.values()];
  const recordsIn = <T extends "results" | "judgements" | "answers">(table: T): RecordOf<T>[] =>
    changed
      .filter(({ part }) => part.table === table)
      .map(
        ({ part, fields }) =>
          ({ ...(recordAt(here, table, part.id) ?? blankRecord(table, part.id)), ...fields }) as unknown as RecordOf<T>,
      );
  const notes = taken.filter(({ part }) => part.table === "notes");
  return {
    type: "takeBackPacket",
    packetId: packet.id,
    taken: { at, seq, changeId },
    results: recordsIn("results"),
    judgements: recordsIn("judgements"),
    answers: recordsIn("answers"),
    groups: changed.flatMap(({ part, fields }) => {
      const group = part.table === "groups" ? here.groups[part.id] : undefined;
      return group ? [{ ...group, ...fields }] : [];
    }),
    notes: notes.flatMap(({ there }) => (there ? [there as RecordOf<"notes">] : [])),
    notesGone: notes.flatMap(({ part, there }) => (there ? [] : [part.id as Id<"note">])),
    secondMarks: byPaper(changed, "secondMarks").map(([studentId, fields]) =>
      markWith(here, packet, studentId, fields),
    ),
  };
}

function byPaper(
  changed: readonly { readonly part: ComparedPart["part"]; readonly fields: Fields }[],
  table: PartTable,
): readonly (readonly [StudentId, Fields])[] {
  return changed
    .filter(({ part }) => part.table === table)
    .map(({ part, fields }) => [part.studentId, fields] as const);
}

/** Files that a packet's marker added and that are taken over with it, as the packet names them. */
export const filesTaken = ({ results }: Pick<TakeBack, "results">, here: CourseState): readonly WorkFile[] =>
  results.flatMap(({ id, feedbackFiles }) => {
    const known = new Set(recordAt(here, "results", id)?.feedbackFiles.map((file) => file.id));
    return feedbackFiles.filter((file) => !known.has(file.id));
  });
