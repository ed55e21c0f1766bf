import { lazy, Suspense, type ReactNode } from "react";
import { workKindOf, type WorkFile } from "#core/model";
import { ImagePage } from "./image-page";
import { MediaPlayer } from "./media-player";
import type { PdfDocument } from "./pdf-document";
import type { Turn } from "./turn";
import type { PageHandle } from "./types";
import { Unreadable } from "./unreadable";
import type { PostContext } from "./with-threads";

// pdf.js and the readers of Word and Markdown are large; each is loaded when work of its kind is first shown.
const PdfPages = lazy(() => import("./pdf-pages").then((module) => ({ default: module.PdfPages })));
const TextPages = lazy(() => import("./text-pages").then((module) => ({ default: module.TextPages })));
const WordPages = lazy(() => import("./word-pages").then((module) => ({ default: module.WordPages })));
const WebPage = lazy(() => import("./web-page").then((module) => ({ default: module.WebPage })));

interface WorkPagesProps {
  readonly file: WorkFile;
  readonly blob: Blob;
  readonly width: number;
  readonly turn: Turn;
  readonly threads?: readonly PostContext[] | undefined;
  readonly onPage: (handle: PageHandle) => void;
  readonly onDocument: (document: PdfDocument | null) => void;
  /** What lies over a page. */
  readonly overlay: (page: number) => ReactNode;
}

/** The pages of a work, whatever its format; one that cannot be shown is offered for saving. */
export function WorkPages(props: WorkPagesProps) {
  return (
    <Suspense fallback={<p className="mt-16 text-center text-soft">Opening {props.file.name}</p>}>
      <Pages {...props} />
    </Suspense>
  );
}

function Pages({ file, blob, width, turn, threads, onPage, onDocument, overlay }: WorkPagesProps) {
  const shared = { blob, name: file.name, width, onPage, overlay };
  const kind = workKindOf(file);
  switch (kind) {
    case "pdf":
      return <PdfPages {...shared} turn={turn} onDocument={onDocument} />;
    case "markdown":
    case "text":
      return <TextPages {...shared} markdownText={kind === "markdown"} />;
    case "word":
      return <WordPages {...shared} />;
    case "webPage":
      return <WebPage {...shared} threads={threads} />;
    case "image":
      return <ImagePage {...shared} turn={turn} />;
    case "sound":
    case "video":
      return <MediaPlayer blob={blob} name={file.name} video={kind === "video"} />;
    case "other":
      return (
        <Unreadable
          name={file.name}
          blob={blob}
          what="Files of this kind are not shown here."
          mend="Save it and open it with a program of your own; judge it on the rulers at the left."
        />
      );
  }
}
