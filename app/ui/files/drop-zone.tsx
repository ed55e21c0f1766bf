import { memo, useEffect } from "react";
import { useFiles } from "./use-files";

type Handlers = ReturnType<ReturnType<typeof useFiles>["getRootProps"]>;

/** What a place needs for files to be let go on it. */
export interface Zone {
  readonly handlers: Handlers;
  /** Files are held over it. */
  readonly isOver: boolean;
}

interface DropZoneProps {
  readonly onFiles: (files: File[]) => void;
  /** Hands on what the place around it needs, and again when that changes. */
  readonly onZone: (zone: Zone) => void;
}

/** Takes files for the place it stands in, and draws nothing; kept, since what it hands on draws that place anew. */
export default memo(function DropZone({ onFiles, onZone }: DropZoneProps) {
  const { getRootProps, isDragActive } = useFiles({ multiple: true, onFiles });
  useEffect(() => {
    onZone({ handlers: getRootProps(), isOver: isDragActive });
  }, [getRootProps, isDragActive, onZone]);
  return null;
});
