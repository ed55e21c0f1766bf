import { useEffect, useMemo, useState } from "react";
import { Unreadable } from "./unreadable";

/** A recording that was handed in. */
export function MediaPlayer({
  blob,
  name,
  video,
}: {
  readonly blob: Blob;
  readonly name: string;
  readonly video: boolean;
}) {
  const address = useMemo(() => URL.createObjectURL(blob), [blob]);
  const [broken, setBroken] = useState(false);
  useEffect(
    () => () => {
      URL.revokeObjectURL(address);
    },
    [address],
  );
  if (broken) {
    return (
      <Unreadable
        name={name}
        blob={blob}
        what="This browser cannot play the recording."
        mend="Save it and play it with a program of your own, or ask for it in another format."
      />
    );
  }
  const media = {
    src: address,
    controls: true,
    preload: "metadata",
    className: "w-full",
    "aria-label": name,
    onError: () => {
      setBroken(true);
    },
  };
  return (
    <figure className="mx-auto border border-rule bg-sheet p-6">
      {/* Students hand in what they hand in; captions cannot be asked of a recording that has none. */}
      {/* eslint-disable-next-line jsx-a11y/media-has-caption */}
      {video ? <video {...media} /> : <audio {...media} />}
      <figcaption className="mt-3 text-center text-[14px] text-soft">{name}</figcaption>
    </figure>
  );
}
