import type { LockWish, Repository } from "#storage";
import { StoppedError } from "../../../../workers/client";
import type { JobProgress } from "../../../ui/hooks/use-job";

interface Moving {
  readonly repository: Repository;
  readonly slot: string;
  readonly signal: AbortSignal;
  readonly tell: (progress: JobProgress) => void;
}

/** Writes a course anew under a lock, or without one; answers its new slot. @throws StoppedError, and what the store throws */
export function moved(
  { repository, slot, signal, tell }: Moving,
  lock: LockWish | null,
  wish: string,
): Promise<string> {
  return repository.moveCourse(slot, lock, wish, (done, all) => {
    if (signal.aborted) throw new StoppedError();
    tell({ words: lock ? "Locking" : "Taking the lock off", done, all });
  });
}
