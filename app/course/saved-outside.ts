import type { Instant } from "#core/kernel";
import { courseOf } from "#core/model";
import type { CourseSession, Repository } from "#storage";
import { knownIn } from "./choices";

/** Days without a copy outside of the browser after which the board says so. */
const MOST_DAYS = 7;
const DAY = 86_400_000;

/** How long a course has had no copy outside of this browser, and how much was done since. */
export interface Unsaved {
  /** Null: there never was one. */
  readonly since: string | null;
  readonly days: number;
  readonly changes: number;
}

/** What a course has outside of this browser, against how it is now. */
export interface Outside {
  readonly saved: { readonly at: string; readonly seq: number } | null;
  readonly createdAt: string;
  readonly seq: number;
}

/** How much of a course stands in this browser alone; null where that is nothing, or not for long. */
export function unsavedFor({ saved, createdAt, seq }: Outside, now: Instant): Unsaved | null {
  const days = Math.floor((Date.parse(now) - Date.parse(saved?.at ?? createdAt)) / DAY);
  const changes = seq - (saved?.seq ?? 0);
  return changes > 0 && days >= MOST_DAYS ? { since: saved?.at ?? null, days, changes } : null;
}

/** The same of an open course. Nothing is asked of the demo, nor of what was handed over by another marker. */
export async function unsavedOf(repository: Repository, session: CourseSession): Promise<Unsaved | null> {
  const { origin, packet, createdAt } = courseOf(session.state);
  if (origin === "demo" || packet !== null) return null;
  const saved = await knownIn(repository, session.slot, "saved-outside");
  return unsavedFor({ saved, createdAt, seq: session.seq }, session.now());
}
