import { z } from "zod";
import { nameText } from "../../../ui/forms/schemas";

/** A passphrase that is chosen now, typed twice alike. */
export const chosenPassphrase = z
  .object({ passphrase: z.string().min(1).max(1_000), again: z.string() })
  .refine(({ passphrase, again }) => passphrase === again, "The two are not the same yet.");

/** What a lock is called while the course is locked, and after how many idle minutes it locks itself. */
export const lockFacts = z.object({ label: nameText(80), idleMinutes: z.number().int().min(0).max(1_440) });
