import { useEffect, useRef, useState, type ReactNode } from "react";
import { fittedTextContent } from "./fitted-text";
import { openPdf, PdfTextLayer, type PdfDocument, type PdfPage, type PdfTrouble } from "./pdf-document";
import type { Turn } from "./turn";
import type { PageHandle } from "./types";
import { Unreadable } from "./unreadable";

interface PdfPagesProps {
  readonly blob: Blob;
  readonly name: string;
  readonly width: number;
  readonly turn: Turn;
  readonly onPage: (handle: PageHandle) => void;
  readonly onDocument: (document: PdfDocument | null) => void;
  readonly overlay: (page: number) => ReactNode;
}

const TROUBLE: Readonly<Record<PdfTrouble, readonly [what: string, mend: string]>> = {
  locked: ["This PDF is locked with a password.", "Ask the student for one without a password."],
  damaged: ["This PDF is damaged; it may have been cut short on its way.", "Ask the student to hand it in again."],
  empty: ["This file is empty.", "Ask the student to hand it in again."],
};

/** A PDF, page under page. Only pages near the view are drawn; the others keep their place. */
export function PdfPages({ blob, name, width, turn, onPage, onDocument, overlay }: PdfPagesProps) {
  const [opened, setOpened] = useState<Awaited<ReturnType<typeof openPdf>> | null>(null);
  const [shape, setShape] = useState(Math.SQRT2);
  useEffect(() => {
    let current = true;
    const opening = openPdf(blob);
    void opening.then(async (result) => {
      if (!current) return;
      if ("document" in result) {
        const { width: w, height: h } = (await result.document.getPage(1)).getViewport({ scale: 1 });
        setShape(h / w);
        onDocument(result.document);
      }
      setOpened(result);
    });
    return () => {
      current = false;
      onDocument(null);
      void opening.then((result) => ("document" in result ? result.document.loadingTask.destroy() : null));
    };
  }, [blob, onDocument]);
  if (!opened) return <p className="mt-16 text-center text-soft">Opening {name}</p>;
  if ("trouble" in opened) {
    const [what, mend] = TROUBLE[opened.trouble];
    return <Unreadable name={name} blob={blob} what={what} mend={mend} />;
  }
  return Array.from({ length: opened.document.numPages }, (_, index) => (
    <PdfPageView
      key={index}
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

interface PdfPageViewProps extends Pick<PdfPagesProps, "width" | "turn" | "onPage" | "overlay"> {
  readonly document: PdfDocument;
  readonly number: number;
  /** Height over width until the page itself tells. */
  readonly guess: number;
}

/** Distance from the view at which a page is drawn ahead. */
const AHEAD = "900px 0px";

function PdfPageView({ document, number, width, turn, guess, onPage, overlay }: PdfPageViewProps) {
  const frame = useRef<HTMLDivElement>(null);
  const surface = useRef<HTMLDivElement>(null);
  const [near, setNear] = useState(number === 1);
  const [shape, setShape] = useState<number | null>(null);
  useEffect(() => {
    const element = frame.current;
    if (!element) return;
    const observer = new IntersectionObserver(
      ([entry]) => {
        setNear(entry?.isIntersecting ?? false);
      },
      { rootMargin: AHEAD },
    );
    observer.observe(element);
    return () => {
      observer.disconnect();
    };
  }, []);
  useEffect(() => {
    const element = frame.current;
    const host = surface.current;
    if (!element || !host || !near) return;
    let current = true;
    let drawing: { cancel: () => void } | null = null;
    void document.getPage(number).then((page) => {
      if (!current) return;
      setShape(shapeOf(page, turn));
      const started = draw(page, host, width, turn);
      drawing = started;
      void started.done.then((textRoot) => {
        if (current) onPage({ number, element, textRoot });
      });
    });
    return () => {
      current = false;
      drawing?.cancel();
      host.replaceChildren();
      onPage({ number, element, textRoot: null });
    };
  }, [document, number, width, turn, near, onPage]);
  return (
    <div
      ref={frame}
      data-page={number}
      role="group"
      aria-label={`Page ${String(number)} of ${String(document.numPages)}`}
      className="relative mx-auto mb-4 border border-rule bg-white"
      style={{ width, height: width * (shape ?? guess) }}
    >
      <div ref={surface} className="absolute inset-0" />
      {overlay(number)}
    </div>
  );
}

const rotationOf = (page: PdfPage, turn: Turn): number => (page.rotate + turn * 90) % 360;

const shapeOf = (page: PdfPage, turn: Turn): number => {
  const { width, height } = page.getViewport({ scale: 1, rotation: rotationOf(page, turn) });
  return height / width;
};

/** Draws a page and its selectable text into `host`. */
function draw(page: PdfPage, host: HTMLElement, width: number, turn: Turn) {
  const rotation = rotationOf(page, turn);
  const scale = width / page.getViewport({ scale: 1, rotation }).width;
  const viewport = page.getViewport({ scale, rotation });
  const sharpness = Math.min(2, window.devicePixelRatio || 1);
  const canvas = window.document.createElement("canvas");
  canvas.width = Math.floor(viewport.width * sharpness);
  canvas.height = Math.floor(viewport.height * sharpness);
  canvas.className = "absolute inset-0 size-full";
  canvas.setAttribute("aria-hidden", "true");
  const text = window.document.createElement("div");
  text.className = "text-layer";
  text.style.setProperty("--total-scale-factor", String(scale));
  text.style.setProperty("--scale-factor", String(scale));
  host.replaceChildren(canvas, text);
  const painting = page.render({
    canvas,
    viewport,
    ...(sharpness === 1 ? {} : { transform: [sharpness, 0, 0, sharpness, 0, 0] }),
  });
  let layer: InstanceType<typeof PdfTextLayer> | null = null;
  let cancelled = false;
  const writeText = async () => {
    const textContentSource = await fittedTextContent(page);
    if (cancelled) return;
    layer = new PdfTextLayer({ textContentSource, container: text, viewport });
    await layer.render();
  };
  const done = Promise.all([painting.promise, writeText()]).then(
    () => (cancelled ? null : text),
    () => null, // cancelled, because the page went out of view
  );
  return {
    done,
    cancel: () => {
      cancelled = true;
      painting.cancel();
      layer?.cancel();
    },
  };
}
