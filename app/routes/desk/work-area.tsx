import { useMemo } from "react";
import type { Command } from "#core/changes";
import type { Outcome } from "../../outcomes";
import { Unreadable } from "../../ui/work/unreadable";
import type { EvidenceTarget, NoteActions } from "../../ui/work/types";
import { WorkView } from "../../ui/work/work-view";
import type { Work } from "./load-work";
import { FileBar } from "./file-bar";
import type { DeskRows } from "./rows";
import type { HandInActions } from "./use-hand-in";

interface WorkAreaProps {
  readonly slot: string;
  readonly rows: DeskRows;
  readonly work: Work | null;
  readonly send: (command: Command) => Promise<Outcome>;
  readonly chosen: string | null;
  readonly onChoose: (noteId: string | null) => void;
  readonly handIn: HandInActions;
  readonly marginWidth: number | undefined;
  readonly onMarginWidth: (width: number) => void;
}

/** The middle and right of the desk: the work with its notes, or what to do where there is none. */
export function WorkArea(props: WorkAreaProps) {
  const { slot, rows, work, send, chosen, onChoose, handIn } = props;
  const criteria = useMemo(
    () =>
      rows.criteria.map(({ criterion, colour }): EvidenceTarget => ({
        id: criterion.id,
        name: criterion.name,
        colour,
      })),
    [rows.criteria],
  );
  if (!work) return <NoWork rows={rows} handIn={handIn} />;
  const { file, blob } = work;
  const place = { assignmentId: rows.assignment.id, studentId: rows.student.id };
  const actions: NoteActions = {
    add: async (note) => {
      const outcome = await send({ type: "addNote", ...place, fileId: file.id, body: "", ...note });
      return outcome.ok ? (outcome.value.patches[0]?.id ?? null) : null;
    },
    write: (noteId, body, seen) => send({ type: "editNote", noteId, body, seen }),
    link: (noteId, criterionId) => void send({ type: "editNote", noteId, criterionId }),
    colour: (noteId, colour) => void send({ type: "editNote", noteId, colour }),
    move: (noteId, target) => send({ type: "editNote", noteId, target }),
    draw: (page, colour, stroke) => void send({ type: "drawStroke", ...place, fileId: file.id, page, colour, stroke }),
    remove: (noteId) => void send({ type: "removeNote", noteId }),
  };
  return (
    <div
      className="flex h-full flex-col bg-table"
      onDragOver={(event) => {
        if (event.dataTransfer.types.includes("Files")) event.preventDefault();
      }}
      onDrop={(event) => {
        if (event.dataTransfer.files.length === 0) return;
        event.preventDefault();
        void handIn.addFiles([...event.dataTransfer.files]);
      }}
    >
      {rows.files.length > 1 && <FileBar slot={slot} rows={rows} current={file} send={send} handIn={handIn} />}
      <div className="min-h-0 flex-1">
        {blob ? (
          <WorkView
            key={file.id}
            file={file}
            blob={blob}
            notes={rows.notes.filter((note) => note.fileId === file.id)}
            criteria={criteria}
            actions={actions}
            chosen={chosen}
            onChoose={onChoose}
            marginWidth={props.marginWidth}
            onMarginWidth={props.onMarginWidth}
          />
        ) : (
          <Unreadable
            name={file.name}
            blob={new Blob()}
            what="This browser no longer holds the file's bytes."
            mend="Read in your last course file under Files."
          />
        )}
      </div>
    </div>
  );
}

function NoWork({ rows, handIn }: { readonly rows: DeskRows; readonly handIn: HandInActions }) {
  const onPaper = rows.channel === "paper" || rows.attempts > 0;
  return (
    <div
      className="grid h-full place-items-center bg-table p-8"
      onDragOver={(event) => {
        event.preventDefault();
      }}
      onDrop={(event) => {
        event.preventDefault();
        void handIn.addFiles([...event.dataTransfer.files]);
      }}
    >
      <div className="max-w-md text-center">
        <p className="font-serif text-xl">
          {onPaper ? "On paper: there is nothing to open here." : "Nothing handed in yet."}
        </p>
        <p className="mt-2 text-soft">
          {onPaper
            ? "Judge it on the rulers at the left, with the paper beside you."
            : `Say that ${rows.student.givenName} is missing (M) or excused (X), or add what came in another way.`}
        </p>
        <div className="mt-4 flex justify-center gap-2">
          <label className="act cursor-pointer focus-within:outline-2 focus-within:outline-offset-2 focus-within:outline-ink">
            Add files
            <input
              type="file"
              multiple
              className="sr-only"
              onChange={(event) => {
                const files = [...(event.target.files ?? [])];
                event.target.value = "";
                void handIn.addFiles(files);
              }}
            />
          </label>
          {rows.figure.standing === "expected" && (
            <button type="button" className="act act-quiet" onClick={() => void handIn.addPaper()}>
              It came on paper
            </button>
          )}
        </div>
        {handIn.trouble && (
          <p role="alert" className="mt-3 text-wax">
            {handIn.trouble}
          </p>
        )}
      </div>
    </div>
  );
}
