import { Download, X } from "lucide-react";
import { useEffect, useState } from "react";
import { workKindOf, type WorkFile } from "#core/model";
import { saveAs } from "../save-as";
import { Player } from "../work/pages/player";

interface AttachedProps {
  readonly files: readonly WorkFile[];
  readonly read: (file: WorkFile) => Promise<Blob | null>;
  /** Left out where they are only read. */
  readonly onRemove?: (file: WorkFile) => void;
}

/** Files that go with words: sound and video are played in place, everything else is saved. */
export function Attached({ files, read, onRemove }: AttachedProps) {
  if (files.length === 0) return null;
  return (
    <ul aria-label="Files" className="space-y-1.5">
      {files.map((file) => (
        <AttachedFile key={file.id} file={file} read={read} {...(onRemove && { onRemove })} />
      ))}
    </ul>
  );
}

function AttachedFile({ file, read, onRemove }: Omit<AttachedProps, "files"> & { readonly file: WorkFile }) {
  const kind = workKindOf(file);
  const played = kind === "sound" || kind === "video";
  const [blob, setBlob] = useState<Blob | "lost" | null>(null);
  const [broken, setBroken] = useState(false);
  useEffect(() => {
    if (!played || blob !== null) return;
    let current = true;
    void read(file).then((found) => {
      if (current) setBlob(found ?? "lost");
    });
    return () => {
      current = false;
    };
  }, [played, blob, file, read]);
  const save = async () => {
    const found = blob instanceof Blob ? blob : await read(file);
    if (found) saveAs(found, file.name);
    else setBlob("lost");
  };
  return (
    <li className="border border-rule bg-sheet px-2.5 py-1.5 text-[14px]">
      <div className="flex items-center gap-2">
        <span className="min-w-0 flex-1 truncate">{file.name}</span>
        <button
          type="button"
          aria-label={`Save ${file.name}`}
          data-hint="Save"
          className="grid size-7 place-items-center rounded text-soft hover:bg-table hover:text-ink"
          onClick={() => void save()}
        >
          <Download size={15} aria-hidden="true" />
        </button>
        {onRemove && (
          <button
            type="button"
            aria-label={`Take off ${file.name}`}
            data-hint="Take off"
            className="grid size-7 place-items-center rounded text-soft hover:bg-table hover:text-ink"
            onClick={() => {
              onRemove(file);
            }}
          >
            <X size={15} aria-hidden="true" />
          </button>
        )}
      </div>
      {blob === "lost" && <p className="text-[13px] text-wax">This browser no longer holds this file.</p>}
      {broken && <p className="text-[13px] text-wax">This browser cannot play it. Save it to hear or see it.</p>}
      {played && blob instanceof Blob && !broken && (
        <Player
          blob={blob}
          name={file.name}
          video={kind === "video"}
          onBroken={() => {
            setBroken(true);
          }}
        />
      )}
    </li>
  );
}
