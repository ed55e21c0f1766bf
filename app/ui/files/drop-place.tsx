import { lazy, Suspense, useState, type ReactNode } from "react";
import type { Zone } from "./drop-zone";

// The package that takes files comes when the place is drawn: the first screen does not wait for it.
const DropZone = lazy(() => import("./drop-zone"));

interface DropPlaceProps {
  /** What letting go does here, said while files are held over it. */
  readonly words: string;
  readonly className: string;
  readonly onFiles: (files: File[]) => void;
  readonly children: ReactNode;
}

/** A part of the page on which files can be let go. */
export function DropPlace({ words, className, onFiles, children }: DropPlaceProps) {
  const [zone, setZone] = useState<Zone | null>(null);
  return (
    <div {...zone?.handlers} data-takes-files={zone !== null} className={`relative ${className}`}>
      {children}
      <Suspense fallback={null}>
        <DropZone onFiles={onFiles} onZone={setZone} />
      </Suspense>
      {zone?.isOver && (
        <p className="pointer-events-none absolute inset-3 z-30 grid place-items-center rounded border-2 border-dashed border-green bg-green-wash font-serif text-xl">
          {words}
        </p>
      )}
    </div>
  );
}
