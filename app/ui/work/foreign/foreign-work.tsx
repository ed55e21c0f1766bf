import { useEffect, useState } from "react";
import type { PageContent, PageKind } from "#core/formats";
import { Unreadable } from "../pages/unreadable";
import type { ViewerProps } from "../pages/viewers";
import { withThreads } from "../text/with-threads";
import { ForeignPage, type Look } from "./foreign-page";
import { keptPage, pageAtHand, stopReading, type OpenedPage } from "./kept-pages";
import { keptText, type ReadText } from "./plain-text";

type ForeignWorkProps = Pick<ViewerProps, "blob" | "name" | "width" | "threads" | "onPage" | "overlay">;

const TOO_LARGE = {
  what: "It is too large to be shown here.",
  mend: "Save the file and look at it with a program of your own.",
};
const DAMAGED: Readonly<Record<PageKind, { readonly what: string; readonly mend: string }>> = {
  word: {
    what: "This Word file cannot be opened; it may be damaged or locked with a password.",
    mend: "Ask the student to hand it in again, best as a PDF.",
  },
  webPage: { what: "This page cannot be opened.", mend: "Ask the student to store it again, or to hand in a PDF." },
  markdown: { what: "This text cannot be opened.", mend: "Ask the student to hand it in again." },
  openText: {
    what: "This OpenDocument text cannot be opened; it may be damaged or locked with a password.",
    mend: "Ask the student to hand it in again, best as a PDF.",
  },
  code: { what: "This code cannot be opened.", mend: "Ask the student to hand it in again, as UTF-8." },
  notebook: {
    what: "This notebook cannot be opened; it may be damaged, or of a form older than 4.",
    mend: "Ask the student to save it anew and to hand it in again.",
  },
  sheet: {
    what: "This spreadsheet cannot be opened; it may be damaged or locked with a password.",
    mend: "Ask the student to hand it in again, without a password.",
  },
  tiff: { what: "This TIFF picture cannot be opened.", mend: "Ask the student for a PDF or a JPEG." },
};
const EMPTY = {
  word: { what: "This Word file is empty.", mend: "Ask the student to hand it in again." },
  webPage: {
    what: "This page holds no words and no pictures of its own.",
    mend: "Ask the student to store it with what it shows, or to hand it in as a PDF.",
  },
  markdown: { what: "This file is empty.", mend: "Ask the student to hand it in again." },
  openText: { what: "This text is empty.", mend: "Ask the student to hand it in again." },
  code: { what: "This file is empty.", mend: "Ask the student to hand it in again." },
  notebook: { what: "This notebook has no cells.", mend: "Ask the student to save it and to hand it in again." },
  sheet: { what: "This spreadsheet is empty.", mend: "Ask the student to hand it in again." },
  tiff: { what: "This TIFF holds no picture.", mend: "Ask the student for a PDF or a JPEG." },
};

/** Work that a worker reads: it is shown once it is there as data. */
function useForeign(kind: PageKind, blob: Blob): { readonly opened: OpenedPage | null; readonly again: () => void } {
  const [opened, setOpened] = useState<OpenedPage | null>(() => pageAtHand(kind, blob));
  const [tries, setTries] = useState(1);
  useEffect(() => {
    let current = true;
    void keptPage(kind, blob).then((result) => {
      if (current) setOpened(result);
    });
    return () => {
      current = false;
    };
  }, [kind, blob, tries]);
  const again = () => {
    setOpened(null);
    setTries(tries + 1);
  };
  return { opened, again };
}

/** How long a document may take before a way to stop it is shown, in milliseconds. */
const PATIENCE = 1_500;

/** A document on its way; one that takes long can be stopped. */
function Opening({ name, onStop }: { readonly name: string; readonly onStop: () => void }) {
  const [long, setLong] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => {
      setLong(true);
    }, PATIENCE);
    return () => {
      clearTimeout(timer);
    };
  }, []);
  return (
    <div className="mt-16 text-center text-soft">
      <p>Opening {name}</p>
      {long && (
        <p className="mt-2 flex items-center justify-center gap-3 text-[14px]">
          <progress className="w-40" aria-label={`Opening ${name}`} />
          <button type="button" className="link" onClick={onStop}>
            Stop
          </button>
        </p>
      )}
    </div>
  );
}

function Stopped({ name, onAgain }: { readonly name: string; readonly onAgain: () => void }) {
  return (
    <p role="status" className="mt-16 text-center text-soft">
      Opening {name} was stopped.{" "}
      <button type="button" className="link" onClick={onAgain}>
        Open it after all
      </button>
    </p>
  );
}

const isEmpty = ({ nodes }: PageContent): boolean =>
  nodes.every((node) =>
    typeof node === "string"
      ? node.trim() === ""
      : node.tag !== "img" && isEmpty({ nodes: node.children ?? [], css: "" }),
  );

function ForeignWork({ kind, look, ...props }: ForeignWorkProps & { readonly kind: PageKind; readonly look: Look }) {
  const { blob, name, width, threads, onPage, overlay } = props;
  const { opened, again } = useForeign(kind, blob);
  if (opened === null) {
    return (
      <Opening
        name={name}
        onStop={() => {
          stopReading(kind, blob);
        }}
      />
    );
  }
  if (opened === "stopped") return <Stopped name={name} onAgain={again} />;
  if (opened === "too_large") return <Unreadable name={name} blob={blob} {...TOO_LARGE} />;
  if (opened === "damaged") return <Unreadable name={name} blob={blob} {...DAMAGED[kind]} />;
  if (isEmpty(opened)) return <Unreadable name={name} blob={blob} {...EMPTY[kind]} />;
  const content = threads ? withThreads(opened, threads) : opened;
  return <ForeignPage content={content} look={look} width={width} onPage={onPage} overlay={overlay} />;
}

/** A Word file, drawn as pages. Macros, embedded pages and anything remote are left out. */
export const WordWork = (props: ForeignWorkProps) => <ForeignWork {...props} kind="word" look="work-word" />;

/** A stored web page as text with its own pictures: its scripts, styles and everything it would fetch are left out. */
export const WebPageWork = (props: ForeignWorkProps) => <ForeignWork {...props} kind="webPage" look="work-text" />;

/** Handed-in Markdown on one long page. */
export const MarkdownWork = (props: ForeignWorkProps) => <ForeignWork {...props} kind="markdown" look="work-text" />;

/** An OpenDocument text as text with its own pictures, lists and tables. */
export const OpenTextWork = (props: ForeignWorkProps) => <ForeignWork {...props} kind="openText" look="work-text" />;

/** Source code in numbered lines. Nothing of it runs. */
export const CodeWork = (props: ForeignWorkProps) => <ForeignWork {...props} kind="code" look="work-code" />;

/** A computational notebook with the results that were kept with it. Nothing of it runs. */
export const NotebookWork = (props: ForeignWorkProps) => <ForeignWork {...props} kind="notebook" look="work-text" />;

/** A spreadsheet as tables, to be read. */
export const SheetWork = (props: ForeignWorkProps) => <ForeignWork {...props} kind="sheet" look="work-sheet" />;

/** The pages of a TIFF, one under another. */
export const TiffWork = (props: ForeignWorkProps) => <ForeignWork {...props} kind="tiff" look="work-text" />;

/** Handed-in text, in its own lines. */
export function TextWork({ blob, name, width, onPage, overlay }: ForeignWorkProps) {
  const [text, setText] = useState<ReadText | null>(null);
  useEffect(() => {
    let current = true;
    void keptText(blob).then((result) => {
      if (current) setText(result);
    });
    return () => {
      current = false;
    };
  }, [blob]);
  if (text === null) return <p className="mt-16 text-center text-soft">Opening {name}</p>;
  if (text === "too_large") return <Unreadable name={name} blob={blob} {...TOO_LARGE} />;
  if (isEmpty(text)) return <Unreadable name={name} blob={blob} {...EMPTY.markdown} />;
  return <ForeignPage content={text} look="work-text own-lines" width={width} onPage={onPage} overlay={overlay} />;
}
