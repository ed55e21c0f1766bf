import { keptBy, type AssignmentId, type FileId } from "#core/kernel";
import type { Assignment, CourseState } from "#core/model";
import type { CourseSession, Repository } from "#storage";
import { compareWorks, StoppedError } from "../../workers/client";
import type { SharedText } from "../../workers/protocol";
import { taskOf, worksOfOther, worksToCompare, type WorkToCompare } from "./compared-works";
import { openCourseFile } from "./course-file";

/** What was found of the text that hand-ins share. */
export interface SharedFound extends SharedText {
  /** Whose each is, by its id. */
  readonly names: ReadonlyMap<string, string>;
  /** The course file they were held against as well; null where there was none. */
  readonly against: string | null;
  /** What was read: with other hand-ins it is out of date. */
  readonly basis: string;
}

/** How far a look at shared text is. */
export type SharedLook =
  | { readonly kind: "none" }
  | { readonly kind: "reading"; readonly done: number; readonly all: number }
  | { readonly kind: "found"; readonly found: SharedFound }
  | { readonly kind: "trouble"; readonly words: string };

const NONE: SharedLook = { kind: "none" };

/** What stands for all that would be read of an assignment. */
export const sharedBasis = (works: readonly WorkToCompare[]): string =>
  works
    .map(({ id, text, files }) => `${id} ${String(text.length)} ${files.map((file) => file.id).join(" ")}`)
    .join("; ");

/** The looks at shared text of a course that is open, one for each assignment; they outlast the page that asked. */
export class SharedTextLooks {
  #listeners = new Set<() => void>();
  #looks = new Map<AssignmentId, SharedLook>();
  #stop: AbortController | null = null;

  constructor(
    private readonly repository: Repository,
    private readonly slot: string,
  ) {}

  subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };

  lookAt = (id: AssignmentId): SharedLook => this.#looks.get(id) ?? NONE;

  stop(): void {
    this.#stop?.abort();
  }

  /** Reads the hand-ins of an assignment, and those of a course file beside them, and holds each against each. */
  async look(state: CourseState, assignment: Assignment, other: File | null): Promise<void> {
    const before = this.lookAt(assignment.id);
    const stop = new AbortController();
    this.#stop?.abort();
    this.#stop = stop;
    const own = worksToCompare(state, assignment);
    this.#say(assignment.id, { kind: "reading", done: 0, all: own.length });
    try {
      const beside = other && (await this.#openOther(other, assignment, stop.signal));
      const works = [...own, ...(beside?.works ?? [])];
      const read = (id: FileId) => beside?.blobs.get(id) ?? this.repository.readFile(this.slot, id);
      const withFiles = async ({ files }: Pick<WorkToCompare, "files">) => {
        const blobs = await Promise.all(files.map(async ({ id, mediaType }) => ({ blob: await read(id), mediaType })));
        return blobs.flatMap(({ blob, mediaType }) => (blob ? [{ blob, mediaType }] : []));
      };
      const task = taskOf(state, assignment);
      const shared = await compareWorks(
        await Promise.all(
          works.map(async ({ id, kin, text, files }) => ({ id, kin, text, files: await withFiles({ files }) })),
        ),
        { text: task.text, files: await withFiles(task) },
        (done) => {
          if (!stop.signal.aborted) this.#say(assignment.id, { kind: "reading", done, all: works.length });
        },
        stop.signal,
      );
      const names = new Map(works.map(({ id, name }) => [id, name]));
      const found = { ...shared, names, against: other?.name ?? null, basis: sharedBasis(own) };
      this.#say(assignment.id, { kind: "found", found });
    } catch (error) {
      const isStopped = error instanceof StoppedError || stop.signal.aborted;
      const words = error instanceof Error ? error.message : "The hand-ins could not be read.";
      this.#say(assignment.id, isStopped ? (before.kind === "reading" ? NONE : before) : { kind: "trouble", words });
    }
  }

  async #openOther(file: File, assignment: Assignment, signal: AbortSignal) {
    const { state, files: blobs } = await openCourseFile(file, signal, null);
    return { works: worksOfOther(state, assignment.name), blobs };
  }

  #say(id: AssignmentId, look: SharedLook): void {
    this.#looks.set(id, look);
    for (const listener of this.#listeners) listener();
  }
}

/** The looks of a course that is open. */
export const sharedTextOf = keptBy({
  owner: (_: Repository, session: CourseSession) => session,
  make: (_, repository, session) => new SharedTextLooks(repository, session.slot),
});
