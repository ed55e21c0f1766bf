import type { Match, PaperPage, Piece, PieceTraits, SeenPage } from "#core/collect";
import type { AssignmentId, Instant, StudentId } from "#core/kernel";
import type { Student } from "#core/model";
import type { MadeUpPaper } from "./scan/made-up-scan";

/** A file that was dropped, with its folders. */
export interface DroppedFile {
  readonly path: string;
  /** What it was dropped with, in words. */
  readonly source: string;
  readonly blob: Blob;
  readonly at: Instant | null;
}

/** A file as it comes out of what was dropped: itself, an archive's, a letter's. */
export interface LooseFile extends DroppedFile {
  /** What a letter without an attachment says. */
  readonly isLetterAlone?: boolean;
  readonly letter: string | null;
  readonly senderAddress: string;
  readonly senderName: string;
}

/** What was passed over, and why. */
export interface DropRemark {
  readonly path: string;
  readonly code:
    | "archive_damaged"
    | "archive_locked"
    | "archive_too_large"
    | "archive_in_archive"
    | "entry_damaged"
    | "path_climbs_out"
    | "file_too_large"
    | "mail_damaged"
    | "mail_without_work";
}

/** A piece as it was read; it gets its id when it is kept. */
export type ReadPiece = Omit<
  Piece,
  "id" | "order" | "file" | "decision" | "isCut" | "pileId" | "code" | "assignmentId" | "scan"
> & {
  readonly name: string;
  readonly mediaType: string;
  readonly blob: Blob;
};

/** What has been read since the last time. */
export interface ReadBatch {
  readonly pieces: readonly ReadPiece[];
  readonly remarks: readonly DropRemark[];
  /** Dropped files that are done. */
  readonly done: number;
}

/** What matching is told beside the pieces, as it crosses to the worker. */
export interface MatchQuestion {
  readonly pieces: readonly PieceTraits[];
  readonly students: readonly Student[];
  readonly groups: ReadonlyMap<StudentId, string>;
  readonly decided: ReadonlyMap<Piece["id"], StudentId>;
  readonly title: string;
  readonly assignmentId: AssignmentId;
}

/** What the worker of the tray can be asked. */
export interface CollectJobs {
  /** Reads what was dropped and tells of it in parts; the next part is read once the last was taken. */
  readonly read: (files: readonly DroppedFile[], tell: (batch: ReadBatch) => Promise<void>) => Promise<void>;
  /**
   * Looks for codes on the pages of a scan: a PDF, or pictures of pages in their order. `tell` hears how many are done.
   * @throws where it cannot be read
   */
  readonly look: (
    files: readonly Blob[],
    tell: (done: number, all: number) => Promise<void>,
  ) => Promise<readonly SeenPage[]>;
  /** Pictures of pages as one PDF. @throws where one is none */
  readonly asPile: (pictures: readonly Blob[]) => Promise<Blob>;
  /** A PDF without its password; null where it is another one. @throws where it is damaged */
  readonly unlock: (pdf: Blob, password: string) => Promise<Blob | null>;
  /** A scan of a pile that nobody wrote, for the demo course. */
  readonly madeUp: (papers: readonly MadeUpPaper[]) => Promise<Blob>;
  /** A scanned pile as papers of these pages. @throws where it cannot be read as a PDF */
  readonly cut: (pile: Blob, papers: readonly (readonly PaperPage[])[]) => Promise<readonly Blob[]>;
  readonly match: (question: MatchQuestion) => Promise<readonly Match[]>;
}
