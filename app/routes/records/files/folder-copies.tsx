import { useState } from "react";
import type { CourseSession, Repository } from "#storage";
import { askLeave, canWriteFolders, chooseFolder, writeCopy, type Folder } from "../../../exports/folder-copies";
import type { Job } from "../../../ui/hooks/use-job";

/** A folder that was chosen, and whether it may be written into. */
export interface FolderState {
  readonly folder: Folder;
  readonly mayWrite: boolean;
  /** Why the last copy could not be written; empty where it was. */
  readonly trouble: string;
}

interface FolderCopiesProps {
  readonly repository: Repository;
  readonly session: CourseSession;
  readonly isLocked: boolean;
  readonly state: FolderState | null;
  readonly job: Job;
  readonly onChange: () => void;
}

/** Copies that are written into a folder by themselves, after work. */
export function FolderCopies({ repository, session, isLocked, state, job, onChange }: FolderCopiesProps) {
  const { slot } = session;
  const [isStopped, setStopped] = useState(false);
  const busy = job.progress !== null;
  const write = (folder: Folder) =>
    job
      .run(async (signal, tell) => {
        tell({ words: "Writing a copy", done: 0, all: 1 });
        return `${await writeCopy(repository, session, folder, signal)} was written into ${folder.name} and read back.`;
      })
      .then(onChange);
  if (!canWriteFolders())
    return <p>This browser does not let a page write into a folder. Make a course file now and then.</p>;
  if (isLocked)
    return (
      <p>
        Copies of a locked course are not written by themselves: they would lie open in the folder. Make a course file
        with a passphrase now and then.
      </p>
    );
  if (!state || isStopped)
    return (
      <NoFolder
        isBusy={busy}
        onFolder={async (folder) => {
          await repository.keepFolder(slot, folder);
          setStopped(false);
          await write(folder);
        }}
      />
    );
  const { folder, mayWrite, trouble } = state;
  return (
    <>
      <p>
        Copies go into <strong>{folder.name}</strong>, a minute after work: the last five stay, one a day for a week,
        and one a week.
      </p>
      {!mayWrite && (
        <p className="mt-1.5 text-ochre">The browser wants your leave again before anything is written there.</p>
      )}
      {trouble !== "" && <p className="mt-1.5 text-wax">The last copy could not be written: {trouble}</p>}
      <p className="mt-3 flex flex-wrap gap-4">
        <button
          type="button"
          className="act"
          disabled={busy}
          onClick={() => {
            void askLeave(folder).then(async (given) => {
              if (given) await write(folder);
              else onChange();
            });
          }}
        >
          {mayWrite ? "Write one now" : "Allow it, and write one now"}
        </button>
        <button
          type="button"
          className="act act-quiet"
          onClick={() => {
            void repository.keepFolder(slot, null).then(() => {
              setStopped(true);
              onChange();
            });
          }}
        >
          Write no more copies there
        </button>
      </p>
    </>
  );
}

interface NoFolderProps {
  readonly isBusy: boolean;
  readonly onFolder: (folder: Folder) => Promise<void>;
}

function NoFolder({ isBusy, onFolder }: NoFolderProps) {
  return (
    <>
      <p>
        A course file is written into a folder of your choice by itself, a minute after work: the last five stay, one a
        day for a week, and one a week.
      </p>
      <button
        type="button"
        className="act mt-3"
        disabled={isBusy}
        onClick={() => {
          void chooseFolder().then((folder) => folder && onFolder(folder));
        }}
      >
        Choose a folder for copies
      </button>
    </>
  );
}
