/** What of a course a packet has: the desk with all that belongs to scoring, its journal, its lock, and giving it back. */
const PLACES: ReadonlySet<string> = new Set([
  "score",
  "waiting",
  "quick",
  "sweep",
  "pile",
  "answers",
  "journal",
  "lock",
  "give-back",
]);

/** Where the packet of a slot leads from a place that it does not have; null where it stands already. */
export function packetDetour(slot: string, pathname: string): string | null {
  const [, , , step = ""] = pathname.split("/");
  return PLACES.has(step) ? null : `/courses/${slot}/score`;
}
