import { z } from "zod";
import { isDecimal, type Decimal, type Id, type Instant } from "#core/kernel";

/** Schemas of the fields that several records share. */

export const decimalField = z.custom<Decimal>((value) => typeof value === "string" && isDecimal(value), {
  message: "a decimal with at most 4 places",
});

/** An exact figure as text, `n/d`. */
export const fractionField = z.string().regex(/^-?\d{1,60}\/[1-9]\d{0,59}$/, { message: "a fraction such as 114/205" });

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

/** Longest name or title, in characters. */
const NAME_LENGTH = 200;
/** Longest comment, in characters: some 3,000 words. */
const COMMENT_LENGTH = 20_000;

/** A name or title: not empty, spaces at its ends taken off. */
export const nameField = z.string().trim().min(1).max(NAME_LENGTH);
/** A comment; may be empty. */
export const commentField = z.string().max(COMMENT_LENGTH);
/** A whole number from 0 to a million. */
export const countField = z.number().int().min(0).max(1_000_000);
