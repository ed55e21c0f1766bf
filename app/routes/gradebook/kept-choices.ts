import type { Repository } from "#storage";

/** What was chosen to be shown in a course's gradebook stays over screens and reloads: the search of its address. */
const keyOf = (slot: string): string => `gradebook/${slot}`;

/** The search of the address as it was last chosen, with its `?`; empty where nothing is. */
export async function keptChoices(repository: Repository, slot: string): Promise<string> {
  const known = await repository.recall(keyOf(slot));
  return typeof known === "string" && known.startsWith("?") ? known : "";
}

export const keepChoices = (repository: Repository, slot: string, search: string): void => {
  void repository.remember(keyOf(slot), search).catch(() => null);
};
