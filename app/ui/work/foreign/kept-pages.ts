import type { PageContent, PageIssue, PageKind } from "#core/formats";

/** Reads a foreign document away from the page. */
export type ReadForeign = (
  kind: PageKind,
  file: { readonly bytes: Uint8Array<ArrayBuffer>; readonly mediaType: string },
  signal: AbortSignal,
) => Promise<PageContent | PageIssue>;

/** A foreign document ready to be shown, or why it is not. */
export type OpenedPage = PageContent | PageIssue;

interface Kept {
  readonly opening: Promise<OpenedPage>;
  opened: OpenedPage | null;
  readonly stop: AbortController;
}

let read: ReadForeign | null = null;
const kept = new WeakMap<Blob, Map<PageKind, Kept>>();

/** Says once, at the start of the application, who reads foreign documents: parts of the screen know no workers. */
export function readForeignWith(reader: ReadForeign): void {
  read = reader;
}

/** A document as it is shown, worked out once for its bytes. */
export function keptPage(kind: PageKind, blob: Blob): Promise<OpenedPage> {
  const known = keptOf(kind, blob);
  if (known) return known.opening;
  const reader = read;
  if (!reader) throw new RangeError("nobody reads foreign documents");
  const stop = new AbortController();
  const opening = blob
    .arrayBuffer()
    .then((buffer) => reader(kind, { bytes: new Uint8Array(buffer), mediaType: blob.type }, stop.signal));
  const entry: Kept = { opening, opened: null, stop };
  const kinds = kept.get(blob) ?? new Map<PageKind, Kept>();
  kept.set(blob, kinds.set(kind, entry));
  void opening.then((opened) => {
    entry.opened = opened;
    // What was stopped may be opened after all.
    if (opened === "stopped") kinds.delete(kind);
  });
  return opening;
}

/** Ends the reading of a document that is under way. */
export const stopReading = (kind: PageKind, blob: Blob): void => keptOf(kind, blob)?.stop.abort();

/** The document where it is worked out at this moment, without waiting. */
export const pageAtHand = (kind: PageKind, blob: Blob): OpenedPage | null => keptOf(kind, blob)?.opened ?? null;

const keptOf = (kind: PageKind, blob: Blob): Kept | undefined => kept.get(blob)?.get(kind);
