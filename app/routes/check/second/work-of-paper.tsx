import { useCallback, useEffect, useRef, useState } from "react";
import type { FileId } from "#core/kernel";
import { LazyWork } from "../../../ui/beside/lazy-work";
import type { SecondRows } from "./second-rows";

/** The work beside the rulers, without anybody's remarks; paper that is not here says so. */
export function WorkOfPaper({
  rows,
  file,
  read,
}: {
  readonly rows: SecondRows;
  readonly file: Parameters<typeof LazyWork>[0]["file"] | null;
  readonly read: (id: FileId) => Promise<Blob | null>;
}) {
  const frame = useRef<HTMLDivElement>(null);
  const [height, setHeight] = useState(600);
  useEffect(() => {
    const element = frame.current;
    if (!element) return;
    const watch = new ResizeObserver(() => {
      setHeight(element.clientHeight);
    });
    watch.observe(element);
    return () => {
      watch.disconnect();
    };
  }, []);
  const readOnce = useCallback((id: FileId) => read(id), [read]);
  return (
    <section aria-label="Work" ref={frame} className="h-[calc(100vh-46px)] bg-table">
      {file ? (
        <LazyWork key={file.id} file={file} notes={NO_NOTES} criterion={rows.target} read={readOnce} height={height} />
      ) : (
        <p className="p-10 text-soft">This work lies on paper. Judge it from the pile.</p>
      )}
    </section>
  );
}

const NO_NOTES: readonly never[] = [];
