import { useEffect, useMemo, type SyntheticEvent } from "react";

interface PlayerProps {
  readonly blob: Blob;
  readonly name: string;
  readonly video: boolean;
  readonly onBroken?: () => void;
}

/** Far behind the end of any recording, in seconds. */
const BEHIND_THE_END = 1e9;

/** Plays sound or video. */
export function Player({ blob, name, video, onBroken }: PlayerProps) {
  const address = useMemo(() => URL.createObjectURL(blob), [blob]);
  useEffect(
    () => () => {
      URL.revokeObjectURL(address);
    },
    [address],
  );
  const media = {
    src: address,
    controls: true,
    preload: "metadata",
    className: "w-full",
    "aria-label": name,
    onError: onBroken,
    // A recording made in a browser does not know how long it is until its end was looked for once.
    onLoadedMetadata: ({ currentTarget: element }: SyntheticEvent<HTMLMediaElement>) => {
      if (element.duration !== Infinity) return;
      const back = () => {
        element.currentTime = 0;
      };
      element.addEventListener("durationchange", back, { once: true });
      element.currentTime = BEHIND_THE_END;
    },
  };
  // Captions cannot be asked of a recording that has none.
  // oxlint-disable-next-line jsx-a11y/media-has-caption
  return video ? <video {...media} /> : <audio {...media} />;
}
