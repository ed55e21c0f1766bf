import { useMemo } from "react";
import { Link, useNavigate } from "react-router";
import { isArchiveFile, type Zone } from "#core/model";
import { inAddress } from "../../../../ui/address";
import type { ChangeResult, Command } from "#core/changes";
import type { AssignmentId, FileId, StudentId } from "#core/kernel";
import { DropPlace } from "../../../../ui/files/drop-place";
import { FileButton } from "../../../../ui/files/file-button";
import { useFileChoice } from "../../../../ui/files/use-file-choice";
import { CompareAttempts } from "../../../../ui/work/view/compare-attempts";
import { Unreadable } from "../../../../ui/work/pages/unreadable";
import type { EvidenceTarget, NoteActions } from "../../../../ui/work/types";
import { WorkView } from "../../../../ui/work/view/work-view";
import { hasPages } from "../../../../ui/work/zones/has-pages";
import type { Repository } from "#storage";
import type { MenuItems } from "../../../../ui/dialogs/more-menu";
import { ArchiveWork } from "./archive-work";
import { FileNewsLine } from "./file-news";
import type { PaperDraft, Work } from "./load-work";
import { usePaperFiles, type PaperFiles } from "./use-paper-files";
import { Answers } from "../judgement/answers";
import { FileBar } from "./file-bar";
import type { DeskRows } from "../rows";
import type { HandInActions } from "./use-hand-in";

interface WorkAreaProps {
  readonly slot: string;
  readonly rows: DeskRows;
  readonly work: Work | null;
  /** An earlier attempt to compare it with. */
  readonly beside: Work | null;
  /** Ends the comparison. */
  readonly onAlone: () => void;
  readonly send: (command: Command) => Promise<ChangeResult>;
  readonly chosen: string | null;
  readonly onChoose: (noteId: string | null) => void;
  readonly handIn: HandInActions;
  readonly marginWidth: number | undefined;
  readonly onMarginWidth: (width: number) => void;
  /** Whether a note is for the whole group. */
  readonly wholeGroup: boolean;
  readonly draft: () => PaperDraft;
  /** Where the marked criterion is answered. */
  readonly zone: Zone | null;
  readonly repository: Repository;
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
  const files = usePaperFiles({ rows, work, criteria, draft: props.draft, repository: props.repository, send });
  const navigate = useNavigate();
  const compared = useMemo(
    () => props.beside && work && { before: attemptFile(props.beside), after: attemptFile(work) },
    [props.beside, work],
  );
  const attempt = useFileChoice({
    label: "Files of another attempt",
    multiple: true,
    onFiles: (chosenFiles) => void handIn.addFiles(chosenFiles),
  });
  const marked = useFileChoice({
    label: "A marked PDF",
    kind: "pdf",
    onFiles: ([first]) => {
      if (first) void files.readIn(first);
    },
  });
  if (!work && rows.answers.length > 0) return <Answers slot={slot} rows={rows} send={send} />;
  if (!work) return <NoWork slot={slot} rows={rows} handIn={handIn} files={files} />;
  const { file, blob } = work;
  const place = { assignmentId: rows.assignment.id, studentId: rows.student.id };
  const actions = noteActions(send, { ...place, fileId: file.id }, props.wholeGroup);
  const more = (): MenuItems => [
    { words: "Save the marked paper (PDF)", onSelect: files.savePdf },
    { words: "Save the remarks (JSON-LD)", onSelect: files.saveAnnotations },
    { words: "Read in remarks from a marked PDF", onSelect: marked.choose },
    ...(hasPages(file) && criteria.length + rows.answers.length > 0
      ? [
          {
            words: `Where each ${criteria.length > 0 ? "criterion" : "question"} is answered`,
            onSelect: () => void navigate("zones", { relative: "path" }),
          },
        ]
      : []),
    null,
    { words: "Add another attempt", onSelect: attempt.choose },
    {
      words: `Discard attempt ${String(file.attempt)}`,
      onSelect: () => void send({ type: "discardAttempt", ...place, attempt: file.attempt }),
    },
  ];
  return (
    <DropPlace
      words={`Let go to add another attempt of ${rows.student.givenName}`}
      className="flex h-full flex-col bg-table"
      onFiles={(dropped) => void handIn.addFiles(dropped)}
    >
      {rows.files.length > 1 && <FileBar slot={slot} rows={rows} current={file} send={send} />}
      <FileNewsLine files={files} trouble={handIn.trouble} />
      <div className="min-h-0 flex-1">
        {compared ? (
          <CompareAttempts {...compared} onClose={props.onAlone} />
        ) : blob && isArchiveFile(file) ? (
          <ArchiveWork slot={slot} rows={rows} file={file} blob={blob} onOpen={handIn.addParts} />
        ) : blob ? (
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
            threads={rows.threads}
            zone={props.zone}
            more={more}
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
      {attempt.field}
      {marked.field}
    </DropPlace>
  );
}

/** What can be done with the remarks on a file, as what is sent for it. */
function noteActions(
  send: WorkAreaProps["send"],
  place: { readonly assignmentId: AssignmentId; readonly studentId: StudentId; readonly fileId: FileId },
  forGroup: boolean,
): NoteActions {
  return {
    add: async (note) => {
      const outcome = await send({
        type: "addNote",
        ...place,
        body: "",
        forGroup,
        ...note,
      });
      return outcome.ok ? (outcome.value.patches[0]?.id ?? null) : null;
    },
    write: (noteId, body, seen) => send({ type: "editNote", noteId, body, seen }),
    link: (noteId, criterionId) => void send({ type: "editNote", noteId, criterionId }),
    colour: (noteId, colour) => void send({ type: "editNote", noteId, colour }),
    move: (noteId, target) => send({ type: "editNote", noteId, target }),
    draw: (page, colour, stroke) => void send({ type: "drawStroke", ...place, page, colour, stroke }),
    remove: (noteId) => void send({ type: "removeNote", noteId }),
  };
}

const attemptFile = ({ file, blob }: Work) => ({ file, blob, title: `Attempt ${String(file.attempt)}: ${file.name}` });

interface NoWorkProps {
  readonly slot: string;
  readonly rows: DeskRows;
  readonly handIn: HandInActions;
  readonly files: PaperFiles;
}

function NoWork({ slot, rows, handIn, files }: NoWorkProps) {
  const onPaper = rows.channel === "paper" || rows.attempts > 0;
  return (
    <DropPlace
      words={`Let go to hand in for ${rows.student.givenName}`}
      className="grid h-full place-items-center bg-table p-8"
      onFiles={(dropped) => void handIn.addFiles(dropped)}
    >
      <div className="max-w-md text-center">
        <p className="font-serif text-xl">
          {onPaper ? "On paper: there is nothing to open here." : "Nothing handed in yet."}
        </p>
        <p className="mt-2 text-soft">
          {onPaper
            ? `${rows.criteria.length > 0 ? "Judge it on its rulers" : "Type its score (Enter)"}, with the paper beside you.`
            : `Say that ${rows.student.givenName} is missing (M) or excused (X), or add what came in another way.`}
        </p>
        <div className="mt-4 flex justify-center gap-2">
          <FileButton words="Add files" multiple onFiles={(chosen) => void handIn.addFiles(chosen)} />
          {rows.figure.standing === "expected" && (
            <Link className="act act-quiet" to={`/courses/${slot}/collect?into=${inAddress(rows.assignment.id)}`}>
              Collect for all
            </Link>
          )}
          {rows.figure.standing === "expected" && (
            <button type="button" className="act act-quiet" onClick={() => void handIn.addPaper()}>
              It came on paper
            </button>
          )}
          {onPaper && (
            <button type="button" className="act act-quiet" onClick={files.savePdf}>
              Save the feedback page (PDF)
            </button>
          )}
        </div>
        <FileNewsLine files={files} trouble={handIn.trouble} />
      </div>
    </DropPlace>
  );
}
