import type {
  CourseArchive,
  CourseFileIssue,
  MailDraft,
  PackedPiece,
  PageContent,
  PageIssue,
  PageKind,
  ProgressReport,
  ProvenCourse,
  ReadCourse,
  ReadPosts,
  RubricFileIssue,
  Sheet,
  StudentCopyContent,
  UnprovenIssue,
  WholeCourse,
} from "#core/formats";
import type { SheetFormat } from "./tables/sheets-out";
import type { StretchCost } from "./lock/stretch";
import type { Cover } from "#core/collect";
import type { CoverWish, FeedbackSheet, FontFile, FoundMark, MarkedPaper, RecoverySheet } from "./pdf/messages";
import type { FileId, Instant, Result } from "#core/kernel";
import type { Course, DecimalMark, PackedState, Rubric, Student } from "#core/model";

export type { ComparedWork, OverlapJobs, SharedText, WorkText } from "./overlap/messages";
export type { SheetFormat } from "./tables/sheets-out";
export type { CollectJobs, DroppedFile, DropRemark, MatchQuestion, ReadBatch, ReadPiece } from "./collect/messages";
export type {
  CoverWish,
  FeedbackSheet,
  FontFile,
  FoundMark,
  MarkPlace,
  PaperSource,
  PdfMark,
  RecoverySheet,
  SheetPassage,
  TextBlock,
} from "./pdf/messages";

/** A course on its way into a course file, asked for piece by piece by the worker that packs it. */
export interface AskedCourse {
  /** How many entries of its journal, from the first on, got their sums later than they were written. */
  readonly unproven: () => Promise<number>;
  /** Begins with the first piece of its journal again. */
  readonly begin: () => Promise<void>;
  /** The next piece of its journal; null behind the last. */
  readonly next: () => Promise<PackedPiece | null>;
  /** What a file holds; null where it is gone. */
  readonly file: (id: FileId) => Promise<Blob | null>;
  /** Hears how many entries are written, and how many read back. */
  readonly tell: (written: number, readBack: number) => Promise<void>;
}

/** A course that was opened to be looked into. */
export type OpenedArchive = Pick<WholeCourse, "entries" | "state" | "files" | "lacking">;

/** A course that was read and is to be kept: its journal in pieces, and what it leads to. */
export interface ReadInCourse extends Pick<
  ReadCourse,
  "history" | "count" | "unproven" | "broken" | "files" | "lacking"
> {
  readonly pieces: readonly PackedPiece[];
  readonly state: PackedState;
  readonly course: Course;
}

/** What the archive worker can be asked. Data goes in and comes out by value. */
export interface ArchiveJobs {
  /** The course file, read back and compared before it is answered. */
  readonly pack: (course: AskedCourse, writtenAt: Instant) => Promise<Result<ProvenCourse, UnprovenIssue>>;
  /** The same of a course that is in memory. */
  readonly packWhole: (archive: CourseArchive, writtenAt: Instant) => Promise<Result<ProvenCourse, UnprovenIssue>>;
  readonly unpack: (file: Blob) => Promise<Result<OpenedArchive, CourseFileIssue>>;
  /** Reads a course file in; `tell` hears how many entries are read. */
  readonly readIn: (
    file: Blob,
    tell: (entries: number) => Promise<void>,
  ) => Promise<Result<ReadInCourse, CourseFileIssue>>;
  /** Locks a file with a passphrase, as an age file. */
  readonly lock: (file: Blob, passphrase: string) => Promise<Blob>;
  /** What an age file holds; null where the passphrase is another one. */
  readonly unlock: (file: Blob, passphrase: string) => Promise<Blob | null>;
  /** The first entry of a piece of a journal whose sum is not what it must be behind `before`, from 0 on; null where all fit. */
  readonly brokenLink: (piece: PackedPiece, before: string) => Promise<number | null>;
  /** Files without what tells who wrote them, in their properties and, where it can be covered, in their words; `tell` hears how many are done. */
  readonly nameless: (
    files: readonly NamedFile[],
    tell: (done: number) => Promise<void>,
  ) => Promise<readonly Nameless[]>;
}

/** A file that is to tell nothing of its writers. */
export interface NamedFile {
  readonly bytes: Uint8Array<ArrayBuffer>;
  readonly mediaType: string;
  /** What may name them in its words. */
  readonly names: readonly string[];
}

/** A file that tells nothing of its writers, as far as that could be done. */
export interface Nameless {
  readonly bytes: Uint8Array<ArrayBuffer>;
  /** `named`: its words name a writer still. `unread`: it has no words that can be read, or could not be opened. */
  readonly left: "nothing" | "named" | "unread";
}

/** What the worker for foreign documents can be asked. */
export interface PageJobs {
  /** A handed-in document as data that can be shown, or why not. */
  readonly open: (
    kind: PageKind,
    bytes: Uint8Array<ArrayBuffer>,
    mediaType: string,
  ) => Promise<PageContent | PageIssue>;
}

/** What the worker for lists and tables can be asked. */
export interface TableJobs {
  readonly posts: (text: string, students: readonly Student[], timeZone: string) => Promise<ReadPosts>;
  /** A rubric under fresh ids. */
  readonly rubric: (text: string) => Promise<Result<Rubric, RubricFileIssue>>;
  /** The sheets of a spreadsheet of this media type. @throws where it cannot be read */
  readonly readSheets: (blob: Blob, mediaType: string) => Promise<readonly Sheet[]>;
  /** People and line items of a roster-and-results set; null for an archive that is none. */
  readonly planOfSet: (archive: Blob) => Promise<SetPlan | null>;
  readonly writeSheets: (sheets: readonly Sheet[], format: SheetFormat, mark: DecimalMark) => Promise<Blob>;
}

/** What a course's plan can take from a roster-and-results set; null where the set has none of it. */
export interface SetPlan {
  /** A roster, as it could be pasted. */
  readonly roster: string | null;
  /** Line items as lines of shorthand. */
  readonly shorthand: string | null;
}

/** What the worker that makes keys of passphrases can be asked. */
export interface LockJobs {
  /** A cost at which one try takes between half a second and a second on this machine. */
  readonly measure: () => Promise<StretchCost>;
  /** The key of a passphrase, of 32 bytes. */
  readonly stretch: (passphrase: string, salt: Uint8Array, cost: StretchCost) => Promise<Uint8Array>;
}

/** What the PDF worker can be asked. */
export interface PdfJobs {
  readonly writePaper: (paper: MarkedPaper) => Promise<Uint8Array<ArrayBuffer>>;
  /** @throws Error when the file is no PDF that can be read */
  readonly readMarks: (bytes: Uint8Array<ArrayBuffer>) => Promise<readonly FoundMark[]>;
  /** Cover sheets, labels or tasks with codes. @throws where the task is no PDF that can be read */
  readonly writeCovers: (
    covers: readonly Cover[],
    wish: CoverWish,
    fonts: readonly FontFile[],
  ) => Promise<Uint8Array<ArrayBuffer>>;
  readonly writeRecoverySheet: (sheet: RecoverySheet, fonts: readonly FontFile[]) => Promise<Uint8Array<ArrayBuffer>>;
}

type Bytes = Uint8Array<ArrayBuffer>;

/** A file made for a student. */
export interface MadeFile {
  readonly name: string;
  readonly mediaType: string;
  readonly bytes: Bytes;
}

/** Everything the files of one student are made of. All of it comes from their fixed copies. */
export interface CopyMaterial {
  readonly content: StudentCopyContent;
  /** Comments with light formatting, as HTML, by their text. */
  readonly formatted: ReadonlyMap<string, string>;
  /** One for each letter, in their order. */
  readonly sheets: readonly FeedbackSheet[];
  /** Works with their remarks. */
  readonly papers: readonly (Pick<MarkedPaper, "source" | "marks" | "author"> & {
    readonly fileId: FileId;
    readonly name: string;
  })[];
  /** Files as they were handed in or given back, by the file they belong to. */
  readonly files: readonly (MadeFile & { readonly fileId: FileId })[];
  /** Locks the student's files into an archive of their own; null leaves them open. */
  readonly lock: CopyLock | null;
}

/** How a student's files are locked: as an archive that common programs open, or as an age file. */
export interface CopyLock {
  readonly kind: "archive" | "age";
  readonly passphrase: string;
}

/** What the worker for student copies can be asked, one student after the other. */
export interface CopyJobs {
  /** The files of one student: a page and a PDF, or one locked archive with both. */
  readonly make: (material: CopyMaterial, fonts: readonly FontFile[]) => Promise<readonly MadeFile[]>;
  readonly report: (report: ProgressReport, fonts: readonly FontFile[]) => Promise<Bytes>;
  /** Letters as e-mail drafts, under their names. */
  readonly mail: (
    drafts: readonly { readonly name: string; readonly draft: MailDraft }[],
  ) => Promise<readonly MadeFile[]>;
  /** All files in one archive. */
  readonly pack: (files: readonly MadeFile[]) => Promise<Bytes>;
}
