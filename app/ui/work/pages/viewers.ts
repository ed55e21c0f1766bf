import type { ComponentType, ReactNode } from "react";
import type { WorkKind } from "#core/model";
import type { PdfDocument } from "./pdf-document";
import type { Turn } from "../marks/turn";
import type { PageHandle } from "../types";
import type { PostContext } from "../text/with-threads";

/** What every viewer is told; each takes what its kind of work needs. */
export interface ViewerProps {
  readonly blob: Blob;
  readonly name: string;
  readonly width: number;
  readonly turn: Turn;
  readonly threads?: readonly PostContext[] | undefined;
  readonly onPage: (handle: PageHandle) => void;
  readonly onDocument: (document: PdfDocument | null) => void;
  /** What lies over a page. */
  readonly overlay: (page: number) => ReactNode;
}

/** Shows work of one kind. */
export type Viewer = ComponentType<ViewerProps>;

// pdf.js is large; each viewer is loaded when work of its kind is first shown, or before.
const foreign = () => import("../foreign/foreign-work");
const LOADS: Partial<Readonly<Record<WorkKind, () => Promise<Viewer>>>> = {
  pdf: async () => (await import("./pdf-pages")).PdfPages,
  word: async () => (await foreign()).WordWork,
  webPage: async () => (await foreign()).WebPageWork,
  text: async () => (await foreign()).TextWork,
  markdown: async () => (await foreign()).MarkdownWork,
  openText: async () => (await foreign()).OpenTextWork,
  code: async () => (await foreign()).CodeWork,
  notebook: async () => (await foreign()).NotebookWork,
  sheet: async () => (await foreign()).SheetWork,
  tiff: async () => (await foreign()).TiffWork,
};

const loaded = new Map<WorkKind, Viewer>();

/** Loads the viewer of a kind of work. Null for kinds that need none of their own. */
export async function loadViewer(kind: WorkKind): Promise<Viewer | null> {
  const viewer = loaded.get(kind) ?? (await LOADS[kind]?.());
  if (viewer) loaded.set(kind, viewer);
  return viewer ?? null;
}

/** The viewer where it is loaded at this moment, without waiting. */
export const viewerAtHand = (kind: WorkKind): Viewer | null => loaded.get(kind) ?? null;
