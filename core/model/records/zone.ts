import { z } from "zod/mini";
import { idField } from "./fields";

const share = z.number().check(z.minimum(0), z.maximum(1));

/**
 * Where on a paper a criterion or a question is answered: a part of a page, in shares of it as it is shown unturned, from
 * its upper left corner.
 */
export const zoneSchema = z.object({
  of: z.union([idField("criterion"), idField("question")]),
  page: z.int().check(z.minimum(1), z.maximum(2_000)),
  x: share,
  y: share,
  width: share,
  height: share,
});
/** Where on a paper a criterion or a question is answered. */
export type Zone = z.infer<typeof zoneSchema>;

/** Most zones of one assignment, or of one paper. */
export const MOST_ZONES = 2_000;

/** A criterion or a question: what a zone can be of. */
export type ZoneTarget = Zone["of"];
