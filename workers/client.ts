import { proxy, wrap, type Remote } from "comlink";
import type { PageContent, PageIssue, PageKind } from "#core/formats";
import type { Instant } from "#core/kernel";
import type {
  ArchiveJobs,
  AskedCourse,
  CollectJobs,
  CopyJobs,
  DroppedFile,
  LockJobs,
  MatchQuestion,
  NamedFile,
  Nameless,
  ComparedWork,
  OverlapJobs,
  PageJobs,
  PdfJobs,
  ReadBatch,
  SharedText,
  TableJobs,
  WorkText,
} from "./protocol";
import type { Match, SeenPage } from "#core/collect";

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
  return untilDone<ArchiveJobs, T>(worker, job, signal);
}

/** Packs a course that is handed over piece by piece, and reads it back. @throws StoppedError when aborted */
export const packCourse = (course: AskedCourse, writtenAt: Instant, signal: AbortSignal) =>
  runArchiveJob((jobs) => jobs.pack(proxy(course), writtenAt), signal);

/** Reads a course file in; `tell` hears how many entries are read. @throws StoppedError when aborted */
export const readInCourse = (file: Blob, tell: (entries: number) => void, signal: AbortSignal) =>
  runArchiveJob((jobs) => jobs.readIn(file, heard(tell)), signal);

/** Takes what tells of their writers out of files; `tell` hears how many are done. @throws StoppedError when aborted */
export const withoutWriters = (
  files: readonly NamedFile[],
  tell: (done: number) => void,
  signal: AbortSignal,
): Promise<readonly Nameless[]> => runArchiveJob((jobs) => jobs.nameless([...files], heard(tell)), signal);

/** Makes keys of passphrases, slowly, away from the page; a worker of its own each time, so that none keeps one. */
export const stretcher = {
  measure: () => runLockJob((jobs) => jobs.measure()),
  stretch: (...asked: Parameters<LockJobs["stretch"]>) => runLockJob((jobs) => jobs.stretch(...asked)),
};

function runLockJob<T>(job: (jobs: Remote<LockJobs>) => Promise<T>): Promise<T> {
  const worker = new Worker(new URL("./lock.worker.ts", import.meta.url), { type: "module" });
  return untilDone<LockJobs, T>(worker, job, new AbortController().signal);
}

/** Runs one job of the PDF worker; aborting `signal` ends the worker at once. @throws StoppedError when aborted */
export function runPdfJob<T>(job: (jobs: PdfJobs) => Promise<T>, signal: AbortSignal): Promise<T> {
  const worker = new Worker(new URL("./pdf.worker.ts", import.meta.url), { type: "module" });
  return untilDone<PdfJobs, T>(worker, job, signal);
}

/** Runs jobs of the worker for student copies, one after the other; aborting `signal` ends it at once. @throws StoppedError when aborted */
export function runCopyJobs<T>(jobs: (jobs: CopyJobs) => Promise<T>, signal: AbortSignal): Promise<T> {
  const worker = new Worker(new URL("./copies.worker.ts", import.meta.url), { type: "module" });
  return untilDone<CopyJobs, T>(worker, jobs, signal);
}

/** Runs one job of the worker for lists and tables; aborting `signal` ends it at once. @throws StoppedError when aborted */
export function runTableJob<T>(job: (jobs: TableJobs) => Promise<T>, signal: AbortSignal): Promise<T> {
  const worker = new Worker(new URL("./tables.worker.ts", import.meta.url), { type: "module" });
  return untilDone<TableJobs, T>(worker, job, signal);
}

/** Reads what was dropped, away from the page; aborting `signal` ends it at once. @throws StoppedError when aborted */
export const readDropped = (
  files: readonly DroppedFile[],
  tell: (batch: ReadBatch) => Promise<void>,
  signal: AbortSignal,
): Promise<void> => runCollectJob((jobs) => jobs.read([...files], proxy(tell)), signal);

/** Runs one job of the worker of the tray; aborting `signal` ends it at once. @throws StoppedError when aborted */
export function runCollectJob<T>(job: (jobs: CollectJobs) => Promise<T>, signal: AbortSignal): Promise<T> {
  const worker = new Worker(new URL("./collect.worker.ts", import.meta.url), { type: "module" });
  return untilDone<CollectJobs, T>(worker, job, signal);
}

/** Holds hand-ins against each other, away from the page; `tell` hears how many are read. @throws StoppedError when aborted */
export function compareWorks(
  works: readonly ComparedWork[],
  task: WorkText,
  tell: (done: number) => void,
  signal: AbortSignal,
): Promise<SharedText> {
  const worker = new Worker(new URL("./overlap.worker.ts", import.meta.url), { type: "module" });
  return untilDone<OverlapJobs, SharedText>(worker, (jobs) => jobs.compare([...works], task, heard(tell)), signal);
}

/** Looks at the pages of a scan, away from the page; `tell` hears how many are done. @throws StoppedError when aborted */
export const lookAtScan = (
  files: readonly Blob[],
  tell: (done: number, all: number) => void,
  signal: AbortSignal,
): Promise<readonly SeenPage[]> => runCollectJob((jobs) => jobs.look([...files], heard(tell)), signal);

/** What a worker calls while it works; it waits until that was heard. */
const heard = <Told extends unknown[]>(tell: (...told: Told) => void) =>
  proxy((...told: Told) => {
    tell(...told);
    return Promise.resolve();
  });

let matching: Remote<CollectJobs> | null = null;

let matched: Promise<unknown> = Promise.resolve();

/**
 * Finds whom pieces belong to; the worker is kept for the next question. While one is worked out the others wait, and
 * those that `isWanted` does not want by then are passed over: a folder that is being read asks anew with every batch.
 */
export function matchPieces(question: MatchQuestion, isWanted: () => boolean): Promise<readonly Match[] | null> {
  const answer = matched.then(() => {
    if (!isWanted()) return null;
    matching ??= wrap<CollectJobs>(new Worker(new URL("./collect.worker.ts", import.meta.url), { type: "module" }));
    return matching.match(question);
  });
  matched = answer.catch(() => null);
  return answer;
}

/** A foreign document: what it holds, and what it is said to be. */
interface ForeignFile {
  readonly bytes: Uint8Array<ArrayBuffer>;
  readonly mediaType: string;
}

/** Longest time that one foreign document may take, in milliseconds; one that takes longer is too large to be shown. */
const LONGEST_READING = 15_000;
/** The worker with its one proxy: a proxy that nobody holds any more takes the worker's ears away. */
let pages: { readonly worker: Worker; readonly jobs: Remote<PageJobs> } | null = null;
let reading: Promise<unknown> = Promise.resolve();

/**
 * Reads a handed-in document away from the page. The worker is kept for the next one; a document that takes too long, or
 * that is stopped, ends it, and a new one is started when it is needed.
 */
export function readForeign(kind: PageKind, file: ForeignFile, signal: AbortSignal): Promise<PageContent | PageIssue> {
  const job = reading.then(() => (signal.aborted ? "stopped" : readOne(kind, file, signal)));
  reading = job;
  // One that still waits for another to be read is stopped at once too.
  const stopped = new Promise<PageIssue>((resolve) => {
    signal.addEventListener("abort", () => {
      resolve("stopped");
    });
  });
  return Promise.race([job, stopped]);
}

function startPages() {
  const worker = new Worker(new URL("./pages.worker.ts", import.meta.url), { type: "module" });
  return { worker, jobs: wrap<PageJobs>(worker) };
}

async function readOne(
  kind: PageKind,
  { bytes, mediaType }: ForeignFile,
  stop: AbortSignal,
): Promise<PageContent | PageIssue> {
  const { worker, jobs } = (pages ??= startPages());
  const broken = new AbortController();
  const tooLong = new Promise<PageIssue>((resolve) => {
    stop.addEventListener(
      "abort",
      () => {
        resolve("stopped");
      },
      { signal: broken.signal },
    );
    const timer = setTimeout(() => {
      resolve("too_large");
    }, LONGEST_READING);
    broken.signal.addEventListener("abort", () => {
      clearTimeout(timer);
    });
    // Out of memory ends a worker without an answer.
    worker.addEventListener(
      "error",
      () => {
        resolve("too_large");
      },
      { signal: broken.signal },
    );
  });
  const opened = jobs.open(kind, bytes, mediaType).then(
    (content) => ({ answered: true, content }),
    () => ({ answered: false, content: "damaged" as const }),
  );
  const ended = tooLong.then((content) => ({ answered: false, content }));
  const { answered, content } = await Promise.race([opened, ended]);
  broken.abort();
  if (!answered) {
    worker.terminate();
    pages = null;
  }
  return content;
}

/** Proxies of jobs under way: one that nobody holds is collected, and the answer it waits for with it. */
const held = new Set<object>();

function untilDone<Jobs, T>(worker: Worker, job: (jobs: Remote<Jobs>) => Promise<T>, signal: AbortSignal): Promise<T> {
  const jobs = wrap<Jobs>(worker);
  held.add(jobs);
  const stopped = new Promise<never>((_resolve, reject) => {
    signal.addEventListener("abort", () => {
      reject(new StoppedError());
    });
    worker.addEventListener("error", (event) => {
      reject(new Error(event.message || "the worker could not start"));
    });
  });
  return Promise.race([job(jobs), stopped]).finally(() => {
    worker.terminate();
    held.delete(jobs);
  });
}
