import { useState } from "react";
import type { WorkFile } from "#core/model";
import type { FacetContent } from "#core/release";
import { criterionColour } from "../../ui/colours";
import { WorkView } from "../../ui/work/view/work-view";

/** The work with the notes that were given out on it, opened on wish. */
export function MarkedWork({
  file,
  blob,
  comments,
}: {
  readonly file: WorkFile;
  readonly blob: Blob;
  readonly comments: FacetContent["comments"] | null;
}) {
  const [open, setOpen] = useState(false);
  const [chosen, setChosen] = useState<string | null>(null);
  const notes = (comments?.notes ?? []).filter((note) => note.fileId === file.id);
  const names = new Map(
    notes.flatMap((note) => (note.criterionId ? [[note.criterionId, note.criterionName ?? ""] as const] : [])),
  );
  const criteria = [...names].map(([id, name], index) => ({ id, name, colour: criterionColour(index) }));
  return (
    <div className="mx-auto mt-5 max-w-[560px] has-[[aria-expanded=true]]:max-w-none">
      <button
        type="button"
        className="act act-quiet"
        aria-expanded={open}
        onClick={() => {
          setOpen(!open);
        }}
      >
        {open ? "Put the work away" : `See the notes on ${file.name}`}
      </button>
      {open && (
        <div className="mt-3 h-[720px] border border-rule">
          <WorkView
            file={file}
            blob={blob}
            notes={notes}
            criteria={criteria}
            actions={null}
            chosen={chosen}
            onChoose={setChosen}
          />
        </div>
      )}
    </div>
  );
}
