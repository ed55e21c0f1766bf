import { z } from "zod";
import { fileSchema, idField, instantField } from "#core/model";
import type { CodeSaid } from "./paper/code-book";
import { scanPageSchema } from "./paper/scan-page";

/** Letters of a work's beginning that matching reads; about 60 words. */
export const BEGINNING_LENGTH = 1_000;

/** What stands in the way of a piece; it may be put to a student all the same, as it came. */
const pieceTroubleSchema = z.enum([
  /** A PDF that asks for a password. */
  "locked",
  /** Nothing of it could be read. */
  "damaged",
  /** It has no bytes. */
  "empty",
  /** A letter without an attachment: what it says would be the work. */
  "letterAlone",
  /** A spreadsheet in which a class stands: its scores are looked at by themselves. */
  "classSheet",
]);
const decisionSchema = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("leftOut") }),
  /** A scanned pile whose papers lie in the tray beside it. */
  z.object({ kind: z.literal("cut") }),
  z.object({
    kind: z.literal("student"),
    studentId: idField("student"),
    /** One more file of what the student handed in last, in place of a further attempt. */
    joins: z.boolean(),
  }),
]);

/** One piece that came in: a file, an entry of an archive, an attachment of a letter. */
export const pieceSchema = z.object({
  id: idField("piece"),
  /** Its place in the tray, from 0. */
  order: z.number().int().min(0),
  /** What it was dropped with, in words: `memos`, `essays.zip`, `Re: memo`. */
  source: z.string().max(300),
  /** Folders and name as it came, parted by `/`. */
  path: z.string().max(2_000),
  /** The letter whose attachment it is; attachments of one letter are one hand-in. */
  letter: z.string().max(300).nullable(),
  /** Already kept under its id. */
  file: fileSchema,
  /** SHA-256 of its bytes, in hexadecimal. */
  sum: z.string().max(64),
  /** When it was handed in, as far as it tells by itself. */
  at: instantField.nullable(),
  /** Pages of a PDF. */
  pages: z.number().int().min(0).nullable(),
  /** Words of a text. */
  words: z.number().int().min(0).nullable(),
  /** How the work begins. */
  beginning: z.string().max(BEGINNING_LENGTH),
  /** Who a document says wrote it. */
  author: z.string().max(300),
  /** Address and name of who sent it; empty where it came by no letter. */
  senderAddress: z.string().max(320),
  senderName: z.string().max(300),
  /** A paper cut out of a scanned pile: its beginning is read by a person, from the strip that is shown of it. */
  isCut: z.boolean().default(false),
  /** The pile it was cut out of. */
  pileId: idField("piece").nullable().default(null),
  /** The code that it begins with; empty where it has none. */
  code: z.string().max(40).default(""),
  /** The work that a person put it to; null leaves it with the others. */
  assignmentId: idField("assignment").nullable().default(null),
  /** The pages of a scan, as they were seen; none where it was not looked at. */
  scan: z.array(scanPageSchema).default([]),
  trouble: pieceTroubleSchema.nullable(),
  decision: decisionSchema.nullable(),
});
/** One piece that came in. */
export type Piece = z.infer<typeof pieceSchema>;
/** The id of a piece. */
export type PieceId = Piece["id"];
/** What a person decided about a piece. */
export type Decision = z.infer<typeof decisionSchema>;

/** What matching reads of a piece. */
export type PieceTraits = Pick<
  Piece,
  "id" | "path" | "letter" | "sum" | "beginning" | "author" | "senderAddress" | "senderName"
> & {
  /** What the code on it says in this course; null where it has none. */
  readonly said: CodeSaid | null;
};
