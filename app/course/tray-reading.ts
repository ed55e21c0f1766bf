import { takenFiles, type Piece, type PieceId } from "#core/collect";
import { keptBy, type FileId, type Instant } from "#core/kernel";
import type { CourseSession, Repository, Tray } from "#storage";
import { cutPile, readDropped } from "../../workers/client";
import { fileSum } from "../file-sum";
import type { DroppedFile, DropRemark, ReadPiece } from "../../workers/protocol";

/** How far reading what was dropped has come, and what was passed over. */
export interface Reading {
  /** Null while nothing is being read. */
  readonly progress: { readonly done: number; readonly all: number } | null;
  readonly remarks: readonly DropRemark[];
  /** Why it ended before its end; null where it did not. */
  readonly trouble: "no_room" | "not_written" | "not_read" | null;
}

const AT_REST: Reading = { progress: null, remarks: [], trouble: null };

/** Where a file lay when it was dropped: with the folders that were dropped with it. */
function pathOf(file: File): string {
  const path = "path" in file && typeof file.path === "string" ? file.path : file.webkitRelativePath;
  return (path || file.name).replace(/^\.?\/+/, "");
}

/** What was dropped together, in words: its folder, its one file, or how many files. */
function sourceOf(files: readonly File[]): string {
  const folders = new Set(files.map((file) => pathOf(file).split("/").slice(0, -1)[0] ?? ""));
  const [only] = folders;
  if (folders.size === 1 && only) return only;
  return files.length === 1 ? (files[0]?.name ?? "") : `${String(files.length)} files`;
}

/** Reads what is dropped in a course into its tray, one drop after the other, whatever page stands open meanwhile. */
export class TrayReading {
  #listeners = new Set<() => void>();
  #state: Reading = AT_REST;
  #stop = new AbortController();
  #last: Promise<void> = Promise.resolve();

  constructor(
    private readonly tray: Tray,
    private readonly fresh: () => string,
    private readonly isTaken: (file: FileId) => boolean,
  ) {}

  get state(): Reading {
    return this.#state;
  }

  subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };

  /** Resolves when all of it is read, or when it was stopped. */
  drop(files: readonly File[]): Promise<void> {
    const source = sourceOf(files).slice(0, 300);
    const dropped = files.map((file): DroppedFile => {
      const at = new Date(file.lastModified).toISOString() as Instant;
      return { path: pathOf(file), source, blob: file, at };
    });
    return this.take(dropped);
  }

  /** Takes in what has its paths and times already. */
  take(dropped: readonly DroppedFile[]): Promise<void> {
    const { progress } = this.#state;
    this.#say({ progress: { done: progress?.done ?? 0, all: (progress?.all ?? 0) + dropped.length }, trouble: null });
    this.#last = this.#last.then(() => this.#read(dropped));
    return this.#last;
  }

  /**
   * Cuts a scanned pile of the tray into papers of so many pages each, which lie there in its place.
   * @throws what the PDF library throws for a pile that cannot be read, and what the store throws
   */
  async cut(pile: Piece, blob: Blob, pages: number): Promise<number> {
    const papers = await cutPile(blob, pages, this.#stop.signal);
    const stem = pile.file.name.replace(/\.pdf$/i, "");
    const last = this.tray.pieces.at(-1)?.order ?? 0;
    const cut = await Promise.all(
      papers.map(async (paper, index) => {
        const name = `${stem} ${String(paper.from)}-${String(paper.to)}.pdf`;
        const file = { ...pile.file, id: `file:${this.fresh()}` as FileId, name, size: paper.blob.size };
        const piece: Piece = {
          ...pile,
          id: `piece:${this.fresh()}` as PieceId,
          order: last + 1 + index,
          source: pile.file.name,
          path: `${pile.file.name}/${name}`,
          file,
          sum: await fileSum(paper.blob),
          pages: paper.to - paper.from + 1,
          beginning: "",
          isCut: true,
          decision: null,
        };
        return { piece, blob: paper.blob };
      }),
    );
    await this.tray.add(cut);
    await this.tray.drop([pile.id], this.isTaken);
    return papers.length;
  }

  /** What was read so far stays in the tray. */
  stop(): void {
    this.#stop.abort();
  }

  acknowledge(): void {
    this.#say({ remarks: [], trouble: null });
  }

  async #read(dropped: readonly DroppedFile[]): Promise<void> {
    if (this.#stop.signal.aborted) this.#stop = new AbortController();
    const before = this.#state.progress?.done ?? 0;
    await this.#forgetTaken();
    try {
      await readDropped(
        dropped,
        async ({ pieces, remarks, done }) => {
          await this.tray.add(pieces.map((piece, index) => this.#asPiece(piece, index)));
          const all = this.#state.progress?.all ?? dropped.length;
          this.#say({ progress: { done: before + done, all }, remarks: [...this.#state.remarks, ...remarks] });
        },
        this.#stop.signal,
      );
    } catch (error) {
      this.#say({ trouble: troubleOf(error) });
    }
    const now = this.#state.progress;
    const isDone = !now || this.#stop.signal.aborted || before + dropped.length >= now.all;
    this.#say({ progress: isDone ? null : { ...now, done: before + dropped.length } });
  }

  /** What a course has come to name need not lie in the tray any longer, once something else comes in. */
  #forgetTaken(): Promise<void> {
    const taken = this.tray.pieces.filter(({ file }) => this.isTaken(file.id));
    return this.tray.drop(
      taken.map(({ id }) => id),
      this.isTaken,
    );
  }

  #asPiece(read: ReadPiece, index: number): { readonly piece: Piece; readonly blob: Blob } {
    const { name, mediaType, blob, ...traits } = read;
    const order = (this.tray.pieces.at(-1)?.order ?? -1) + 1 + index;
    const file = { id: `file:${this.fresh()}` as FileId, name, mediaType, size: blob.size };
    const id = `piece:${this.fresh()}` as PieceId;
    return {
      piece: { ...traits, id, order, file, isCut: false, decision: null },
      blob: new Blob([blob], { type: mediaType }),
    };
  }

  #say(change: Partial<Reading>): void {
    this.#state = { ...this.#state, ...change };
    for (const listener of this.#listeners) listener();
  }
}

function troubleOf(error: unknown): Reading["trouble"] {
  if (error instanceof Error && error.name === "StoppedError") return null;
  if (error instanceof DOMException) return error.name === "QuotaExceededError" ? "no_room" : "not_written";
  return "not_read";
}

/** The one reading of a tray. */
const readingOf = keptBy({
  owner: (tray: Tray, _fresh: () => string, _isTaken: (file: FileId) => boolean) => tray,
  make: (_, ...given) => new TrayReading(...given),
});

/** The tray of a course with the one reading that fills it. */
export async function openReading(repository: Repository, session: CourseSession) {
  const tray = await repository.tray(session.slot);
  const isTaken = (file: FileId) => takenFiles(session.state).has(file);
  return { tray, isTaken, reading: readingOf(tray, repository.surroundings.fresh, isTaken) };
}
