import { useEffect, useLayoutEffect, useMemo, useRef, useState } from "react";
import type { PageHandle } from "./types";
import type { Turn } from "./turn";
import { Unreadable } from "./unreadable";

interface ImagePageProps {
  readonly blob: Blob;
  readonly name: string;
  readonly width: number;
  readonly turn: Turn;
  readonly onPage: (handle: PageHandle) => void;
  readonly overlay: (page: number) => React.ReactNode;
}

/** A picture on a page of its own. In an image element nothing of it runs and nothing is fetched, drawings included. */
export function ImagePage({ blob, name, width, turn, onPage, overlay }: ImagePageProps) {
  const address = useMemo(() => URL.createObjectURL(blob), [blob]);
  useEffect(
    () => () => {
      URL.revokeObjectURL(address);
    },
    [address],
  );
  const [shape, setShape] = useState<number | "broken" | null>(null);
  const page = useRef<HTMLDivElement>(null);
  useLayoutEffect(() => {
    if (page.current) onPage({ number: 1, element: page.current, textRoot: null });
  }, [shape, width, turn, onPage]);
  if (shape === "broken") {
    return (
      <Unreadable
        name={name}
        blob={blob}
        what="This picture cannot be opened; it may have been cut short on its way."
        mend="Ask the student to hand it in again."
      />
    );
  }
  const tall = shape ?? 0.75;
  const lying = turn === 1 || turn === 3;
  const height = lying ? width / tall : width * tall;
  return (
    <div
      ref={page}
      data-page={1}
      className="relative mx-auto overflow-hidden border border-rule bg-white"
      style={{ width, height }}
    >
      <img
        src={address}
        alt={name}
        draggable={false}
        className="absolute top-1/2 left-1/2 max-w-none select-none"
        style={{
          width: lying ? height : width,
          transform: `translate(-50%, -50%) rotate(${String(turn * 90)}deg)`,
        }}
        onLoad={(event) => {
          const { naturalWidth, naturalHeight } = event.currentTarget;
          // A drawing without a size of its own is shown as a square.
          setShape(naturalWidth > 0 ? naturalHeight / naturalWidth : 1);
        }}
        onError={() => {
          setShape("broken");
        }}
      />
      {overlay(1)}
    </div>
  );
}
