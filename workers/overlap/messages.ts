import type { Overlap } from "#core/statistics";

/** Something whose text is looked at: a hand-in, or what came with the task. */
export interface WorkText {
  /** What was written in the application: posts, answers, the task. */
  readonly text: string;
  readonly files: readonly { readonly blob: Blob; readonly mediaType: string }[];
}

/** A hand-in of the comparison. */
export interface ComparedWork extends WorkText {
  readonly id: string;
  /** Hand-ins of one kin are not held against each other. */
  readonly kin: string | null;
}

/** A hand-in as it was read. */
export interface ReadWork {
  readonly id: string;
  readonly text: string;
  /** Files that hold no text that can be read: pictures, scans, what is locked or damaged. */
  readonly unread: number;
}

/** Which hand-ins share text, and the texts they share it in. */
export interface SharedText {
  readonly works: readonly ReadWork[];
  readonly overlaps: readonly Overlap[];
}

/** What the worker for shared text can be asked. */
export interface OverlapJobs {
  /** Holds all hand-ins against each other; `tell` hears how many are read. What the task gave, and quotations, are left out. */
  readonly compare: (
    works: readonly ComparedWork[],
    task: WorkText,
    tell: (done: number) => Promise<void>,
  ) => Promise<SharedText>;
}
