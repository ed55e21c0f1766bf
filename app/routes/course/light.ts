import type { Repository } from "#storage";

/** Daylight, or the dark theme. */
export type Light = "lamp" | "day";

const KEY = "light";

/** What was chosen before in this browser; null where the system decides. */
export async function knownLight(repository: Repository): Promise<Light | null> {
  const known = await repository.recall(KEY);
  return known === "lamp" || known === "day" ? known : null;
}

export const keepLight = (repository: Repository, light: Light): void => {
  void repository.remember(KEY, light).catch(() => null);
};
