import { useEffect, useLayoutEffect, useRef, useState } from "react";
import { MOST_PIXELS, pictureSize } from "#core/formats";
import type { PageHandle } from "../types";
import type { Turn } from "../marks/turn";
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
  const [shape, setShape] = useState<number | "broken" | "too large" | null>(null);
  const [address, setAddress] = useState<string | null>(null);
  useEffect(() => {
    let current = true;
    let made: string | null = null;
    void isShowable(blob).then((showable) => {
      if (!current) return;
      made = showable ? URL.createObjectURL(blob) : null;
      if (made) setAddress(made);
      else setShape("too large");
    });
    return () => {
      current = false;
      if (made) URL.revokeObjectURL(made);
    };
  }, [blob]);
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
  if (shape === "too large") {
    return (
      <Unreadable
        name={name}
        blob={blob}
        what="It is too large to be shown here."
        mend="Save the file and look at it with a program of your own."
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
        src={address ?? undefined}
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

/** Bytes at the head of a picture in which its size stands; cameras put up to a few segments of 64 KiB before it. */
const HEAD = 1_000_000;

/** Whether a picture can be unpacked without filling the memory; asked of its head, before anything is. */
async function isShowable(blob: Blob): Promise<boolean> {
  const size = pictureSize(new Uint8Array(await blob.slice(0, HEAD).arrayBuffer()));
  return size === null || size.width * size.height <= MOST_PIXELS;
}
