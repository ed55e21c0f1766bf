import { z } from "zod/mini";

/** Quarter turns clockwise. */
const turnSchema = z.union([z.literal(0), z.literal(1), z.literal(2), z.literal(3)]);
/** Quarter turns clockwise that set a page upright. */
export type Turn = z.infer<typeof turnSchema>;

/** A page of a scanned pile: what was seen on it, and what a person made of it. */
export const scanPageSchema = z.object({
  /** The text of a code of ours; empty where there is none. */
  code: z._default(z.string().check(z.maxLength(40)), ""),
  /** Null: as the page before it that knows, within its paper. */
  turn: z._default(z.nullable(turnSchema), null),
  /** Nothing was seen on it. */
  isBlank: z._default(z.boolean(), false),
  /** A paper begins here. */
  isFirst: z._default(z.boolean(), false),
  isLeftOut: z._default(z.boolean(), false),
});
/** A page of a scanned pile. */
export type ScanPage = z.infer<typeof scanPageSchema>;

/** What reading a page of a scan tells. */
export type SeenPage = Pick<ScanPage, "code" | "isBlank"> & { readonly turn: Turn | null };
