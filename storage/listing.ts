import { z } from "zod/mini";
import { courseOf, type CourseState } from "#core/model";
import type { CourseShelves, Shelves } from "./shelves/shelf";
import { slotsBeingRead } from "./slots";

/** A course in this browser. `slot` is its name in addresses and keys. */
export interface CourseListing {
  readonly slot: string;
  readonly title: string;
  readonly origin: "demo" | "own";
  /** Put away: listed apart, and opened by nothing but its own name. */
  readonly archived?: boolean | undefined;
  /** Kept sealed; the title is then what it is called while it is locked. */
  readonly locked?: boolean | undefined;
  /** The slot in whose place it came, with another lock or none; what is left there is nothing any more. */
  readonly insteadOf?: string | undefined;
}

const listingSchema = z.object({
  slot: z.string(),
  title: z.string(),
  origin: z.enum(["demo", "own"]),
  archived: z.optional(z.boolean()),
  locked: z.optional(z.boolean()),
  insteadOf: z.optional(z.string()),
});
const PREFIX = "course/";

/** What the list may say of a course. */
function listingOf({ knownAs }: CourseShelves, slot: string, state: CourseState): CourseListing {
  const { title, origin } = courseOf(state);
  return knownAs === undefined ? { slot, title, origin } : { slot, title: knownAs, origin: "own", locked: true };
}

/** Lists a course; from then on it is offered. `beside` is what else is said of it. */
export async function keepListing(
  shelves: CourseShelves,
  slot: string,
  state: CourseState,
  beside: Pick<CourseListing, "archived" | "insteadOf"> = {},
): Promise<void> {
  await shelves.meta.set(`${PREFIX}${slot}`, { ...listingOf(shelves, slot, state), ...beside });
}

/** Says that nothing is left of what a course came in the place of. */
export async function endMove({ meta }: Shelves, { insteadOf: _gone, ...listing }: CourseListing): Promise<void> {
  await meta.set(`${PREFIX}${listing.slot}`, listing);
}

/** Lists a course under its present title; one that is put away stays so. */
export async function renameListing(shelves: CourseShelves, slot: string, state: CourseState): Promise<void> {
  const listed = listingSchema.safeParse(await shelves.meta.get(`${PREFIX}${slot}`)).data;
  const { title } = listingOf(shelves, slot, state);
  if (listed && listed.title !== title) await shelves.meta.set(`${PREFIX}${slot}`, { ...listed, title });
}

/** Puts a course away, or takes it out again; nothing of the course itself changes. */
export async function markArchived(shelves: Shelves, listing: CourseListing, archived: boolean): Promise<void> {
  await shelves.meta.set(`${PREFIX}${listing.slot}`, { ...listing, archived });
}

/** Takes a course off the list. */
export const dropListing = (shelves: Shelves, slot: string): Promise<void> => shelves.meta.remove(`${PREFIX}${slot}`);

/** Whether a course is listed, or its journal lies here although its line in the list was lost. */
export const isKnown = async (shelves: Shelves, slot: string): Promise<boolean> =>
  (await shelves.meta.get(`${PREFIX}${slot}`).catch(() => null)) !== null ||
  (await unlistedSlots(shelves, new Set())).includes(slot);

/**
 * Every course. One whose line in the list cannot be read, or is lost, is there under the name of its slot: no line
 * hides a course.
 */
export async function readListings(shelves: Shelves): Promise<CourseListing[]> {
  const keys = (await shelves.meta.keys()).filter((key) => key.startsWith(PREFIX)).sort();
  const listed = await Promise.all(
    keys.map(async (key) => {
      const slot = key.slice(PREFIX.length);
      const parsed = listingSchema.safeParse(await shelves.meta.get(key).catch(() => null));
      return parsed.success && parsed.data.slot === slot ? parsed.data : nameless(slot);
    }),
  );
  const lost = await unlistedSlots(shelves, new Set(listed.map(({ slot }) => slot)));
  const gone = new Set(listed.map(({ insteadOf }) => insteadOf));
  return [...listed, ...lost.map(nameless)].filter(({ slot }) => !gone.has(slot));
}

const nameless = (slot: string): CourseListing => ({ slot, title: slot, origin: "own" });

/** Slots with a journal that is not being written at this moment. */
async function unlistedSlots(shelves: Shelves, listed: ReadonlySet<string>): Promise<string[]> {
  const slots = new Set((await shelves.journal.keys()).map((key) => key.split("/")[0] ?? key));
  const reading = new Set(await slotsBeingRead(shelves));
  return [...slots].filter((slot) => !listed.has(slot) && !reading.has(slot)).sort();
}
