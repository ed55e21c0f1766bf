import { useEffect, useMemo, useRef, useState, type CSSProperties } from "react";
import type { FileId } from "#core/kernel";
import { workKindOf, type Note, type WorkFile, type Zone } from "#core/model";
import { useFileBytes } from "../../hooks/use-file-bytes";
import { useNearView } from "../../hooks/use-near-view";
import { Marks, type Anchor } from "../marks/marks";
import { Unreadable } from "../pages/unreadable";
import type { EvidenceTarget } from "../types";

interface ZoneCropProps {
  readonly file: WorkFile;
  readonly zones: readonly Zone[];
  /** Remarks on the work; those that stand at a place of the page are drawn on its part. */
  readonly notes: readonly Note[];
  readonly criteria: readonly EvidenceTarget[];
  readonly read: (fileId: FileId) => Promise<Blob | null>;
}

/** How near a crop must be to the view before its work is opened. */
const NEAR = "500px 0px";
/** Widest that a page is drawn, in pixels, however narrow its zone. */
const WIDEST = 2_400;

/** The parts of a paper where one criterion is answered, one under another, as wide as there is room. */
export function ZoneCrop({ file, zones, notes, criteria, read }: ZoneCropProps) {
  const frame = useRef<HTMLDivElement>(null);
  const isNear = useNearView(frame, NEAR);
  const blob = useFileBytes(file.id, isNear, read);
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
            notes={notes}
            criteria={criteria}
          />
        ))
      )}
    </div>
  );
}

interface CropProps extends Pick<ZoneCropProps, "file" | "notes" | "criteria"> {
  readonly blob: Blob | null;
  readonly zone: Zone;
}

function Crop({ file, blob, zone, notes, criteria }: CropProps) {
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
      Object.assign(drawn.picture.style, { inset: "auto", maxWidth: "none" }, wholePage(zone));
      element.replaceChildren(drawn.picture);
    });
    return () => {
      current = false;
      end();
      element.replaceChildren();
    };
  }, [file, blob, zone]);
  const anchors = useMemo(() => anchorsOn(notes, zone.page, shape), [notes, zone.page, shape]);
  return (
    <div
      role="img"
      aria-label={`Part of page ${String(zone.page)} of ${file.name}`}
      className="relative w-full overflow-hidden border border-rule bg-white"
      style={{ aspectRatio: `${String(zone.width)} / ${String(zone.height * shape)}` }}
    >
      <div ref={box} className="absolute inset-0" />
      <div style={wholePage(zone)}>
        <Marks
          page={zone.page}
          notes={notes}
          anchors={anchors}
          criteria={criteria}
          chosen={null}
          turn={0}
          onMove={null}
          held={null}
        />
      </div>
    </div>
  );
}

/** The whole page, laid so that its zone fills the box. */
const wholePage = ({ x, y, width, height }: Zone): CSSProperties => ({
  position: "absolute",
  left: `${String((-100 * x) / width)}%`,
  top: `${String((-100 * y) / height)}%`,
  width: `${String(100 / width)}%`,
  height: `${String(100 / height)}%`,
});

/** Where remarks at a place of the page stand; a passage is found only where the page's text is laid out, on the desk. */
function anchorsOn(notes: readonly Note[], page: number, shape: number): ReadonlyMap<string, Anchor> {
  const anchors = new Map<string, Anchor>();
  for (const { id, target } of notes) {
    if (target.page !== page || target.kind === "passage") continue;
    const at = target.kind === "point" ? { x: target.x, y: target.y } : { x: 0, y: 0 };
    anchors.set(id, { page, lost: false, shape, boxes: [{ ...at, width: 0, height: 0 }] });
  }
  return anchors;
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
