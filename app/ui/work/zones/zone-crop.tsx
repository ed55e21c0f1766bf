import { useEffect, useRef, useState } from "react";
import type { FileId } from "#core/kernel";
import { workKindOf, type WorkFile, type Zone } from "#core/model";
import { useNearView } from "../../hooks/use-near-view";
import { Unreadable } from "../pages/unreadable";

interface ZoneCropProps {
  readonly file: WorkFile;
  readonly zones: readonly Zone[];
  readonly read: (fileId: FileId) => Promise<Blob | null>;
}

/** How near a crop must be to the view before its work is opened. */
const NEAR = "500px 0px";
/** Widest that a page is drawn, in pixels, however narrow its zone. */
const WIDEST = 2_400;

/** The parts of a paper where one criterion is answered, one under another, as wide as there is room. */
export function ZoneCrop({ file, zones, read }: ZoneCropProps) {
  const frame = useRef<HTMLDivElement>(null);
  const isNear = useNearView(frame, NEAR);
  const [blob, setBlob] = useState<Blob | "lost" | null>(null);
  const { id } = file;
  useEffect(() => {
    if (!isNear) return;
    let current = true;
    void read(id).then((found) => {
      if (current) setBlob(found ?? "lost");
    });
    return () => {
      current = false;
    };
    // The reader is another function at each look; the file is the same.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [isNear, id]);
  return (
    <div ref={frame} className="space-y-2">
      {blob === "lost" ? (
        <Unreadable
          name={file.name}
          blob={new Blob()}
          what="This browser no longer holds the file's bytes."
          mend="Read in your last course file under Files."
        />
      ) : (
        zones.map((zone) => (
          <Crop
            key={`${String(zone.page)} ${String(zone.y)} ${String(zone.x)}`}
            file={file}
            blob={isNear ? blob : null}
            zone={zone}
          />
        ))
      )}
    </div>
  );
}

interface CropProps {
  readonly file: WorkFile;
  readonly blob: Blob | null;
  readonly zone: Zone;
}

function Crop({ file, blob, zone }: CropProps) {
  const box = useRef<HTMLDivElement>(null);
  const [shape, setShape] = useState(Math.SQRT2);
  useEffect(() => {
    const element = box.current;
    if (!blob || !element) return;
    let current = true;
    let end = () => undefined as unknown;
    const width = Math.min(WIDEST, element.clientWidth / zone.width);
    void drawnPage(file, blob, zone.page, width).then((drawn) => {
      if (!drawn) return;
      end = drawn.end;
      if (!current) {
        end();
        return;
      }
      setShape(drawn.shape);
      drawn.picture.style.width = `${String(100 / zone.width)}%`;
      drawn.picture.style.height = "auto";
      drawn.picture.style.position = "absolute";
      drawn.picture.style.inset = "auto";
      drawn.picture.style.left = `${String((-100 * zone.x) / zone.width)}%`;
      drawn.picture.style.top = `${String((-100 * zone.y) / zone.height)}%`;
      drawn.picture.style.maxWidth = "none";
      element.replaceChildren(drawn.picture);
    });
    return () => {
      current = false;
      end();
      element.replaceChildren();
    };
  }, [file, blob, zone]);
  return (
    <div
      ref={box}
      role="img"
      aria-label={`Part of page ${String(zone.page)} of ${file.name}`}
      className="relative w-full overflow-hidden border border-rule bg-white"
      style={{ aspectRatio: `${String(zone.width)} / ${String(zone.height * shape)}` }}
    />
  );
}

interface Drawn {
  readonly picture: HTMLElement;
  /** Height over width. */
  readonly shape: number;
  readonly end: () => unknown;
}

/** A page of a PDF, or a picture; null where there is no such page. */
async function drawnPage(file: WorkFile, blob: Blob, page: number, width: number): Promise<Drawn | null> {
  if (workKindOf(file) === "image") {
    const picture = new Image();
    picture.alt = "";
    const address = URL.createObjectURL(blob);
    picture.src = address;
    await picture.decode().catch(() => undefined);
    const shape = picture.naturalWidth > 0 ? picture.naturalHeight / picture.naturalWidth : 1;
    return {
      picture,
      shape,
      end: () => {
        URL.revokeObjectURL(address);
      },
    };
  }
  const [{ holdPdf }, { drawPage }] = await Promise.all([import("../pages/kept-pdfs"), import("../pages/draw-page")]);
  const held = holdPdf(blob);
  const opened = await held.opening;
  if (!("document" in opened) || page > opened.document.numPages) {
    held.release();
    return null;
  }
  const drawn = drawPage(await opened.document.getPage(page), width, 0);
  drawn.canvas.className = "";
  return {
    picture: drawn.canvas,
    shape: drawn.shape,
    end: () => {
      drawn.cancel();
      held.release();
    },
  };
}
