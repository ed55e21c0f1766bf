import { CHAIN_START, placeOfSeal } from "#core/changes";
import { sumsOf } from "#core/formats";
import { courseOf } from "#core/model";
import { counted, longMomentText } from "#core/words";
import type { CourseSession } from "#storage";
import { runArchiveJob } from "../../workers/client";
import type { JobProgress } from "../ui/hooks/use-job";

/**
 * Works the sum of every change out anew, away from the page, and compares it with the one that was stored. Answers what
 * came of it; `earlier` is a seal that was noted once, or nothing. @throws StoppedError
 */
export async function checkJournal(
  session: CourseSession,
  earlier: string,
  signal: AbortSignal,
  tell: (progress: JobProgress) => void,
): Promise<{ readonly words: string; readonly isWhole: boolean }> {
  const { count, unproven, pieces } = await session.journal();
  const sums: string[] = [];
  const broken = await runArchiveJob(async (jobs) => {
    for await (const piece of pieces()) {
      tell({ words: "Checking the journal", done: sums.length, all: count });
      const place = await jobs.brokenLink(piece, sums.at(-1) ?? CHAIN_START);
      if (place !== null) return sums.length + place + 1;
      for (const sum of sumsOf(piece.sums)) sums.push(sum);
    }
    return null;
  }, signal);
  if (broken !== null) return { words: brokenWords(session, broken), isWhole: false };
  const later =
    unproven === 0
      ? ""
      : ` The sums of the first ${counted(unproven, "change")} were made later than the changes: of what was done to them before, nothing tells.`;
  const whole = `All ${counted(count, "change")} follow one another: none was changed, taken out or moved.${later}`;
  if (earlier.trim() === "") return { words: whole, isWhole: true };
  const place = placeOfSeal(sums, earlier);
  return place === null
    ? {
        words: `${whole} But it never had the seal you typed: that is mistyped, of another course, or the past was written anew.`,
        isWhole: false,
      }
    : {
        words: `${whole} The seal you typed is that of change ${String(place)}${momentOf(session, place)}: up to there everything is as it was then.`,
        isWhole: true,
      };
}

const momentOf = (session: CourseSession, place: number): string => {
  const at = session.entries[place - 1]?.change.at;
  return at === undefined ? "" : ` of ${longMomentText(at, courseOf(session.state).timeZone)}`;
};

/** What it means that the chain does not hold. */
export const brokenWords = (session: CourseSession, seq: number): string =>
  `Change ${String(seq)}${momentOf(session, seq)} does not fit: it, or the one before it, was changed, taken out or moved from outside.`;
