import type { ReactNode } from "react";
import { useFiles } from "./use-files";

interface DropPlaceProps {
  /** What letting go does here, said while files are held over it. */
  readonly words: string;
  readonly className: string;
  readonly onFiles: (files: File[]) => void;
  readonly children: ReactNode;
}

/** A part of the page on which files can be let go. */
export function DropPlace({ words, className, onFiles, children }: DropPlaceProps) {
  const { getRootProps, isDragActive } = useFiles({ multiple: true, onFiles });
  return (
    <div {...getRootProps({ className: `relative ${className}` })}>
      {children}
      {isDragActive && (
        <p className="pointer-events-none absolute inset-3 z-30 grid place-items-center rounded border-2 border-dashed border-green bg-green-wash font-serif text-xl">
          {words}
        </p>
      )}
    </div>
  );
}
