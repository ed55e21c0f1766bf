import type { Piece, PieceId } from "#core/collect";
import { pieceSchema } from "#core/collect";
import type { FileId } from "#core/kernel";
import type { Neighbours, Shelves } from "./shelves/shelf";
import { isTrayKey, trayKey } from "./tray-keys";

type TrayNeighbours = Pick<Neighbours, "announce" | "listen">;
const NOBODY: TrayNeighbours = { announce: () => undefined, listen: () => () => undefined };

type TrayShelves = Pick<Shelves, "meta" | "files" | "hurried">;

/**
 * What was dropped in a course and is not yet taken in. It outlives a reload and is no part of the course: the blob of a
 * piece is kept first, under the id that taking it in will name, then the piece.
 */
export class Tray {
  /** What was put down last of each piece that is still being written. */
  #writing = new Map<PieceId, Piece>();
  /** Counts what this tab does to the tray. */
  #turn = 0;
  #listeners = new Set<() => void>();
  #listed: readonly Piece[] = [];

  private constructor(
    private readonly shelves: TrayShelves,
    private readonly slot: string,
    private readonly neighbours: TrayNeighbours,
    private known: Map<PieceId, Piece>,
  ) {
    this.#list();
    neighbours.listen((announced) => {
      if (announced === trayKey(slot, "")) void this.#readAgain();
    });
  }

  /** A piece that does not read is passed over; its blob stays. What another tab does to it shows here too. */
  static async open(shelves: TrayShelves, slot: string, neighbours: TrayNeighbours = NOBODY): Promise<Tray> {
    const known = await storedPieces(shelves, slot);
    for (const piece of await leftInAHurry(shelves, slot)) if (known.has(piece.id)) known.set(piece.id, piece);
    return new Tray(shelves, slot, neighbours, known);
  }

  /** Reads what another tab has made of the tray; what is being put down here stays. */
  async #readAgain(): Promise<void> {
    const turn = this.#turn;
    const known = await storedPieces(this.shelves, this.slot);
    // What this tab took in meanwhile may be missing in what was read.
    if (turn !== this.#turn) return this.#readAgain();
    for (const [id, piece] of this.#writing) if (known.has(id)) known.set(id, piece);
    this.known = known;
    this.#list();
  }

  #announce(): void {
    this.neighbours.announce(trayKey(this.slot, ""));
  }

  /** The pieces in the order in which they came; the same list until one changes. */
  get pieces(): readonly Piece[] {
    return this.#listed;
  }

  subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };

  /**
   * Takes pieces in with their blobs, all at once: one after the other, a folder waits longer for the database than for
   * its being read. @throws what the store throws, a full disk among it; the pieces that could be kept stay
   */
  async add(pieces: readonly { readonly piece: Piece; readonly blob: Blob }[]): Promise<void> {
    const ends = await Promise.allSettled(pieces.map(({ piece, blob }) => this.#keep(piece, blob)));
    this.#list();
    this.#announce();
    for (const end of ends) if (end.status === "rejected") throw end.reason;
  }

  /**
   * Puts a piece in the place of the one of its id. It shows at once, and outlives the page from this turn on; where it
   * cannot be kept, a reload shows the old one.
   */
  async change(piece: Piece): Promise<void> {
    if (!this.known.has(piece.id)) return;
    this.#turn += 1;
    this.known.set(piece.id, piece);
    this.#writing.set(piece.id, piece);
    const key = this.#key(piece.id);
    void this.shelves.hurried.set(key, piece).catch(() => null);
    this.#list();
    await this.shelves.meta.set(key, piece).catch(() => null);
    if (this.#writing.get(piece.id) !== piece) return;
    this.#writing.delete(piece.id);
    await this.shelves.hurried.remove(key).catch(() => null);
    this.#announce();
  }

  /** Lets pieces go, with their blobs unless a course has come to name them. */
  async drop(ids: readonly PieceId[], isKept: (file: FileId) => boolean): Promise<void> {
    const gone = ids.flatMap((id) => this.known.get(id) ?? []);
    this.#turn += 1;
    for (const { id } of gone) this.known.delete(id);
    this.#list();
    const forget = async ({ id, file }: Piece) => {
      await this.shelves.hurried.remove(this.#key(id)).catch(() => null);
      await this.shelves.meta.remove(this.#key(id));
      if (!isKept(file.id)) await this.shelves.files.remove(this.#fileKey(file.id));
    };
    await Promise.all(gone.map(forget));
    if (gone.length > 0) this.#announce();
  }

  async #keep(piece: Piece, blob: Blob): Promise<void> {
    await this.shelves.files.set(this.#fileKey(piece.file.id), blob);
    try {
      await this.shelves.meta.set(this.#key(piece.id), piece);
    } catch (error) {
      await this.shelves.files.remove(this.#fileKey(piece.file.id)).catch(() => null);
      throw error;
    }
    this.#turn += 1;
    this.known.set(piece.id, piece);
  }

  #key(id: PieceId): string {
    return trayKey(this.slot, id);
  }

  #fileKey(id: FileId): string {
    return `${this.slot}/${id}`;
  }

  #list(): void {
    this.#listed = [...this.known.values()].sort((a, b) => a.order - b.order);
    for (const listener of this.#listeners) listener();
  }
}

async function storedPieces({ meta }: TrayShelves, slot: string): Promise<Map<PieceId, Piece>> {
  const keys = (await meta.keys()).filter((key) => isTrayKey(key, slot));
  const stored = await Promise.all(keys.map((key) => meta.get(key).catch(() => null)));
  const pieces = stored.flatMap((one) => pieceSchema.safeParse(one).data ?? []);
  return new Map(pieces.map((piece) => [piece.id, piece]));
}

/** Pieces as they were put down by a page that was left before the database had them. */
async function leftInAHurry({ hurried, meta }: TrayShelves, slot: string): Promise<readonly Piece[]> {
  const keys = (await hurried.keys()).filter((key) => isTrayKey(key, slot));
  const found = await Promise.all(keys.map((key) => hurried.get(key).catch(() => null)));
  const pieces = found.flatMap((one) => pieceSchema.safeParse(one).data ?? []);
  for (const piece of pieces) await meta.set(trayKey(slot, piece.id), piece).catch(() => null);
  for (const key of keys) await hurried.remove(key).catch(() => null);
  return pieces;
}
