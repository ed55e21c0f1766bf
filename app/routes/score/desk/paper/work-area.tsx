import { useMemo } from "react";
import { useNavigate } from "react-router";
import { isArchiveFile, type Zone } from "#core/model";
import type { ChangeResult, Command } from "#core/changes";
import type { AssignmentId, FileId, StudentId } from "#core/kernel";
import { DropPlace } from "../../../../ui/files/drop-place";
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
import { usePaperFiles } from "./use-paper-files";
import { Answers } from "../judgement/answers";
import { FileBar } from "./file-bar";
import type { DeskRows } from "../rows";
import type { HandInActions } from "./use-hand-in";
import { NoWork } from "./no-work";
import type { AttemptFile } from "../../../../ui/work/view/compare-attempts";

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
  const { slot, rows, work, send, handIn } = props;
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
  const { file } = work;
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
        <Shown {...props} {...{ work, criteria, compared, actions, more }} />
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

type ShownProps = WorkAreaProps & {
  readonly work: Work;
  readonly criteria: readonly EvidenceTarget[];
  readonly compared: { readonly before: AttemptFile; readonly after: AttemptFile } | null;
  readonly actions: NoteActions;
  readonly more: () => MenuItems;
};

/** The file in its way: two attempts beside each other, a list of parts, pages to write on, or why it cannot be shown. */
function Shown({
  slot,
  rows,
  work,
  handIn,
  compared,
  criteria,
  actions,
  more,
  chosen,
  onChoose,
  ...props
}: ShownProps) {
  const { file, blob } = work;
  if (compared) return <CompareAttempts {...compared} onClose={props.onAlone} />;
  if (blob && isArchiveFile(file))
    return <ArchiveWork slot={slot} rows={rows} file={file} blob={blob} onOpen={handIn.addParts} />;
  if (blob)
    return (
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
    );
  return (
    <Unreadable
      name={file.name}
      blob={new Blob()}
      what="This browser no longer holds the file's bytes."
      mend="Read in your last course file under Files."
    />
  );
}
