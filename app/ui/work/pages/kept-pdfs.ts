import { drawPage, type DrawnPage } from "./draw-page";
import { closePdf, openPdf, type OpenedPdf } from "./pdf-document";
import type { Turn } from "../marks/turn";

/** A document kept open, with its first page as it was last drawn while nobody shows it. */
interface Kept {
  readonly opening: Promise<OpenedPdf>;
  /** Set once it is open. */
  opened: OpenedPdf | null;
  /** Height over width of the first page. */
  shape: number;
  users: number;
  first: { readonly width: number; readonly turn: Turn; readonly sharpness: number; readonly drawn: DrawnPage } | null;
}

/** Documents that stay open though nobody shows them: the papers before and after the one on the desk. */
const MOST_UNUSED = 3;
/** By their bytes; the one used longest ago comes first. */
const kept = new Map<Blob, Kept>();

function keep(blob: Blob): Kept {
  const known = kept.get(blob);
  if (known) {
    kept.delete(blob);
    kept.set(blob, known);
    return known;
  }
  const entry: Kept = { opening: open(), opened: null, shape: Math.SQRT2, users: 0, first: null };
  kept.set(blob, entry);
  // Bytes that could not be read may be readable the next time.
  entry.opening.catch(() => kept.delete(blob));
  return entry;

  async function open(): Promise<OpenedPdf> {
    const opened = await openPdf(blob);
    if ("document" in opened) {
      const { width, height } = (await opened.document.getPage(1)).getViewport({ scale: 1 });
      entry.shape = height / width;
    }
    return (entry.opened = opened);
  }
}

function closeUnused(): void {
  const unused = [...kept].filter(([, { users }]) => users === 0);
  for (const [blob, { opening, first }] of unused.slice(0, Math.max(0, unused.length - MOST_UNUSED))) {
    kept.delete(blob);
    first?.drawn.cancel();
    void opening.then((opened) => ("document" in opened ? closePdf(opened.document) : null));
  }
}

/** A document in use. */
export interface HeldPdf {
  readonly opening: Promise<OpenedPdf>;
  /** Height over width of the first page once it is open. */
  readonly shape: () => number;
  readonly release: () => void;
}

/** Takes a document into use; one that was open shortly before is open still. It must be released. */
export function holdPdf(blob: Blob): HeldPdf {
  const entry = keep(blob);
  entry.users += 1;
  return {
    opening: entry.opening,
    shape: () => entry.shape,
    release: () => {
      entry.users -= 1;
      if (kept.delete(blob)) kept.set(blob, entry);
      closeUnused();
    },
  };
}

/** The document and its shape where it is open at this moment, without waiting. */
export function pdfAtHand(blob: Blob): { readonly opened: OpenedPdf; readonly shape: number } | null {
  const entry = kept.get(blob);
  return entry?.opened ? { opened: entry.opened, shape: entry.shape } : null;
}

/** Opens a document and draws its first page while nobody waits for it. */
export async function preparePdf(blob: Blob, width: number): Promise<void> {
  const held = holdPdf(blob);
  try {
    const opened = await held.opening;
    if (!("document" in opened) || kept.get(blob)?.first) return;
    const drawn = drawPage(await opened.document.getPage(1), width, 0);
    putFirstPage(blob, width, 0, drawn);
    await drawn.done;
  } finally {
    held.release();
  }
}

const sharpness = (): number => window.devicePixelRatio || 1;

/** Hands over the first page as it was drawn before, if it was drawn like this; it is the taker's from then on. */
export function takeFirstPage(blob: Blob, width: number, turn: Turn): DrawnPage | null {
  const entry = kept.get(blob);
  const first = entry?.first;
  if (!entry || !first) return null;
  entry.first = null;
  if (first.width === width && first.turn === turn && first.sharpness === sharpness()) return first.drawn;
  first.drawn.cancel();
  return null;
}

/** Gives a first page back for the next time it is shown. */
export function putFirstPage(blob: Blob, width: number, turn: Turn, drawn: DrawnPage): void {
  const entry = kept.get(blob);
  if (!entry) {
    drawn.cancel();
    return;
  }
  entry.first?.drawn.cancel();
  entry.first = { width, turn, sharpness: sharpness(), drawn };
}
