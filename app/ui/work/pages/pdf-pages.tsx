import { useEffect, useRef, useState } from "react";
import { drawPage, TALLEST, type DrawnPage } from "./draw-page";
import { holdPdf, pdfAtHand, putFirstPage, takeFirstPage } from "./kept-pdfs";
import type { PdfDocument, PdfTrouble } from "./pdf-document";
import { Unreadable } from "./unreadable";
import type { ViewerProps } from "./viewers";
import { useNearView } from "../../hooks/use-near-view";

type PdfPagesProps = Pick<ViewerProps, "blob" | "name" | "width" | "turn" | "onPage" | "onDocument" | "overlay">;

const TROUBLE: Readonly<Record<PdfTrouble, readonly [what: string, mend: string]>> = {
  locked: ["This PDF is locked with a password.", "Ask the student for one without a password."],
  damaged: ["This PDF is damaged; it may have been cut short on its way.", "Ask the student to hand it in again."],
  empty: ["This file is empty.", "Ask the student to hand it in again."],
};

/** A PDF, page under page. Only pages near the view are drawn; the others keep their place. */
export function PdfPages({ blob, name, width, turn, onPage, onDocument, overlay }: PdfPagesProps) {
  const [ready, setReady] = useState(() => pdfAtHand(blob));
  useEffect(() => {
    let current = true;
    const held = holdPdf(blob);
    void held.opening.then((opened) => {
      if (!current) return;
      if ("document" in opened) onDocument(opened.document);
      setReady((before) => before ?? { opened, shape: held.shape() });
    });
    return () => {
      current = false;
      onDocument(null);
      held.release();
    };
  }, [blob, onDocument]);
  if (!ready) return <p className="mt-16 text-center text-soft">Opening {name}</p>;
  const { opened, shape } = ready;
  if ("trouble" in opened) {
    const [what, mend] = TROUBLE[opened.trouble];
    return <Unreadable name={name} blob={blob} what={what} mend={mend} />;
  }
  return Array.from({ length: opened.document.numPages }, (_, index) => (
    <PdfPageView
      key={index}
      blob={blob}
      document={opened.document}
      number={index + 1}
      width={width}
      turn={turn}
      guess={turn % 2 === 1 ? 1 / shape : shape}
      onPage={onPage}
      overlay={overlay}
    />
  ));
}

interface PdfPageViewProps extends Pick<PdfPagesProps, "blob" | "width" | "turn" | "onPage" | "overlay"> {
  readonly document: PdfDocument;
  readonly number: number;
  /** Height over width until the page itself tells. */
  readonly guess: number;
}

/** Distance from the view at which a page is drawn ahead. */
const AHEAD = "900px 0px";

function PdfPageView({ blob, document, number, width, turn, guess, onPage, overlay }: PdfPageViewProps) {
  const frame = useRef<HTMLDivElement>(null);
  const surface = useRef<HTMLDivElement>(null);
  const near = useNearView(frame, AHEAD, number === 1);
  const [shape, setShape] = useState<number | null>(null);
  useEffect(() => {
    const element = frame.current;
    const host = surface.current;
    if (!element || !host || !near) return;
    let current = true;
    let shown: DrawnPage | null = null;
    // A remark can be pinned to a page before its words are laid out: a key for one must never fall through to the score.
    onPage({ number, element, textRoot: null });
    const show = (drawn: DrawnPage) => {
      shown = drawn;
      setShape(drawn.shape);
      host.replaceChildren(drawn.canvas, drawn.text);
      void drawn.done.then((textRoot) => {
        if (current) onPage({ number, element, textRoot });
      });
    };
    const before = number === 1 ? takeFirstPage(blob, width, turn) : null;
    if (before) show(before);
    else {
      void document.getPage(number).then((page) => {
        if (current) show(drawPage(page, width, turn));
      });
    }
    return () => {
      current = false;
      host.replaceChildren();
      if (shown && number === 1) putFirstPage(blob, width, turn, shown);
      else shown?.cancel();
      onPage({ number, element, textRoot: null });
    };
  }, [blob, document, number, width, turn, near, onPage]);
  return (
    <div
      ref={frame}
      data-page={number}
      role="group"
      aria-label={`Page ${String(number)} of ${String(document.numPages)}`}
      className="relative mx-auto mb-4 border border-rule bg-white"
      style={{ width, height: width * Math.min(TALLEST, shape ?? guess) }}
    >
      <div ref={surface} className="absolute inset-0 overflow-clip" />
      {overlay(number)}
    </div>
  );
}
