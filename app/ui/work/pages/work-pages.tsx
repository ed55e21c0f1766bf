import { useEffect, useState } from "react";
import { workKindOf, type WorkFile, type WorkKind } from "#core/model";
import { ImagePage } from "./image-page";
import { MediaPlayer } from "./media-player";
import { notShownWords } from "./not-shown-words";
import { Unreadable } from "./unreadable";
import { loadViewer, viewerAtHand, type Viewer, type ViewerProps } from "./viewers";

interface WorkPagesProps extends Omit<ViewerProps, "name"> {
  readonly file: WorkFile;
}

/** The pages of a work, whatever its format; one that cannot be shown is offered for saving. */
export function WorkPages({ file, blob, width, turn, threads, onPage, onDocument, overlay }: WorkPagesProps) {
  const kind = workKindOf(file);
  const shared = { blob, name: file.name, width, turn, onPage, overlay };
  switch (kind) {
    case "image":
      return <ImagePage {...shared} />;
    case "sound":
    case "video":
      return <MediaPlayer blob={blob} name={file.name} video={kind === "video"} />;
    case "other":
      return <Unreadable name={file.name} blob={blob} {...notShownWords(file.name)} />;
    default:
      return <LoadedPages key={kind} kind={kind} {...shared} threads={threads} onDocument={onDocument} />;
  }
}

function LoadedPages({ kind, ...props }: ViewerProps & { readonly kind: WorkKind }) {
  const [Loaded, setLoaded] = useState<Viewer | null>(() => viewerAtHand(kind));
  useEffect(() => {
    let current = true;
    loadViewer(kind).then(
      (viewer) => {
        if (current) setLoaded(() => viewer);
      },
      (error: unknown) => {
        // Thrown where the screen that holds the work can say so.
        if (current)
          setLoaded(() => {
            throw error;
          });
      },
    );
    return () => {
      current = false;
    };
  }, [kind]);
  return Loaded ? <Loaded {...props} /> : <p className="mt-16 text-center text-soft">Opening {props.name}</p>;
}
