import { useRef } from "react";
import type { Piece } from "#core/collect";
import type { FileId } from "#core/kernel";
import { useFileBytes } from "../../../ui/hooks/use-file-bytes";
import { useNearView } from "../../../ui/hooks/use-near-view";
import { useFirstPage } from "./first-page";

/** Pixels that a strip is wide, where there is room, and high: the whole width of a page, because names stand at either side. */
const WIDTH = 560;
const HEIGHT = 150;

/** The upper part of a paper's first page, to read the name from; drawn when it comes near. */
export function NameStrip({
  piece,
  readFile,
}: {
  readonly piece: Piece;
  readonly readFile: (file: { readonly id: FileId }) => Promise<Blob | null>;
}) {
  const place = useRef<HTMLDivElement>(null);
  const isNear = useNearView(place, "400px 0px");
  const blob = useFileBytes(piece.file.id, isNear, (id) => readFile({ id }));
  const { frame, shape } = useFirstPage(isNear && blob !== "lost" ? blob : null, WIDTH);
  return (
    <div
      ref={place}
      role="img"
      aria-label={`Top of the first page of ${piece.file.name}`}
      className="relative mb-1 w-full overflow-hidden border border-rule bg-sheet"
      style={{ maxWidth: WIDTH, aspectRatio: `${String(WIDTH)} / ${String(HEIGHT)}` }}
    >
      <div ref={frame} className="relative w-full" style={{ aspectRatio: `1 / ${String(shape)}` }} />
    </div>
  );
}
