import { wrap } from "comlink";
import type { ArchiveJobs, CopyJobs, PdfJobs } from "./protocol";

/** The job was stopped by the person. */
export class StoppedError extends Error {
  constructor() {
    super("stopped");
    this.name = "StoppedError";
  }
}

/** Runs one job of the archive worker; aborting `signal` ends the worker at once. @throws StoppedError when aborted */
export function runArchiveJob<T>(job: (jobs: ArchiveJobs) => Promise<T>, signal: AbortSignal): Promise<T> {
  const worker = new Worker(new URL("./archive.worker.ts", import.meta.url), { type: "module" });
  return untilDone(worker, job(wrap<ArchiveJobs>(worker)), signal);
}

/** Runs one job of the PDF worker; aborting `signal` ends the worker at once. @throws StoppedError when aborted */
export function runPdfJob<T>(job: (jobs: PdfJobs) => Promise<T>, signal: AbortSignal): Promise<T> {
  const worker = new Worker(new URL("./pdf.worker.ts", import.meta.url), { type: "module" });
  return untilDone(worker, job(wrap<PdfJobs>(worker)), signal);
}

/** Runs jobs of the worker for student copies, one after the other; aborting `signal` ends it at once. @throws StoppedError when aborted */
export function runCopyJobs<T>(jobs: (jobs: CopyJobs) => Promise<T>, signal: AbortSignal): Promise<T> {
  const worker = new Worker(new URL("./copies.worker.ts", import.meta.url), { type: "module" });
  return untilDone(worker, jobs(wrap<CopyJobs>(worker)), signal);
}

function untilDone<T>(worker: Worker, job: Promise<T>, signal: AbortSignal): Promise<T> {
  const stopped = new Promise<never>((_resolve, reject) => {
    signal.addEventListener("abort", () => {
      reject(new StoppedError());
    });
    worker.addEventListener("error", (event) => {
      reject(new Error(event.message || "the worker could not start"));
    });
  });
  return Promise.race([job, stopped]).finally(() => {
    worker.terminate();
  });
}
