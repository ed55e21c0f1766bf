import { useCallback, useRef, useState } from "react";

/** How far a long job is. */
export interface JobProgress {
  readonly words: string;
  readonly done: number;
  readonly all: number;
}

/** A long job as a screen shows it: how far it is, a way to stop it, and what came of it. */
export interface Job {
  readonly progress: (JobProgress & { readonly stop: () => void }) | null;
  readonly said: { readonly words: string; readonly trouble: boolean } | null;
  readonly say: (words: string) => void;
  /** Runs a job; its answer is what is said when it is done. One that is under way already is stopped. */
  readonly run: (job: (signal: AbortSignal, tell: (progress: JobProgress) => void) => Promise<string>) => Promise<void>;
}

/** Runs long jobs of a screen, one at a time. */
export function useJob(): Job {
  const [progress, setProgress] = useState<Job["progress"]>(null);
  const [said, setSaid] = useState<Job["said"]>(null);
  const under = useRef<AbortController | null>(null);
  const run = useCallback<Job["run"]>(async (job) => {
    under.current?.abort();
    const controller = new AbortController();
    under.current = controller;
    const stop = () => {
      controller.abort();
    };
    setSaid(null);
    try {
      const words = await job(controller.signal, (now) => {
        if (!controller.signal.aborted) setProgress({ ...now, stop });
      });
      setSaid({ words, trouble: false });
    } catch (error) {
      const stopped = error instanceof Error && error.name === "StoppedError";
      const words = error instanceof Error ? error.message : "This did not work. Nothing was changed; try again.";
      setSaid({ words: stopped ? "Stopped. Nothing was changed." : words, trouble: !stopped });
    } finally {
      setProgress(null);
    }
  }, []);
  const say = useCallback((words: string) => {
    setSaid({ words, trouble: false });
  }, []);
  return { progress, said, say, run };
}
