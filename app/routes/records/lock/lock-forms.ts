import { z } from "zod/mini";
import { nameText } from "../../../ui/forms/schemas";

/** A passphrase that is chosen now, typed twice alike. */
export const chosenPassphrase = z
  .object({ passphrase: z.string().check(z.minLength(1), z.maxLength(1_000)), again: z.string() })
  .check(z.refine(({ passphrase, again }) => passphrase === again, "The two are not the same yet."));

/** What a lock is called while the course is locked, and after how many idle minutes it locks itself. */
export const lockFacts = z.object({ label: nameText(80), idleMinutes: z.int().check(z.minimum(0), z.maximum(1_440)) });
