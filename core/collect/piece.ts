import { z } from "zod/mini";
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
  order: z.int().check(z.minimum(0)),
  /** What it was dropped with, in words: `memos`, `essays.zip`, `Re: memo`. */
  source: z.string().check(z.maxLength(300)),
  /** Folders and name as it came, parted by `/`. */
  path: z.string().check(z.maxLength(2_000)),
  /** The letter whose attachment it is; attachments of one letter are one hand-in. */
  letter: z.nullable(z.string().check(z.maxLength(300))),
  /** Already kept under its id. */
  file: fileSchema,
  /** SHA-256 of its bytes, in hexadecimal. */
  sum: z.string().check(z.maxLength(64)),
  /** When it was handed in, as far as it tells by itself. */
  at: z.nullable(instantField),
  /** Pages of a PDF. */
  pages: z.nullable(z.int().check(z.minimum(0))),
  /** Words of a text. */
  words: z.nullable(z.int().check(z.minimum(0))),
  /** How the work begins. */
  beginning: z.string().check(z.maxLength(BEGINNING_LENGTH)),
  /** Who a document says wrote it. */
  author: z.string().check(z.maxLength(300)),
  /** Address and name of who sent it; empty where it came by no letter. */
  senderAddress: z.string().check(z.maxLength(320)),
  senderName: z.string().check(z.maxLength(300)),
  /** A paper cut out of a scanned pile: its beginning is read by a person, from the strip that is shown of it. */
  isCut: z._default(z.boolean(), false),
  /** The pile it was cut out of. */
  pileId: z._default(z.nullable(idField("piece")), null),
  /** The code that it begins with; empty where it has none. */
  code: z._default(z.string().check(z.maxLength(40)), ""),
  /** The work that a person put it to; null leaves it with the others. */
  assignmentId: z._default(z.nullable(idField("assignment")), null),
  /** The pages of a scan, as they were seen; none where it was not looked at. */
  scan: z._default(z.array(scanPageSchema), []),
  trouble: z.nullable(pieceTroubleSchema),
  decision: z.nullable(decisionSchema),
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
