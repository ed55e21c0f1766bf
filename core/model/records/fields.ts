import { z } from "zod/mini";
import { isDecimal, type Decimal, type Id, type Instant } from "#core/kernel";

/** Schemas of the fields that several records share. */

export const decimalField = z.custom<Decimal>((value) => typeof value === "string" && isDecimal(value), {
  message: "a decimal with at most 4 places",
});

/** An exact figure as text, `n/d`. */
export const fractionField = z
  .string()
  .check(z.regex(/^-?\d{1,60}\/[1-9]\d{0,59}$/, { message: "a fraction such as 114/205" }));

/** A moment in UTC. */
export const instantField = z.custom<Instant>(
  (value) =>
    typeof value === "string" &&
    /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?Z$/.test(value) &&
    !Number.isNaN(Date.parse(value)),
  { message: "a moment in UTC such as 2026-10-23T16:00:00Z" },
);

/** An id of one kind. */
export const idField = <K extends string>(kind: K) =>
  z.custom<Id<K>>((value) => typeof value === "string" && value.startsWith(`${kind}:`) && value.length < 100, {
    message: `an id of the form ${kind}:...`,
  });

/** The key a record stands under; never a name that every object has, such as `__proto__`. */
export const recordKeyField = z.string().check(
  z.minLength(1),
  z.refine((key) => key.split("/").every((part) => !(part in Object.prototype)), { message: "a key of a record" }),
);

/** Longest name or title, in characters. */
const NAME_LENGTH = 200;
/** Longest comment, in characters: some 3,000 words. */
const COMMENT_LENGTH = 20_000;

/** A name or title: not empty, spaces at its ends taken off. */
export const nameField = z.string().check(z.trim(), z.minLength(1), z.maxLength(NAME_LENGTH));
/** Longest name of a file, in UTF-16 units: what NTFS and APFS allow; ext4 allows fewer. */
const FILE_NAME_LENGTH = 255;
/** Most bytes of one file that a record can name: 1 TiB, far above what a browser keeps. */
const MOST_FILE_BYTES = 2 ** 40;

/** The name of a file as its owner gave it, spaces and dots included: any that a file system allows. */
export const fileNameField = z.string().check(z.minLength(1), z.maxLength(FILE_NAME_LENGTH));
/** The size of a file in bytes. */
export const byteCountField = z.int().check(z.minimum(0), z.maximum(MOST_FILE_BYTES));
/** A comment; may be empty. */
export const commentField = z.string().check(z.maxLength(COMMENT_LENGTH));
/** A whole number from 0 to a million. */
export const countField = z.int().check(z.minimum(0), z.maximum(1_000_000));
