import {
  codeSaid,
  cutAtCodes,
  papersOf,
  type PaperOfPile,
  type Piece,
  type PieceId,
  type ScanPage,
} from "#core/collect";
import type { FileId } from "#core/kernel";
import { plainText, workKindOf, type CourseState } from "#core/model";
import type { Tray } from "#storage";
import { lookAtScan, runCollectJob } from "../../workers/client";
import { fileSum } from "../file-sum";

/** What looking at scans and cutting them asks for beside the tray. */
export interface PileGround {
  readonly tray: Tray;
  readonly readFile: (id: FileId) => Promise<Blob | null>;
  readonly fresh: () => string;
  readonly isTaken: (file: FileId) => boolean;
  readonly state: () => CourseState;
}

/** How far looking has come: the scan and its pages. */
export interface Looking {
  readonly name: string;
  readonly done: number;
  readonly all: number;
}

/** Pictures that may be pages of a pile. */
const PAGE_PICTURES = /^image\/(?:jpeg|png|webp|gif|bmp|avif|tiff)$/;

/** A document without a text is a scan; whoever wrote their work on a computer has one. */
const isScan = (piece: Piece): boolean =>
  piece.trouble === null && piece.beginning === "" && piece.scan.length === 0 && workKindOf(piece.file) === "pdf";

const folderOf = ({ path }: Piece): string => path.split("/").slice(0, -1).join("/");
const byName = (a: Piece, b: Piece): number => a.path.localeCompare(b.path, "en", { numeric: true });

/** What a picture's name says beside its figures: pictures of one pile differ in these alone, as cameras and scanners count. */
const seriesOf = ({ file }: Piece): string => file.name.replace(/\d+/g, "0");

/** Whether a picture is called by a student's number: whose it is does not hang on the picture before it. */
const isNumbered = ({ file }: Piece, numbers: ReadonlySet<string>): boolean =>
  plainText(file.name)
    .split(/[^\p{L}\p{N}]+/u)
    .some((word) => numbers.has(word));

/**
 * What is to be looked at of what came in: each scan by itself, pictures of one series in one folder together in the order
 * of their names. `numbers` are those of the students, in plain text: a picture that bears one is looked at by itself.
 */
export function scansOf(pieces: readonly Piece[], numbers: ReadonlySet<string>): readonly (readonly Piece[])[] {
  const fresh = pieces.filter(({ decision, pileId }) => decision === null && pileId === null);
  const series = new Map<string, Piece[]>();
  for (const piece of fresh) {
    if (!PAGE_PICTURES.test(piece.file.mediaType) || piece.scan.length > 0 || piece.letter !== null) continue;
    const key = isNumbered(piece, numbers) ? piece.id : `${piece.source}/${folderOf(piece)}/${seriesOf(piece)}`;
    series.set(key, [...(series.get(key) ?? []), piece]);
  }
  return [...fresh.filter(isScan).map((piece) => [piece]), ...[...series.values()].map((own) => own.sort(byName))];
}

/**
 * Looks for codes on a scan, or on the pictures of a series. Where there are some of this course, the pile is cut at
 * them; else what was seen is kept with it. @throws StoppedError, and what the store throws; nothing is half cut then
 */
export async function lookAndCut(
  pieces: readonly Piece[],
  ground: PileGround,
  { tell, signal }: { readonly tell: (looking: Looking) => void; readonly signal: AbortSignal },
): Promise<void> {
  const [first] = pieces;
  const blobs = await Promise.all(pieces.map(({ file }) => ground.readFile(file.id)));
  if (!first || blobs.some((blob) => blob === null)) return;
  const files = blobs.flatMap((blob, index) =>
    blob ? [new Blob([blob], { type: pieces[index]?.file.mediaType ?? "" })] : [],
  );
  const name = pieces.length > 1 ? folderOf(first).split("/").at(-1) || first.source : first.file.name;
  const all = pieces.reduce((sum, { pages }) => sum + (pages ?? 1), 0);
  tell({ name, done: 0, all });
  const seen = await lookAtScan(
    files,
    (done, of) => {
      tell({ name, done, all: of });
    },
    signal,
  );
  const pages = cutAtCodes(seen.map((page) => (codeSaid(ground.state(), page.code) ? page : { ...page, code: "" })));
  const isCoded = pages.some(({ code }) => code !== "");
  // Whoever took a scan in, or let it go, while it was looked at has decided about it.
  const there = pieces.filter(({ id, file }) => !ground.isTaken(file.id) && isUndecided(ground.tray, id));
  if (there.length < pieces.length) return;
  // A TIFF may be a pile by itself; every other picture is one page.
  if (isCoded && pages.length > 1 && first.file.mediaType !== "application/pdf")
    await bindAndCut(pieces, { files, pages, name }, ground, signal);
  else if (isCoded && pages.length > 1) await cutPile(first, pages, ground, signal);
  else await keepSeen(pieces, pages, ground.tray);
}

/** What was looked at once is not looked at again. */
async function keepSeen(pieces: readonly Piece[], pages: readonly ScanPage[], tray: Tray): Promise<void> {
  for (const [index, piece] of pieces.entries()) {
    const own = pieces.length > 1 ? pages.slice(index, index + 1) : pages;
    await tray.change({ ...piece, scan: [...own], code: own.length === 1 ? (own[0]?.code ?? "") : "" });
  }
}

const isUndecided = (tray: Tray, id: PieceId): boolean =>
  tray.pieces.some((piece) => piece.id === id && piece.decision === null);

interface Binding {
  readonly files: readonly Blob[];
  readonly pages: readonly ScanPage[];
  readonly name: string;
}

/** Makes one pile of the pictures of a series, which takes their place. */
async function bindAndCut(
  pictures: readonly Piece[],
  { files, pages, name }: Binding,
  ground: PileGround,
  signal: AbortSignal,
): Promise<void> {
  const [first] = pictures;
  if (!first) return;
  const blob = await runCollectJob((jobs) => jobs.asPile(files), signal);
  const file = { id: freshFile(ground), name: `${name}.pdf`, mediaType: blob.type, size: blob.size };
  const pile: Piece = {
    ...first,
    id: freshPiece(ground),
    path: `${first.source}/${file.name}`,
    file,
    sum: await fileSum(blob),
    pages: pages.length,
  };
  await ground.tray.add([{ piece: pile, blob }]);
  try {
    await cutPile(pile, pages, ground, signal);
  } catch (error) {
    // The pictures are there still; a pile beside them would be the same work twice.
    await ground.tray.drop([pile.id], ground.isTaken);
    throw error;
  }
  await ground.tray.drop(
    pictures.map(({ id }) => id),
    ground.isTaken,
  );
}

/**
 * Cuts a pile of the tray into its papers, which lie there beside it; those of an earlier cut go, and what was decided
 * about one that begins at the same page stays. @returns how many papers there are
 * @throws StoppedError, what the PDF library throws for a pile that cannot be read, and what the store throws; the pile
 * is as it was then
 */
export async function cutPile(
  pile: Piece,
  pages: readonly ScanPage[],
  ground: PileGround,
  signal: AbortSignal,
): Promise<number> {
  const { tray, isTaken } = ground;
  const blob = await ground.readFile(pile.file.id);
  if (!blob) throw new Error("the pile is gone");
  const papers = papersOf(pages);
  const blobs = await runCollectJob((jobs) => jobs.cut(blob, papers.map((paper) => paper.pages)), signal); // oxfmt-ignore
  const before = tray.pieces.filter(({ pileId, file }) => pileId === pile.id && !isTaken(file.id));
  const last = tray.pieces.at(-1)?.order ?? 0;
  const cut = await Promise.all(
    papers.map(async (paper, index) => {
      const own = blobs[index] ?? new Blob();
      const piece = paperPiece(pile, paper, { own, order: last + 1 + index, sum: await fileSum(own) }, ground);
      const old = before.find(({ path }) => beginsAt(pile, path) === paper.from);
      return { piece: { ...piece, decision: old?.decision ?? null }, blob: own };
    }),
  );
  try {
    await tray.add(cut);
  } catch (error) {
    await tray.drop(cut.map(({ piece }) => piece.id), isTaken); // oxfmt-ignore
    throw error;
  }
  await tray.change({ ...pile, source: pile.file.name, scan: [...pages], decision: { kind: "cut" } });
  await tray.drop(before.map(({ id }) => id), isTaken); // oxfmt-ignore
  return papers.length;
}

/** Makes one piece of a pile again: its papers go, but for those that were taken in. */
export async function unCut(pile: Piece, { tray, isTaken }: Pick<PileGround, "tray" | "isTaken">): Promise<void> {
  await tray.change({ ...pile, decision: null });
  const papers = tray.pieces.filter(({ pileId, file }) => pileId === pile.id && !isTaken(file.id));
  await tray.drop(papers.map(({ id }) => id), isTaken); // oxfmt-ignore
}

/** The page of the pile at which a paper of it begins, by the paper's path. */
const beginsAt = (pile: Piece, path: string): number =>
  Number.parseInt(path.slice(`${pile.file.name}/${stemOf(pile)} `.length), 10);
const stemOf = ({ file }: Piece): string => file.name.replace(/\.pdf$/i, "");
const freshPiece = ({ fresh }: PileGround) => `piece:${fresh()}` as PieceId;
const freshFile = ({ fresh }: PileGround) => `file:${fresh()}` as FileId;

function paperPiece(
  pile: Piece,
  { from, to, pages, code }: PaperOfPile,
  { own, order, sum }: { readonly own: Blob; readonly order: number; readonly sum: string },
  ground: PileGround,
): Piece {
  const places = to > from ? `${String(from)}-${String(to)}` : String(from);
  const name = `${stemOf(pile)} ${places}.pdf`;
  return {
    ...pile,
    id: freshPiece(ground),
    order,
    source: pile.file.name,
    path: `${pile.file.name}/${name}`,
    file: { id: freshFile(ground), name, mediaType: "application/pdf", size: own.size },
    sum,
    // When paper was scanned says nothing of when it was handed in.
    at: null,
    pages: pages.length,
    beginning: "",
    isCut: true,
    pileId: pile.id,
    code,
    scan: [],
    decision: null,
  };
}
