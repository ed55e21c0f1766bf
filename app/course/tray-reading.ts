import { takenFiles, waitingPieces, type Piece, type PieceId, type ScanPage } from "#core/collect";
import { keptBy, type FileId, type Instant } from "#core/kernel";
import { plainText, studentsOf } from "#core/model";
import type { CourseSession, Repository } from "#storage";
import { readDropped, runCollectJob } from "../../workers/client";
import { cutPile, lookAndCut, scansOf, unCut, type Looking, type PileGround } from "./piles";
import type { DroppedFile, DropRemark, ReadPiece } from "../../workers/protocol";

/** How far reading what was dropped has come, and what was passed over. */
export interface Reading {
  /** Null while nothing is being read. */
  readonly progress: { readonly done: number; readonly all: number } | null;
  /** How far looking for codes on a scan has come; null while none is looked at. */
  readonly looking: Looking | null;
  readonly remarks: readonly DropRemark[];
  /** Why it ended before its end; null where it did not. */
  readonly trouble: "no_room" | "not_written" | "not_read" | null;
}

const AT_REST: Reading = { progress: null, looking: null, remarks: [], trouble: null };

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

  constructor(private readonly ground: PileGround) {}

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
   * Cuts a pile of the tray as its pages are laid out. @returns how many papers there are
   * @throws what the PDF library throws for a pile that cannot be read, and what the store throws
   */
  cut(pile: Piece, pages: readonly ScanPage[]): Promise<number> {
    return cutPile(pile, pages, this.ground, new AbortController().signal);
  }

  /**
   * Puts a PDF without its password in the place of a locked piece. @returns whether the password was right
   * @throws what the PDF library throws for a damaged one, and what the store throws
   */
  async unlock(piece: Piece, password: string): Promise<boolean> {
    const { tray, isTaken, readFile, fresh } = this.ground;
    const locked = await readFile(piece.file.id);
    const never = new AbortController().signal;
    const open = locked && (await runCollectJob((jobs) => jobs.unlock(locked, password), never));
    if (!open) return false;
    const dropped: DroppedFile = { path: piece.path, source: piece.source, blob: open, at: piece.at };
    let read: ReadPiece | undefined;
    await readDropped([dropped], ({ pieces }) => Promise.resolve(void (read ??= pieces[0])), never);
    if (!read) return false;
    const { sum, pages, beginning, author, trouble } = read;
    const file = { ...piece.file, id: `file:${fresh()}` as FileId, size: open.size };
    const id = `piece:${fresh()}` as PieceId;
    await tray.add([
      { piece: { ...piece, id, file, sum, pages, beginning, author, trouble, decision: null }, blob: open },
    ]);
    await tray.drop([piece.id], isTaken);
    // It may be a scanned pile.
    this.#last = this.#last.then(() => this.#look());
    return true;
  }

  /** Makes one piece of a pile again. */
  unCut(pile: Piece): Promise<void> {
    return unCut(pile, this.ground);
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
          await this.ground.tray.add(pieces.map((piece, index) => this.#asPiece(piece, index)));
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
    if (isDone) await this.#look();
  }

  /** Looks for codes on the scans that lie in the tray; what cannot be read stays as it came. */
  async #look(): Promise<void> {
    const { signal } = this.#stop;
    const numbers = new Set(studentsOf(this.ground.state()).map(({ number }) => plainText(number)));
    for (const scan of scansOf(this.ground.tray.pieces, numbers)) {
      if (signal.aborted) break;
      const tell = (looking: Looking) => {
        this.#say({ looking });
      };
      try {
        await lookAndCut(scan, this.ground, { tell, signal });
      } catch (error) {
        const trouble = troubleOf(error);
        if (trouble !== "not_read") this.#say({ trouble });
      }
    }
    this.#say({ looking: null });
  }

  /** What a course has come to name need not lie in the tray any longer, once something else comes in. */
  #forgetTaken(): Promise<void> {
    const { tray, isTaken } = this.ground;
    const waiting = new Set(waitingPieces(tray.pieces, isTaken));
    return tray.drop(
      tray.pieces.filter((piece) => !waiting.has(piece)).map(({ id }) => id),
      isTaken,
    );
  }

  #asPiece(read: ReadPiece, index: number): { readonly piece: Piece; readonly blob: Blob } {
    const { name, mediaType, blob, ...traits } = read;
    const order = (this.ground.tray.pieces.at(-1)?.order ?? -1) + 1 + index;
    const file = { id: `file:${this.ground.fresh()}` as FileId, name, mediaType, size: blob.size };
    const id = `piece:${this.ground.fresh()}` as PieceId;
    return {
      piece: {
        ...traits,
        id,
        order,
        file,
        isCut: false,
        pileId: null,
        code: "",
        assignmentId: null,
        scan: [],
        decision: null,
      },
      blob,
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
  owner: ({ tray }: PileGround) => tray,
  make: (_, ground) => new TrayReading(ground),
});

/** The tray of a course with the one reading that fills it. */
export async function openReading(repository: Repository, session: CourseSession) {
  const tray = await repository.tray(session.slot);
  const isTaken = (file: FileId) => takenFiles(session.state).has(file);
  const reading = readingOf({
    tray,
    isTaken,
    readFile: (id) => repository.readFile(session.slot, id),
    fresh: repository.surroundings.fresh,
    state: () => session.state,
  });
  return { tray, isTaken, reading };
}
