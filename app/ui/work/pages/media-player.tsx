import { useState } from "react";
import { Player } from "./player";
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
  const [broken, setBroken] = useState(false);
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
  return (
    <figure className="mx-auto border border-rule bg-sheet p-6">
      <Player
        blob={blob}
        name={name}
        video={video}
        onBroken={() => {
          setBroken(true);
        }}
      />
      <figcaption className="mt-3 text-center text-[14px] text-soft">{name}</figcaption>
    </figure>
  );
}
