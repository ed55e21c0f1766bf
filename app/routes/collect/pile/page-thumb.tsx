import { useEffect, useRef, useState } from "react";
import type { Turn } from "#core/collect";
import { useNearView } from "../../../ui/hooks/use-near-view";
import type { PdfDocument } from "../../../ui/work/pages/pdf-document";

/** Pixels that a page is wide in the overview, and high at most: A4. */
const WIDTH = 116;
const HEIGHT = 164;

/** The document of a pile, open while it is looked at; null until it is there, and where it cannot be read. */
export function usePile(blob: Blob): PdfDocument | null {
  const [pile, setPile] = useState<PdfDocument | null>(null);
  useEffect(() => {
    let current = true;
    let release = () => undefined as unknown;
    void import("../../../ui/work/pages/kept-pdfs").then(async ({ holdPdf }) => {
      const held = holdPdf(blob);
      release = held.release;
      const opened = await held.opening;
      if (!current) return;
      if ("document" in opened) setPile(opened.document);
    });
    return () => {
      current = false;
      release();
    };
  }, [blob]);
  return pile;
}

/** A page drawn small while it is near the window. */
export function PageThumb({
  pile,
  place,
  turn,
  isFaint,
}: {
  readonly pile: PdfDocument | null;
  readonly place: number;
  readonly turn: Turn;
  readonly isFaint: boolean;
}) {
  const frame = useRef<HTMLSpanElement>(null);
  const isNear = useNearView(frame, "300px 0px");
  useEffect(() => {
    const sheet = frame.current;
    if (!pile || !isNear || !sheet) return;
    let current = true;
    let cancel = () => undefined as unknown;
    void Promise.all([pile.getPage(place + 1), import("../../../ui/work/pages/draw-page")]).then(
      ([page, { drawPage }]) => {
        if (!current) return;
        const lying = page.getViewport({ scale: 1, rotation: (page.rotate + turn * 90) % 360 });
        const width = Math.min(WIDTH, (HEIGHT * lying.width) / lying.height);
        const drawn = drawPage(page, width, turn);
        cancel = drawn.cancel;
        sheet.style.width = `${String(width)}px`;
        sheet.style.height = `${String(width * drawn.shape)}px`;
        sheet.replaceChildren(drawn.canvas);
      },
    );
    return () => {
      current = false;
      cancel();
      sheet.replaceChildren();
    };
  }, [pile, place, turn, isNear]);
  return (
    <span className="flex items-end" style={{ width: WIDTH, height: HEIGHT }}>
      <span
        ref={frame}
        aria-hidden="true"
        className={`relative block border border-rule bg-sheet ${isFaint ? "opacity-45" : ""}`}
        style={{ width: WIDTH, height: HEIGHT }}
      />
    </span>
  );
}
