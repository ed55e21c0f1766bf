import { z } from "zod/mini";
import { idField } from "#core/model";
import type { Repository } from "#storage";

/** Which hands hold the desk: both, or one, with judgement and the way on at its side. */
export const HANDS = ["both", "left", "right"] as const;
/** Which hands hold the desk. */
export type Hand = (typeof HANDS)[number];
/** The orders of a pile. */
export const PILE_ORDERS = ["name", "waiting", "time", "number"] as const;
/** The order of a pile. */
export type PileOrder = (typeof PILE_ORDERS)[number];

const EVERYWHERE = {
  /** Daylight or lamplight, where one was chosen over what the system says. */
  light: z.enum(["lamp", "day"]),
  "last-course": z.string(),
  "marker-name": z.string(),
  /** The widths of the desk's columns, by their ids, in percent. */
  "desk-layout": z.record(z.string(), z.number()),
  /** The width of the margin, in pixels. */
  "margin-width": z.number(),
  "desk-hand": z.enum(HANDS),
  "pile-order": z.enum(PILE_ORDERS),
  /** Papers and answers are judged without names. */
  "names-hidden": z.boolean(),
};

const OF_COURSE = {
  /** The paper where one left off. */
  place: z.object({ assignmentId: idField("assignment"), studentId: idField("student") }),
  /** What the gradebook shows: the search of its address, with its `?`. */
  gradebook: z.union([z.string().check(z.startsWith("?")), z.literal("")]),
  /** When the course was last saved outside of this browser, and after how many changes. */
  "saved-outside": z.object({ at: z.string(), seq: z.number() }),
  /** Why the last copy could not be written into its folder; empty where it was. */
  "folder-trouble": z.string(),
};

type Everywhere = keyof typeof EVERYWHERE;
type OfCourse = keyof typeof OF_COURSE;

/**
 * The one place that knows what this browser remembers of the eye and the hand. None of it belongs to a course; it stays over
 * screens and reloads, and goes with the course it is about. Answers null for what was never chosen or cannot be read.
 */
export async function known<N extends Everywhere>(
  repository: Repository,
  name: N,
): Promise<z.infer<(typeof EVERYWHERE)[N]> | null> {
  const read = EVERYWHERE[name].safeParse(await repository.recall(name).catch(() => null));
  return read.success ? (read.data as z.infer<(typeof EVERYWHERE)[N]>) : null;
}

/** Remembers a choice; a browser that cannot keep it only forgets it. */
export function keep<N extends Everywhere>(
  repository: Repository,
  name: N,
  value: z.infer<(typeof EVERYWHERE)[N]>,
): void {
  void repository.remember(name, value).catch(() => null);
}

/** What was chosen in one course; null for what was never chosen or cannot be read. */
export async function knownIn<N extends OfCourse>(
  repository: Repository,
  slot: string,
  name: N,
): Promise<z.infer<(typeof OF_COURSE)[N]> | null> {
  const read = OF_COURSE[name].safeParse(await repository.recall(`${name}/${slot}`).catch(() => null));
  return read.success ? (read.data as z.infer<(typeof OF_COURSE)[N]>) : null;
}

/** Remembers a choice of one course. */
export function keepIn<N extends OfCourse>(
  repository: Repository,
  slot: string,
  name: N,
  value: z.infer<(typeof OF_COURSE)[N]>,
): void {
  void repository.remember(`${name}/${slot}`, value).catch(() => null);
}

/** Whether papers are judged without names: as the address says, else as it was chosen last. */
export const namesHidden = async (repository: Repository, search: URLSearchParams): Promise<boolean> =>
  search.has("names") ? search.get("names") === "hidden" : ((await known(repository, "names-hidden")) ?? false);
