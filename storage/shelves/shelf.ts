/** One key-value store. Each `set` is a transaction of its own; several keys are never written together. */
export interface Shelf {
  readonly get: (key: string) => Promise<unknown>;
  /** Resolves once the value is durable. @throws what the store throws, a full disk among it. */
  readonly set: (key: string, value: unknown) => Promise<void>;
  readonly remove: (key: string) => Promise<void>;
  readonly keys: () => Promise<string[]>;
}

/** The stores of the application. */
export interface Shelves {
  /** Schema version, list of courses, places to resume at. */
  readonly meta: Shelf;
  /** Journal entries, one key each, and blocks of old ones. The journal is the truth; all else is a cache of it. */
  readonly journal: Shelf;
  /** States at a place in the journal. */
  readonly snapshots: Shelf;
  /** Blobs of handed-in files. */
  readonly files: Shelf;
  /** Steps on their way into the journal; a set has happened before the page can be left. */
  readonly hurried: Shelf;
  /** What is half-typed, by course and place; a set has happened before the page can be left. */
  readonly drafts: Shelf;
}

/** The stores as one course sees them. */
export interface CourseShelves extends Shelves {
  /** What a locked course is called in the list of courses; left out where its own name may stand there. */
  readonly knownAs?: string;
}

/** What ties the tabs of one browser together. */
export interface Neighbours {
  /** Runs `job` while no other tab runs one under the same name. */
  readonly alone: <T>(name: string, job: () => Promise<T>) => Promise<T>;
  readonly announce: (slot: string) => void;
  /** Calls back with the slot another tab announced; returns how to stop listening. */
  readonly listen: (heard: (slot: string) => void) => () => void;
}
