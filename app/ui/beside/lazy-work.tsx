import { useEffect, useMemo, useRef, useState } from "react";
import type { FileId } from "#core/kernel";
import type { Note, WorkFile } from "#core/model";
import { Unreadable } from "../work/pages/unreadable";
import type { EvidenceTarget } from "../work/types";
import { WorkView } from "../work/view/work-view";
import { useFileBytes } from "../hooks/use-file-bytes";
import { useNearView } from "../hooks/use-near-view";

interface LazyWorkProps {
  readonly file: WorkFile;
  readonly notes: readonly Note[];
  readonly criterion: EvidenceTarget;
  readonly read: (fileId: FileId) => Promise<Blob | null>;
  readonly height: number;
}

/** How near a work must be to the view before it is opened, and how far away before it is closed again. */
const NEAR = "500px 0px";

/** A work that is opened when it comes near the view and closed when it has gone, so that a long pile stays light. */
export function LazyWork({ file, notes, criterion, read, height }: LazyWorkProps) {
  const frame = useRef<HTMLDivElement>(null);
  const near = useNearView(frame, NEAR);
  const [width, setWidth] = useState(0);
  const criteria = useMemo(() => [criterion], [criterion]);
  const [chosen, setChosen] = useState<string | null>(null);
  useEffect(() => {
    const element = frame.current;
    if (!element) return;
    const measure = new ResizeObserver(() => {
      // The room for a scroll bar is left free, so that its coming does not change the width again.
      setWidth(Math.max(200, element.clientWidth - 16));
    });
    measure.observe(element);
    return () => {
      measure.disconnect();
    };
  }, []);
  const blob = useFileBytes(file.id, near, read);
  return (
    <div ref={frame} style={{ height }} className="overflow-hidden border border-rule bg-table">
      {near && blob === "lost" && (
        <Unreadable
          name={file.name}
          blob={new Blob()}
          what="This browser no longer holds the file's bytes."
          mend="Read in your last course file under Files."
        />
      )}
      {near && width > 0 && blob !== null && blob !== "lost" && (
        <WorkView
          key={file.id}
          file={file}
          blob={blob}
          notes={notes}
          criteria={criteria}
          actions={null}
          chosen={chosen}
          onChoose={setChosen}
          bareWidth={width}
        />
      )}
    </div>
  );
}
