import type { FileId } from "#core/kernel";
import type { Repository } from "#storage";

/** What takes room in this browser, in bytes, and what the browser says of keeping it. */
export interface BrowserSpace {
  /** Whether the browser keeps it until somebody deletes it; null where it does not say. */
  readonly isForGood: boolean | null;
  /** All that this application takes, and how much more there may be; null where the browser does not say. */
  readonly used: number | null;
  readonly left: number | null;
  readonly journal: number;
  readonly files: number;
  readonly tray: number;
  readonly trayPieces: number;
  /** The other courses, the largest first. */
  readonly others: readonly {
    readonly slot: string;
    readonly title: string;
    readonly archived: boolean;
    readonly bytes: number;
  }[];
}

/** Adds up what a course and those beside it take. */
export async function browserSpace(repository: Repository, slot: string): Promise<BrowserSpace> {
  // Pages that are not at home on a secure address have no such storage to ask about.
  const storage = "storage" in navigator ? navigator.storage : null;
  const [isForGood, room, own, tray, courses] = await Promise.all([
    storage?.persisted().catch(() => null) ?? null,
    storage?.estimate().catch(() => null) ?? null,
    repository.spaceOf(slot),
    repository.tray(slot),
    repository.courses(),
  ]);
  const inTray = new Set<FileId>(tray.pieces.map(({ file }) => file.id));
  const sum = (isOfTray: boolean) =>
    [...own.files].reduce((bytes, [id, size]) => (inTray.has(id) === isOfTray ? bytes + size : bytes), 0);
  const others = await Promise.all(
    courses
      .filter((course) => course.slot !== slot)
      .map(async (course) => {
        const { files, journal } = await repository.spaceOf(course.slot);
        const bytes = journal + [...files.values()].reduce((all, one) => all + one, 0);
        return { slot: course.slot, title: course.title, archived: course.archived === true, bytes };
      }),
  );
  const { usage, quota } = room ?? {};
  return {
    isForGood,
    used: usage ?? null,
    left: usage === undefined || quota === undefined ? null : Math.max(0, quota - usage),
    journal: own.journal,
    files: sum(false),
    tray: sum(true),
    trayPieces: inTray.size,
    others: others.sort((a, b) => b.bytes - a.bytes),
  };
}
