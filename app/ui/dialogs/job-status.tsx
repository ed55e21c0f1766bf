import type { Job } from "../hooks/use-job";

/** How far a long job is, with a way to stop it; afterwards what came of it. */
export function JobStatus({ job: { progress, said } }: { readonly job: Job }) {
  return (
    <div role="status" className="min-h-7 pt-1 text-[14px]">
      {progress && (
        <p className="figures flex items-center gap-3">
          <progress className="w-40" max={progress.all} value={progress.done} aria-label={progress.words} />
          {progress.words}
          <button type="button" className="link" onClick={progress.stop}>
            Stop
          </button>
        </p>
      )}
      {said && <p className={said.trouble ? "text-wax" : "text-soft"}>{said.words}</p>}
    </div>
  );
}
