import type { LockWish, Repository } from "#storage";
import { StoppedError } from "../../../../workers/client";
import type { JobProgress } from "../../../ui/hooks/use-job";

interface Moving {
  readonly repository: Repository;
  readonly slot: string;
  readonly signal: AbortSignal;
  readonly tell: (progress: JobProgress) => void;
  /** The page asks for its course anew: it may have been let go of before it came to nothing. */
  readonly onTrouble: () => void;
}

/** Writes a course anew under a lock, or without one; answers its new slot. @throws StoppedError, and what the store throws */
export async function moved(
  { repository, slot, signal, tell, onTrouble }: Moving,
  lock: LockWish | null,
  wish: string,
): Promise<string> {
  try {
    return await repository.moveCourse(slot, lock, wish, (done, all) => {
      if (signal.aborted) throw new StoppedError();
      tell({ words: lock ? "Locking" : "Taking the lock off", done, all });
    });
  } catch (error) {
    onTrouble();
    throw error;
  }
}
