import { wrap } from "comlink";
import type { ArchiveJobs, PdfJobs } from "./protocol";

/** The job was stopped by the person. */
export class StoppedError extends Error {
  constructor() {
    super("stopped");
    this.name = "StoppedError";
  }
}

/** Runs one job of the archive worker; aborting `signal` ends the worker at once. @throws StoppedError when aborted */
export const runArchiveJob = <T>(job: (jobs: ArchiveJobs) => Promise<T>, signal: AbortSignal): Promise<T> =>
  runJob(new Worker(new URL("./archive.worker.ts", import.meta.url), { type: "module" }), job, signal);

/** Runs one job of the PDF worker; aborting `signal` ends the worker at once. @throws StoppedError when aborted */
export const runPdfJob = <T>(job: (jobs: PdfJobs) => Promise<T>, signal: AbortSignal): Promise<T> =>
  runJob(new Worker(new URL("./pdf.worker.ts", import.meta.url), { type: "module" }), job, signal);

function runJob<J, T>(worker: Worker, job: (jobs: J) => Promise<T>, signal: AbortSignal): Promise<T> {
  const stopped = new Promise<never>((_resolve, reject) => {
    signal.addEventListener("abort", () => {
      reject(new StoppedError());
    });
    worker.addEventListener("error", (event) => {
      reject(new Error(event.message || "the worker could not start"));
    });
  });
  // Every job answers by promise already, so the worker's proxy is what the jobs are.
  return Promise.race([job(wrap<J>(worker) as unknown as J), stopped]).finally(() => {
    worker.terminate();
  });
}
