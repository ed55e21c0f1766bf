import { openedPiece } from "#core/formats";
import type { Chain } from "#core/changes";
import type { StoredJournal } from "../journal/stored-journal";

/** All of a stored journal in memory. */
export async function wholeChain({ pieces, unproven }: StoredJournal): Promise<Chain> {
  const texts: string[] = [];
  const sums: string[] = [];
  for await (const piece of pieces()) {
    const opened = await openedPiece(piece);
    texts.push(...opened.texts);
    sums.push(...opened.sums);
  }
  return { texts, sums, unproven };
}
