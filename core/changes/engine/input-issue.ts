import type { z } from "zod/mini";

/** What is wrong with a field of a command, as data; the screen makes the sentence. */
export type InputFault =
  | { readonly kind: "empty" }
  | { readonly kind: "too_long"; readonly most: number }
  | { readonly kind: "too_many"; readonly most: number }
  | { readonly kind: "too_large"; readonly most: number }
  | { readonly kind: "too_small"; readonly least: number }
  | { readonly kind: "not_understood" };

/** A command whose input cannot be. */
export interface InputIssue {
  readonly code: "input_not_valid";
  /** The field, such as `fields.name`; empty for the input as a whole. */
  readonly path: string;
  readonly fault: InputFault;
}

/** The first thing that is wrong with an input. */
export function inputIssue(error: z.core.$ZodError): InputIssue {
  const first = error.issues[0];
  return {
    code: "input_not_valid",
    path: first?.path.map(String).join(".") ?? "",
    fault: first ? faultOf(first) : { kind: "not_understood" },
  };
}

function faultOf(issue: z.core.$ZodIssue): InputFault {
  if (issue.code === "too_big") {
    const most = Number(issue.maximum);
    return { kind: issue.origin === "string" ? "too_long" : issue.origin === "array" ? "too_many" : "too_large", most };
  }
  if (issue.code === "too_small") {
    const isEmpty = issue.origin === "string" || issue.origin === "array";
    return isEmpty ? { kind: "empty" } : { kind: "too_small", least: Number(issue.minimum) };
  }
  return { kind: "not_understood" };
}
