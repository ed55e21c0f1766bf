import { useEffect, useRef, useState, type RefObject } from "react";
import type { Piece } from "#core/collect";
import { workKindOf } from "#core/model";
import { saveAs } from "../../../ui/save-as";

/** Pixels that a first page is wide. */
const WIDTH = 460;

/** How a piece begins: the first page of a PDF, a picture, else its first words. */
export function FirstPage({ piece, blob }: { readonly piece: Piece; readonly blob: Blob | null }) {
  const kind = workKindOf(piece.file);
  return (
    <div className="flex gap-6 border-b border-rule bg-table/60 px-12 py-4">
      {blob && kind === "pdf" && piece.trouble === null && <PdfFirstPage blob={blob} name={piece.file.name} />}
      {blob && kind === "image" && <Picture blob={blob} name={piece.file.name} />}
      {kind !== "pdf" && piece.beginning !== "" && (
        <blockquote className="max-w-prose font-serif text-[15px] whitespace-pre-line">{piece.beginning}</blockquote>
      )}
      <div className="text-[13px] text-soft">
        <p className="break-all">{piece.path}</p>
        {piece.author !== "" && <p>Author of the document: {piece.author}</p>}
        {piece.senderAddress !== "" && (
          <p>
            Sent by {piece.senderName} {piece.senderAddress}
          </p>
        )}
        {blob ? (
          <button
            type="button"
            className="link mt-1"
            onClick={() => {
              saveAs(blob, piece.file.name);
            }}
          >
            Save the file
          </button>
        ) : (
          <p>Reading…</p>
        )}
      </div>
    </div>
  );
}

function PdfFirstPage({ blob, name }: { readonly blob: Blob; readonly name: string }) {
  const { frame, shape } = useFirstPage(blob, WIDTH);
  return (
    <div
      ref={frame}
      role="img"
      aria-label={`First page of ${name}`}
      className="relative shrink-0 border border-rule bg-sheet"
      style={{ width: WIDTH, height: WIDTH * shape }}
    />
  );
}

/** Draws the first page of a PDF into a frame; its shape is height over width. */
export function useFirstPage(blob: Blob | null, width: number) {
  const frame = useRef<HTMLDivElement>(null);
  const [shape, setShape] = useState(1.41);
  useEffect(() => {
    if (!blob) return;
    let current = true;
    let end = () => undefined as unknown;
    void draw(blob, frame, { width, isWanted: () => current }).then((drawn) => {
      if (!drawn) return;
      end = drawn.end;
      if (current) setShape(drawn.shape);
      else end();
    });
    return () => {
      current = false;
      end();
    };
  }, [blob, width]);
  return { frame, shape };
}

interface Drawing {
  readonly width: number;
  readonly isWanted: () => boolean;
}

async function draw(blob: Blob, frame: RefObject<HTMLElement | null>, { width, isWanted }: Drawing) {
  const [{ openPdf, closePdf }, { drawPage }] = await Promise.all([
    import("../../../ui/work/pages/pdf-document"),
    import("../../../ui/work/pages/draw-page"),
  ]);
  const opened = await openPdf(blob);
  if (!("document" in opened)) return null;
  const end = () => void closePdf(opened.document);
  if (!isWanted()) {
    end();
    return null;
  }
  const drawn = drawPage(await opened.document.getPage(1), width, 0);
  frame.current?.replaceChildren(drawn.canvas);
  return { shape: drawn.shape, end };
}

function Picture({ blob, name }: { readonly blob: Blob; readonly name: string }) {
  const picture = useRef<HTMLImageElement>(null);
  useEffect(() => {
    const address = URL.createObjectURL(blob);
    if (picture.current) picture.current.src = address;
    return () => {
      URL.revokeObjectURL(address);
    };
  }, [blob]);
  return <img ref={picture} alt={name} className="max-h-[520px] max-w-[460px] border border-rule" />;
}
