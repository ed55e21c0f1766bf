import type { AssignmentId, StudentId } from "#core/kernel";
import type { CourseState } from "#core/model";
import { overlapGroups, sharedLetters, type Overlap } from "#core/statistics";
import type { SharedFound } from "../../../exports/shared-text";

/** Two hand-ins that share text, as they are listed. */
export interface SharedPair {
  readonly overlap: Overlap;
  /** What it is set aside under. */
  readonly subject: string;
  readonly basis: string;
  /** Those of the two who are students of this course. */
  readonly studentIds: StudentId[];
  readonly names: readonly [string, string];
  /** Words of the first that stand in the second too. */
  readonly words: number;
  /** The word with which it was cleared; null where it is open. */
  readonly cleared: string | null;
}

/** Pairs that hang together. */
export interface SharedGroup {
  /** Only runs so short that chance and the trade's own phrases bring them about. */
  readonly isShort: boolean;
  readonly names: readonly string[];
  readonly pairs: readonly SharedPair[];
}

/** A pair's place in the address: both ids. */
export const pairKey = ({ firstId, secondId }: Pick<Overlap, "firstId" | "secondId">): string =>
  `${firstId}~${secondId}`;

/** Letters of a run from which it is more than a phrase of the trade: some twelve words. Common practice, no source. */
const TELLING = 60;
const isTelling = ({ passages }: Overlap): boolean => passages.some(({ length }) => length >= TELLING);

const wordsIn = (text: string): number => text.split(/\s+/).filter(Boolean).length;

/** What was found, in groups and pairs, the longest share first. */
export function sharedGroups(state: CourseState, assignmentId: AssignmentId, found: SharedFound): SharedGroup[] {
  const texts = new Map(found.works.map(({ id, text }) => [id, text]));
  const nameOf = (id: string) => found.names.get(id) ?? "";
  const pairOf = (overlap: Overlap): SharedPair => {
    const { firstId, secondId, passages } = overlap;
    const subject = `shared_text/${[firstId, secondId].sort().join("~")}`.slice(0, 300);
    const basis = `letters ${String(sharedLetters(overlap))}`;
    const aside = state.asides[`${assignmentId}/${subject}`];
    const text = texts.get(firstId) ?? "";
    return {
      overlap,
      subject,
      basis,
      studentIds: [firstId, secondId].filter((id): id is StudentId => state.students[id] !== undefined),
      names: [nameOf(firstId), nameOf(secondId)],
      words: passages.reduce((total, { first }) => total + wordsIn(text.slice(first.start, first.end)), 0),
      cleared: aside?.basis === basis ? aside.word : null,
    };
  };
  const grouped = (overlaps: readonly Overlap[], isShort: boolean) =>
    overlapGroups(overlaps).map(({ ids, pairs }) => ({ isShort, names: ids.map(nameOf), pairs: pairs.map(pairOf) }));
  const telling = found.overlaps.filter(isTelling);
  return [
    ...grouped(telling, false),
    ...grouped(
      found.overlaps.filter((one) => !isTelling(one)),
      true,
    ),
  ];
}

/** A stretch of a text: shared, with the number of its passage from 0, or its own. */
export interface TextStretch {
  readonly text: string;
  readonly passage: number | null;
}

/** A text cut at its shared passages; where two passages cover one another the earlier one stands. */
export function stretchesOf(
  text: string,
  ranges: readonly { readonly start: number; readonly end: number }[],
): TextStretch[] {
  const inOrder = ranges.map((range, passage) => ({ ...range, passage })).sort((a, b) => a.start - b.start);
  const stretches: TextStretch[] = [];
  let at = 0;
  for (const { start, end, passage } of inOrder) {
    const from = Math.max(start, at);
    if (end <= from) continue;
    if (from > at) stretches.push({ text: text.slice(at, from), passage: null });
    stretches.push({ text: text.slice(from, end), passage });
    at = end;
  }
  if (at < text.length) stretches.push({ text: text.slice(at), passage: null });
  return stretches;
}
